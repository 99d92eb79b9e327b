import type { Chain, Step } from '../pattern/instruction.js';
import type { Span } from '../text/source.js';

/** What keeps an instruction from coming out even. */
export type Misfit =
  /** A repeat "around" that fits `whole` times and leaves `left` stitches over. */
  | {
      readonly kind: 'remainder';
      readonly span: Span;
      readonly whole: number;
      readonly left: number;
      readonly each: number;
      readonly room: number;
    }
  | { readonly kind: 'over'; readonly into: number; readonly edge: number }
  | { readonly kind: 'under'; readonly into: number; readonly edge: number }
  /** Stitches along a foundation chain that don't use its chains. `along` chains can be worked into. */
  | {
      readonly kind: 'foundation';
      readonly chains: number;
      readonly along: number;
      readonly first: number;
      readonly other: number | null;
    };

/** Why no figure can be had. */
export type Obstacle =
  | { readonly kind: 'no-amount'; readonly span: Span; readonly into: number; readonly made: number }
  | { readonly kind: 'open-ended'; readonly span: Span }
  | { readonly kind: 'edge-unknown' }
  | { readonly kind: 'unread' }
  | { readonly kind: 'reference'; readonly span: Span };

/** What one step did on its edge: how often, and what it used and made each time. */
export interface Worked {
  readonly step: Step;
  readonly times: number;
  readonly into: number;
  readonly made: number;
  /** One pass of a repeat. */
  readonly body: readonly Worked[];
}

/** What an instruction does on a given edge. All figures are stitches. */
export interface Outcome {
  /** Null where the piece starts here, or the figure can't be had. */
  readonly edge: number | null;
  readonly into: number | null;
  readonly made: number | null;
  readonly starts: boolean;
  readonly misfits: readonly Misfit[];
  readonly obstacles: readonly Obstacle[];
  /** "sc 1, inc around" was taken as "(sc 1, inc) around", because only so it comes out. */
  readonly bracketed: boolean;
  /** A starting chain of two or more was taken to count, or not, because only so the stated count agrees. */
  readonly chainGuess: { readonly chain: Chain; readonly counts: boolean } | null;
  /** What each step did, where that was asked for; empty otherwise. */
  readonly worked: readonly Worked[];
}

/** Where the stitches of a round go. */
export type Ground =
  | { readonly kind: 'edge'; readonly length: number | null }
  /** A ring, or one chain that takes them all. */
  | { readonly kind: 'start' }
  /** A chain of `chains`, its ends joined or not; `k` is the first one worked into, from the hook. */
  | { readonly kind: 'chains'; readonly chains: number; readonly ring: boolean; readonly k: number | null };
