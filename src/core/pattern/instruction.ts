import type { Span } from '../text/source.js';
import type { Loops, StitchId } from '../vocabulary/stitches.js';

/**
 * How often something is done.
 * - `times`: exactly so often.
 * - `fill`: while the edge lasts, save `leave` stitches at its end.
 * - `until-made`: until the round has `count` stitches left to work into (decreasing to a target); where it `grows`, until it
 *   has so many. What is `spread` is done in one time around.
 * - `open`: "until closed": no number can be had from the text.
 */
export type Amount =
  | { readonly kind: 'times'; readonly times: number }
  | { readonly kind: 'fill'; readonly leave: number }
  | { readonly kind: 'until-made'; readonly count: number; readonly grows?: boolean; readonly spread?: boolean }
  | { readonly kind: 'open' };

export const once: Amount = { kind: 'times', times: 1 };

/** Where the stitches of a step go. */
export type Place =
  | { readonly kind: 'edge' }
  /** Into the stitch that was worked into last: uses nothing up. */
  | { readonly kind: 'same' }
  | { readonly kind: 'ring' }
  /** Into one chain, the k-th from the hook; the first step of a foundation. */
  | { readonly kind: 'chain-from-hook'; readonly k: number }
  | { readonly kind: 'last-chain' }
  /** Through both layers of an opening laid flat. */
  | { readonly kind: 'both-layers' }
  /** Into the side of the fabric, where the text gives no number of stitches: "evenly around the opening". */
  | { readonly kind: 'surface' };

/** `per` stitches made in, or over, `over` stitches of the edge; the whole done `amount` times. */
export interface Work {
  readonly kind: 'work';
  /** Null where the words don't say which: a bare `inc` or `dec` is of the stitch around it. */
  readonly stitch: StitchId | null;
  readonly per: number;
  readonly over: number;
  readonly amount: Amount;
  readonly place: Place;
  /** "2 sc in next 2 sts": taken as one in each of them, and could be two in each. */
  readonly shared?: true;
  /** "sc 1, inc around" without brackets: taken as written, and could repeat all that stands before it. */
  readonly unbracketed?: true;
  /** "in first 8 sts": the others may be left for another row. */
  readonly first?: true;
  /** A stitch with neither amount nor place: "dc". */
  readonly bare?: true;
  /** "sc around the second leg": the piece whose last edge is worked into, as the text calls it. */
  readonly source?: string;
  readonly span: Span;
}

/** Several unlike stitches worked into one stitch of the edge. */
export interface Group {
  readonly kind: 'group';
  readonly members: readonly Work[];
  readonly amount: Amount;
  readonly place: Place;
  readonly span: Span;
}

export interface Repeat {
  readonly kind: 'repeat';
  readonly body: readonly Step[];
  /** Null: brackets round several steps with no number and no "around". */
  readonly amount: Amount | null;
  /** "rep from * 5 times": taken as six in all, and could be five. */
  readonly fewer?: true;
  readonly span: Span;
}

export interface Skip {
  readonly kind: 'skip';
  readonly count: number;
  /** "miss the first st": after a starting chain that stands for that stitch. */
  readonly first: boolean;
  /** "miss 1 ch": said of chains. */
  readonly chains?: true;
  readonly span: Span;
}

/** "leave the remaining 8 sts unworked": the rest of the edge is left on purpose. Null: however many there are. */
export interface Leave {
  readonly kind: 'leave';
  readonly count: number | null;
  readonly span: Span;
}

/** A run of chains. `counts`: whether the pattern says here that it stands for a stitch. */
export interface Chain {
  readonly kind: 'chain';
  readonly count: number;
  readonly counts: boolean | null;
  readonly span: Span;
}

/** A step that changes no count: joining, turning, a magic ring, the other side of a chain, an opening laid flat. */
export interface Marker {
  readonly kind: 'join' | 'turn' | 'other-side' | 'ring' | 'picot' | 'flat';
  readonly span: Span;
}

/** "start from 2nd ch from hook": the first chain that is worked into. */
export interface FirstChain {
  readonly kind: 'first-chain';
  readonly k: number;
  readonly span: Span;
}

export interface LoopsMarker {
  readonly kind: 'loops';
  readonly loops: Loops;
  readonly span: Span;
}

export interface ColourMarker {
  readonly kind: 'colour';
  readonly name: string;
  readonly span: Span;
}

/** The round goes into loops that an earlier round left free. `round` is its number, where named. */
export interface FreeLoops {
  readonly kind: 'free-loops';
  readonly loops: 'front' | 'back' | null;
  readonly round: number | null;
  /** The piece that left them, as the text calls it, in lower case; without it the one at hand. */
  readonly part?: string;
  readonly span: Span;
}

export type Step =
  Work | Group | Repeat | Skip | Leave | Chain | Marker | LoopsMarker | ColourMarker | FirstChain | FreeLoops;

/** The count as the pattern states it. */
export interface StatedCount {
  readonly total: number;
  /** "(9 dc and 9 ch-2 sps)": chains are spaces here, and not among the stitches. */
  readonly spaces?: true;
  /** "(12 sc, 6 hdc)": the amounts by stitch. */
  readonly breakdown: readonly { readonly count: number; readonly stitch: StitchId }[];
  readonly span: Span;
}
