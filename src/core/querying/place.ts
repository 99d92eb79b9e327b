import * as z from 'zod/mini';
import { align } from '../comparing/align.js';
import type { Comparison } from '../comparing/schema.js';

/** No words longer than this are held on to; a longer selection is held by its beginning. */
export const LONGEST_HELD = 4000;

/** Where something was noted in a text, and whether its words still stand there. */
export const placeSchema = z.object({
  from: z.int().check(z.gte(0)),
  to: z.int().check(z.gte(0)),
  /** The words that it was made at. */
  words: z.string().check(z.maxLength(LONGEST_HELD)),
  /** False: other words stand there now, or none. */
  holds: z.boolean(),
});
export type Held = z.infer<typeof placeSchema>;

/** A place at some words of a text. */
export function placeAt(text: string, from: number, to: number): Held {
  const end = Math.min(to, from + LONGEST_HELD);
  return { from, to: end, words: text.slice(from, end), holds: true };
}

/** A stretch of a text that was replaced by `length` characters of another. */
interface Change {
  readonly from: number;
  readonly to: number;
  readonly length: number;
}

/**
 * Takes places along from one text to another that came of it by editing. A place holds only where the very words that
 * it was made at stand there; where they were altered it goes on saying where they stood, and holds again as soon as they
 * stand there again.
 */
export function follow(places: readonly Held[], before: string, after: string): Held[] {
  if (before === after) return [...places];
  const changes = changesBetween(before, after);
  return places.map((place) => taken(place, changes, after));
}

/** Takes places along into another draft, by the rounds and lines that were known again in it. */
export function intoDraft(places: readonly Held[], { entries }: Comparison, before: string, after: string): Held[] {
  const sides = entries.flatMap(({ before: old, after: now }) => (old ? [{ old, now }] : []));
  sides.sort((a, b) => a.old.from - b.old.from);
  return places.map((place): Held => {
    const unit = sides.find(({ old }) => place.from >= old.from && place.from < Math.max(old.to, old.from + 1));
    if (!unit?.now || place.to > unit.old.to) return lost(place, unit?.now?.from ?? fallback(sides, place.from));
    const { old, now } = unit;
    const here = { ...place, from: place.from - old.from, to: place.to - old.from };
    const [moved] = follow([here], before.slice(old.from, old.to), after.slice(now.from, now.to));
    return moved ? { ...moved, from: moved.from + now.from, to: moved.to + now.from } : lost(place, now.from);
  });
}

function lost({ words }: Held, at: number): Held {
  return { from: at, to: at, words, holds: false };
}

/** Behind the last line before a place that is still there. */
function fallback(sides: readonly { old: { from: number }; now: { to: number } | null }[], at: number): number {
  let last = 0;
  for (const { old, now } of sides) {
    if (old.from > at) break;
    if (now) last = now.to;
  }
  return last;
}

function taken(place: Held, changes: readonly Change[], after: string): Held {
  let [from, to] = [place.from, place.to];
  let shift = 0;
  let [start, end] = [from, to];
  for (const { from: left, to: right, length } of changes) {
    const grown = length - (right - left);
    // Something before it moves it; something inside it, or over its edge, belongs to what stands there now.
    const touches = left < end && right > start;
    const within = left === right && start === end && left === start;
    if (touches || within) {
      from = Math.min(from, left + shift);
      to = Math.max(to + grown, left + shift + length);
      [start, end] = [Math.min(start, left), Math.max(end, right)];
    } else if (right <= start) {
      from += grown;
      to += grown;
    } else break;
    shift += grown;
  }
  const { words } = place;
  const there = whereWordsAre(words, from, to, after);
  return there === null
    ? { from, to, words, holds: false }
    : { from: there, to: there + words.length, words, holds: true };
}

/** Where the words stand in what a place has become: there, or reaching over its edge where they were typed anew. */
function whereWordsAre(words: string, from: number, to: number, text: string): number | null {
  if (text.startsWith(words, from)) return from;
  if (words === '' || to - from > 2 * words.length) return null;
  const first = Math.max(0, from - words.length + 1);
  const near = text.slice(first, to + words.length - 1);
  const at = near.indexOf(words);
  // Twice is not to be told apart.
  return at < 0 || near.includes(words, at + 1) ? null : first + at;
}

/** A longer stretch that was replaced is one change: what stood in it is gone. Characters. */
const MOST_LOOKED_AT = 200_000;

/** What was replaced by what: by lines where several were changed, and within them by words. */
function changesBetween(before: string, after: string): Change[] {
  // Most of a text is as it was: what lies between the first and the last line that differ is looked at closely.
  const { from, to, length } = trimmed(before, after, 0);
  const start = before.lastIndexOf('\n', from - 1) + 1;
  const next = before.indexOf('\n', to);
  const end = next < 0 ? before.length : next + 1;
  if (end - start > MOST_LOOKED_AT || length > MOST_LOOKED_AT) return [{ from, to, length }];
  return byPieces(before.slice(start, end), after.slice(start, from + length + end - to), start, [LINES, WORDS]);
}

/** The one stretch in which two texts differ. */
function trimmed(before: string, after: string, offset: number): Change {
  const shorter = Math.min(before.length, after.length);
  let from = 0;
  while (from < shorter && before[from] === after[from]) from += 1;
  let same = 0;
  while (same < shorter - from && before.at(-1 - same) === after.at(-1 - same)) same += 1;
  return { from: offset + from, to: offset + before.length - same, length: after.length - same - from };
}

const LINES = /[^\n]*\n|[^\n]+$/g;
const WORDS = /[\p{L}\p{M}]+|\p{N}+|\s+|[^\s\p{L}\p{M}\p{N}]/gu;
const LIKE = { gain: (a: string, b: string) => (a === b ? a.length : 0), names: [(piece: string) => piece] };

/** What was replaced by what in a stretch of a text, laid side by side in pieces, the coarsest first. */
function byPieces(before: string, after: string, offset: number, [pieces, ...finer]: readonly RegExp[]): Change[] {
  if (before === after) return [];
  if (!pieces || before === '' || after === '') return [trimmed(before, after, offset)];
  const [olds, news] = [before.match(pieces) ?? [], after.match(pieces) ?? []];
  const changes: Change[] = [];
  let [b, a, at] = [0, 0, offset];
  for (const [nextB, nextA] of [...align(olds, news, LIKE), [olds.length, news.length] as const]) {
    const stretch = olds.slice(b, nextB).join('');
    changes.push(...byPieces(stretch, news.slice(a, nextA).join(''), at, finer));
    at += stretch.length + (olds[nextB]?.length ?? 0);
    [b, a] = [nextB + 1, nextA + 1];
  }
  return changes;
}
