import type { Span } from '../text/source.js';
import { align } from './align.js';

const PIECES = /[\p{L}\p{M}]+|\p{N}+|\s+|[^\s\p{L}\p{M}\p{N}]/gu;
const LIKE = { gain: (a: string, b: string) => (a === b ? (a.trim() === '' ? 0.1 : a.length) : 0), names: [] };
/** Longer lines are told as changed from end to end; words of both, multiplied. */
const MOST = 250_000;

/** Which words of two lines are not in the other one, as stretches of either. */
export function changedWords(before: string, after: string): { before: Span[]; after: Span[] } {
  const [old, now] = [before.match(PIECES) ?? [], after.match(PIECES) ?? []];
  const pairs = old.length * now.length > MOST ? [] : align(old, now, LIKE);
  return {
    before: without(old, new Set(pairs.map(([b]) => b))),
    after: without(now, new Set(pairs.map(([, a]) => a))),
  };
}

/** The stretches of all pieces but some; blanks between two of them belong to them. */
function without(pieces: readonly string[], same: ReadonlySet<number>): Span[] {
  const spans: Span[] = [];
  let at = 0;
  pieces.forEach((piece, i) => {
    const last = spans.at(-1);
    const blank = piece.trim() === '';
    if (!same.has(i) && !(blank && last?.to !== at)) {
      if (last?.to === at) spans[spans.length - 1] = { from: last.from, to: at + piece.length };
      else spans.push({ from: at, to: at + piece.length });
    }
    at += piece.length;
  });
  return spans;
}
