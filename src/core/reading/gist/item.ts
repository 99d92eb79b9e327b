import type { Step } from '../../pattern/instruction.js';
import type { Span } from '../../text/source.js';
import type { Loops, StitchId } from '../../vocabulary/stitches.js';

/** What is left of the words of an instruction when only what can bear on its count is kept. */
export type Item = Span & ItemKind;

export type ItemKind =
  | { readonly is: 'number'; readonly value: number; readonly ordinal: boolean; readonly glued: boolean }
  | { readonly is: 'tool'; readonly stitch: StitchId | null; readonly per: number; readonly over: number }
  | { readonly is: 'times'; readonly times: number | null; readonly sign: boolean }
  | { readonly is: 'steps'; readonly steps: readonly Step[] }
  | { readonly is: 'chain' | 'skip' | 'ring' | 'from-hook' | 'other-side' | 'layers' }
  | { readonly is: 'loops'; readonly loops: Loops }
  | { readonly is: 'marker'; readonly kind: 'turn' | 'join' }
  | { readonly is: 'each' | 'around' | 'in' | 'next' | 'same' | 'last' | 'stitches' | 'together' }
  | { readonly is: 'repeat' | 'more' | 'total' | 'and' | 'rounds' }
  /** "each gets two": what stands before it is worked into. */
  | { readonly is: 'gets' }
  /** Nothing is shaped in it, or in so many rounds. */
  | { readonly is: 'plain'; readonly rounds?: number; readonly orStitches?: boolean }
  /** So many stitches more, or fewer, spread over the round. */
  | { readonly is: 'change'; readonly by: number }
  /** One in each of all that are left. */
  | { readonly is: 'rest' }
  /** "after every 3": so many plain ones come first. */
  | { readonly is: 'behind'; readonly plain: number }
  /** A comma is weak, the end of a sentence strong. */
  | { readonly is: 'break'; readonly strong: boolean }
  | { readonly is: 'open'; readonly close: number }
  | { readonly is: 'close' }
  | { readonly is: 'word'; readonly word: string };

/** Where a step of the instruction stands. */
export function spanOf(items: readonly Item[], from: number, to: number): Span {
  const first = items[from];
  return { from: first?.from ?? 0, to: items[Math.max(from, to - 1)]?.to ?? first?.to ?? 0 };
}
