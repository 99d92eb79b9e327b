import { lineSpan, type SourceText, type Span } from '../../text/source.js';
import { ordinal } from '../../vocabulary/numbers.js';
import { contentStart } from '../labels.js';
import { numeralsIn, type Numeral } from './numerals.js';

/** A number where a label may stand. */
export interface Place {
  readonly numeral: Numeral;
  readonly line: number;
  /** The content of its line. */
  readonly start: number;
  readonly end: number;
  /** Where its label begins, if that is in the line above. */
  readonly from?: number;
  /** Numbers right behind it that go on from it: "10 11 12 plain". They may be of the label. */
  readonly more: readonly Numeral[];
}

/** Numbers that go up by one, from one place like another to the next. */
export interface Series {
  /** What is alike around them: all that stands before them in their line, both sides, or one. */
  readonly by: Family;
  readonly places: readonly Place[];
  readonly steps: number;
  /** The numbers go up while the lines go down. */
  readonly upwards: boolean;
}

type Family = 'start' | 'near' | 'right' | 'left';
const FAMILIES: readonly Family[] = ['start', 'near', 'right', 'left'];

/** A series is believed from so many steps of one on, and where so great a share of its numbers go up by one. */
const FEWEST = 3;
const SHARE = 0.75;
const LONGEST_LINE = 2000;
const LONGEST_PREFIX = 48;
const MOST_NUMERALS = 20_000;

/** The series of a text that may be its labels, the longest first; at most three that differ. */
export function seriesOf(source: SourceText): Series[] {
  const byKey = placesByKey(source);
  const found: Series[] = [];
  for (const [key, all] of byKey) {
    // Where most begin a line or a sentence, those in the middle of one only speak of a round.
    const left = key.startsWith('left');
    const begin = left ? all : all.filter(({ numeral, start }) => begins(source.text, numeral.from, start));
    const places = begin.length >= all.length * 0.7 ? begin : all;
    const by = FAMILIES.find((family) => key.startsWith(family)) ?? 'near';
    for (const upwards of by === 'start' || by === 'near' ? [false, true] : [false]) {
      const series = along(source.text, upwards ? [...places].reverse() : places, by, upwards);
      if (series) found.push(series);
    }
  }
  found.sort((a, b) => b.steps - a.steps || FAMILIES.indexOf(a.by) - FAMILIES.indexOf(b.by));
  const best = found[0];
  if (!best) return [];
  const kept: Series[] = [];
  for (const series of found) {
    if (series.steps < best.steps * 0.6) break;
    const same = kept.some(
      (other) =>
        other.places.filter((place) => series.places.some((one) => one.numeral.from === place.numeral.from)).length >
        series.places.length * 0.7,
    );
    if (!same) kept.push(withGaps(source, series));
    if (kept.length === 3) break;
  }
  return kept;
}

const NONE: readonly Numeral[] = [];
const LONGEST_LIST = 60;

function along(text: string, places: readonly Place[], by: Family, upwards: boolean): Series | null {
  const trail = new Trail();
  places.forEach((place, i) => trail.take(place, places, i));
  const { kept, steps, breaks } = trail;
  if (steps < FEWEST || steps / (steps + breaks) < SHARE) return null;
  if (upwards) kept.reverse();
  return { by, places: withoutLoners(text, kept), steps, upwards };
}

/** A series as far as it has been followed. */
class Trail {
  readonly kept: Place[] = [];
  steps = 0;
  breaks = 0;
  #last = 0;
  #line = -1;
  #lists = 0;

  take(place: Place, places: readonly Place[], i: number): void {
    const { first, last } = place.numeral;
    this.#mend(first);
    if (this.#last > 0 && first === this.#last + 1) this.steps += 1;
    else if (this.#resumes(places, i)) this.breaks += 1;
    else if (!this.#begins(place, places[i + 1])) {
      this.breaks += 1;
      return;
    }
    this.#last = last;
    this.#line = place.line;
    this.kept.push(place);
  }

  /** The place before may be a list, or no range, as the next number shows. */
  #mend(first: number): void {
    const before = this.kept.at(-1);
    if (!before) return;
    const further = before.more.find((one) => one.last === first - 1);
    // "8 9 plain" before "10": the numbers that are missing stand behind the one before.
    if (further && this.#last > 0) {
      this.kept[this.kept.length - 1] = withList(before, further);
      this.#last = further.last;
      this.#lists += 1;
    } else if (this.#lists > 0 && first === 1 && before.more.length > 0)
      this.kept[this.kept.length - 1] = withList(before, before.more.at(-1) ?? before.numeral);
    const { single } = before.numeral;
    // "Turn one – six dc" before "Turn two": no range.
    if (single && first === single.first + 1) {
      this.kept[this.kept.length - 1] = { ...before, numeral: single };
      this.#last = single.last;
    }
  }

  /** Rounds between are told without a number, or in a way that is not seen: the series goes on behind them. */
  #resumes(places: readonly Place[], i: number): boolean {
    const first = places[i]?.numeral.first ?? 0;
    const missing = first - this.#last - 1;
    return this.#last > 0 && missing > 0 && missing < MOST_MISSING && continues(places, i);
  }

  /**
   * A series begins with one, or with two: the first round often has no number, "ring of 6" above "2 6 inc". In running text it
   * may begin with three: "I started with six. The next round has twelve. Third round: …".
   */
  #begins({ numeral, line, from }: Place, next: Place | undefined): boolean {
    const goesOn = next?.numeral.first === numeral.last + 1;
    const second = numeral.first === 2 && this.#last !== 1 && goesOn;
    const third = numeral.first === 3 && this.#last === 0 && goesOn && from !== undefined;
    return (numeral.first === 1 || second || third) && line !== this.#line;
  }
}

/** Without a "1" that nothing goes on from, and behind which no such sign stands as behind the others: "I take worsted". */
function withoutLoners(text: string, places: readonly Place[]): Place[] {
  const right = (place: Place) => sidesOf(text, place.numeral, { from: place.start, to: place.end }).right;
  const counts = new Map<string, number>();
  for (const place of places) counts.set(right(place), (counts.get(right(place)) ?? 0) + 1);
  const usual = [...counts].sort(([, a], [, b]) => b - a)[0]?.[0];
  return places.filter((place, i) => {
    const goesOn = Math.abs((places[i + 1]?.numeral.first ?? 0) - place.numeral.last) === 1;
    const follows = Math.abs(place.numeral.first - (places[i - 1]?.numeral.last ?? 99)) === 1;
    return goesOn || follows || right(place) === usual;
  });
}

const MOST_MISSING = 40;

/** Whether the next two numbers go on from one. */
function continues(places: readonly Place[], i: number): boolean {
  const [one, next, after] = [places[i], places[i + 1], places[i + 2]];
  return (
    one !== undefined &&
    next?.numeral.first === one.numeral.last + 1 &&
    (after === undefined || after.numeral.first === next.numeral.last + 1 || after.numeral.first <= 2)
  );
}

function withList(place: Place, end: Numeral): Place {
  return { ...place, numeral: { ...place.numeral, last: end.last, to: end.to }, more: [] };
}

/** The numerals behind one that go on from it, with nothing but spaces or commas between. */
function goingOn(text: string, numerals: readonly Numeral[], at: number, first: Numeral): Numeral[] {
  const found: Numeral[] = [];
  let before = first;
  for (const one of numerals.slice(at + 1, at + LONGEST_LIST)) {
    // "H, I, J": each is a letter here.
    const next = one.other?.first === before.last + 1 ? one.other : one;
    if (next.first !== before.last + 1 || !/^(?:[ \t,&+]|and)+$/.test(text.slice(before.to, next.from))) break;
    found.push(next);
    before = next;
  }
  return found;
}

/** All numerals of the text, by what stands around them. */
function placesByKey(source: SourceText): Map<string, Place[]> {
  const byKey = new Map<string, Place[]>();
  const roundWords = roundWordsIn(source.text);
  let count = 0;
  source.lineStarts.forEach((_, line) => {
    const span = lineSpan(source, line);
    if (span.to - span.from > LONGEST_LINE || count > MOST_NUMERALS) return;
    const start = contentStart(source.text, span.from, span.to);
    const numerals = numeralsIn(source.text, { from: start, to: span.to });
    count += numerals.length;
    numerals.forEach((numeral, i) => {
      if (isMentioned(source.text, start, numeral)) return;
      for (const written of numeral.other ? [numeral, numeral.other] : [numeral]) {
        const place = { line, numeral: written, start, end: span.to, more: goingOn(source.text, numerals, i, written) };
        for (const [key, one] of keysOf(source, span, place, { first: i === 0, roundWords })) {
          const places = byKey.get(key);
          if (places) places.push(one);
          else byKey.set(key, [one]);
        }
      }
    });
  });
  return byKey;
}

/** The families that a numeral may be of, by what stands around it. */
function* keysOf(
  source: SourceText,
  line: Span,
  place: Place,
  { first, roundWords }: { first: boolean; roundWords: ReadonlySet<string> },
): Iterable<[string, Place]> {
  const { text } = source;
  const { numeral, start } = place;
  const { left, right } = sidesOf(text, numeral, line);
  yield [`near ${numeral.kind} ${left}|${right}`, place];
  const before = text.slice(start, numeral.from);
  // "2.3": the number of the piece may stand before that of the round.
  const leads = first || (before.length <= 6 && !/\p{L}|\s/u.test(before));
  if (leads && before.length <= LONGEST_PREFIX) yield [`start ${numeral.kind} ${alike(before)}`, place];
  const called = calledIn(source, place, left, roundWords);
  if (called) yield called;
  // "Fourth: …" goes on from "the third round".
  else if (isOrdinal(text.slice(numeral.from, numeral.to).split(' ', 1).join('')) && begins(text, numeral.from, start))
    for (const word of roundWords) yield [`left ${word}`, { ...place, from: numeral.from }];
  if (/^[.:)\]|~>=–—»•]$/u.test(right) && begins(text, numeral.from, start))
    yield [`right ${numeral.kind} ${right}`, place];
}

/** By the word beside it: "round five", "the second round", or "Rd" at the end of the line above. */
function calledIn(
  source: SourceText,
  place: Place,
  left: string,
  roundWords: ReadonlySet<string>,
): [string, Place] | null {
  const { numeral, line } = place;
  const ranked = rankedIn(source.text, numeral, roundWords);
  if (ranked) return [`left ${ranked.word}`, { ...place, numeral: ranked.numeral, from: numeral.from }];
  // "the second round 1 sc"
  const rank = RANK_BEFORE.exec(source.text.slice(Math.max(place.start, numeral.from - 24), numeral.from))?.[1];
  if (rank !== undefined && isOrdinal(rank)) return null;
  const above = left === '^' && line > 0 ? wordAbove(source, line) : null;
  const word = above?.word ?? left;
  if (!/^\p{L}{2,}$|^[#№]$/u.test(word) || isMentioned(source.text, place.start, numeral, MENTION_CALLED)) return null;
  return [`left ${word}`, above ? { ...place, from: above.from } : place];
}

/** "under round 16": a place, and no round to work. */
const MENTION =
  /(?<!\p{L})(?:at|under|over|behind|between|from|after|before|until|above|below) (?:the )?(?:rounds?|rnds?|rows?|rds?)[ .]?$/iu;
/** "eyes on turn 3", in the middle of a line: the same with a word of this hand. */
const MENTION_CALLED = /\p{L}[ ,](?:at|under|over|behind|between|above|below|on) (?:the )?\p{L}{2,}[ .]?$/iu;

function isMentioned(text: string, start: number, { from }: Numeral, mention = MENTION): boolean {
  return mention.test(text.slice(Math.max(start, from - 32), from));
}

const RANK_BEFORE = /(?<![\p{L}\d])([\p{L}\d]+)[ \t]\p{L}{3,8}[ \t]$/u;
const RANKS = /(?<![\p{L}\d])(\d{1,3}(?:st|nd|rd|th)|\p{L}{4,12})[ \t](\p{L}{3,8})(?!\p{L})/giu;
/** A hand calls its rounds by a word that stands behind so many ordinals: "next lap", "third lap". */
const FEWEST_RANKS = 3;
const OF_STITCHES = /^(?:sts?|stitch(?:es)?|ch|chains?|loops?|posts?|one|and|to|of|from)$/;

/** What the rounds of a text may be called: as everybody calls them, and as this hand does. */
function roundWordsIn(text: string): ReadonlySet<string> {
  const ranks = new Map<string, Set<string>>();
  for (const [, rank = '', word = ''] of text.matchAll(RANKS)) {
    const called = alike(word);
    if (!(isOrdinal(rank) || /^next$/i.test(rank)) || OF_STITCHES.test(called)) continue;
    ranks.set(called, (ranks.get(called) ?? new Set()).add(rank.toLowerCase()));
  }
  return new Set([
    'round',
    'rnd',
    'row',
    ...[...ranks].filter(([, all]) => all.size >= FEWEST_RANKS).map(([word]) => word),
  ]);
}

function isOrdinal(word: string): boolean {
  return /^\d+(?:st|nd|rd|th)$/i.test(word) || ordinal(word.toLowerCase()) !== null;
}

const RANKED = /(?<=[a-z])[ \t](\p{L}{3,8})(?!\p{L})/iuy;

/** An ordinal and the word behind it: "second round". */
function rankedIn(
  text: string,
  numeral: Numeral,
  roundWords: ReadonlySet<string>,
): { word: string; numeral: Numeral } | null {
  RANKED.lastIndex = numeral.to;
  const match = numeral.first === numeral.last ? RANKED.exec(text) : null;
  const word = alike(match?.[1] ?? '');
  if (!roundWords.has(word) || !isOrdinal(text.slice(numeral.from, numeral.to))) return null;
  return { word, numeral: { ...numeral, to: RANKED.lastIndex } };
}

/** The last word of the line above, and where it stands. */
function wordAbove(source: SourceText, line: number): { word: string; from: number } {
  const { from, to } = lineSpan(source, line - 1);
  const words = source.text.slice(Math.max(from, to - 24), to).trimEnd();
  const last = /[^\s]+$/u.exec(words);
  return { word: alike(piecesOf(last?.[0] ?? '').at(-1) ?? ''), from: Math.max(from, to - 24) + (last?.index ?? 0) };
}

/** Whether a label may begin at a place in the middle of a line: behind the end of a sentence or of a column. */
function begins(text: string, at: number, start: number): boolean {
  if (at - start <= 12 && !/\d/.test(text.slice(start, at))) return true;
  return /(?:^|[.;:!?)\]|+/]|\s\s|\t)\s*[([{]?$/u.test(text.slice(Math.max(start, at - 6), at));
}

/** Numbers that the series leaves out, and that stand where it would go on in another dress: "II:" behind "I (Denim):". */
function withGaps(source: SourceText, series: Series): Series {
  if (series.upwards) return series;
  const isAlike = likeLabelsOf(source, series);
  const filled: Place[] = [];
  series.places.forEach((place, i) => {
    const next = series.places[i + 1];
    filled.push(place);
    const end = Math.min(next?.line ?? place.line + 6, place.line + 12);
    for (let line = place.line; line <= end; line += 1) {
      const last = filled.at(-1) ?? place;
      filled.push(...missingIn(source, line, last, next, isAlike));
    }
  });
  return { ...series, places: inLists(source.text, filled) };
}

/** "6/ 7/ 8/ plain": numbers with nothing but signs between them are told together. */
function inLists(text: string, places: readonly Place[]): Place[] {
  const told: Place[] = [];
  for (const place of places) {
    const before = told.at(-1);
    const goesOn = before?.line === place.line && place.numeral.first === before.numeral.last + 1;
    if (before && goesOn && /^[^\p{L}\d([{]{1,4}$/u.test(text.slice(before.numeral.to, place.numeral.from)))
      told[told.length - 1] = withList(before, place.numeral);
    else told.push(place);
  }
  return told;
}

type Likeness = (numeral: Numeral, line: Span, start: number) => boolean;

/** Whether a numeral stands as the labels of a series do. */
function likeLabelsOf({ text }: SourceText, { by, places }: Series): Likeness {
  const [first] = places;
  const label = by === 'left' && first ? sidesOf(text, first.numeral, { from: 0, to: text.length }).left : null;
  const ends = new Set(places.map(({ numeral, start, end }) => sidesOf(text, numeral, { from: start, to: end }).right));
  return (numeral, line, start) => {
    if (numeral.kind !== first?.numeral.kind || isMentioned(text, start, numeral, MENTION_CALLED)) return false;
    const { left, right } = sidesOf(text, numeral, line);
    if (label !== null) return left === label;
    return begins(text, numeral.from, start) && ends.has(right) && right !== 'w';
  };
}

/** The numbers in a line that go on from a place, up to the next one of its series. */
function missingIn(
  source: SourceText,
  line: number,
  after: Place,
  next: Place | undefined,
  isAlike: Likeness,
): Place[] {
  const span = lineSpan(source, line);
  const start = contentStart(source.text, span.from, span.to);
  const from = Math.max(after.numeral.to, start);
  const to = next?.line === line ? next.numeral.from : span.to;
  const found: Place[] = [];
  if (to <= from) return found;
  let { last } = after.numeral;
  for (const numeral of numeralsIn(source.text, { from, to })) {
    if (numeral.first !== last + 1) continue;
    if (next?.numeral.first === numeral.first) break;
    if (!isAlike(numeral, span, start)) continue;
    last = numeral.last;
    found.push({ numeral, line, start, end: span.to, more: NONE });
  }
  return found;
}

/** What stands at the sides of a numeral: the word or sign before it, and the sign behind it. */
export function sidesOf(text: string, { from, to }: Span, line: Span): { left: string; right: string } {
  const before = piecesOf(text.slice(Math.max(line.from, from - 24), from)).at(-1) ?? '^';
  const behind = text
    .slice(to, Math.min(line.to, to + 24))
    .trimStart()
    .charAt(0);
  return { left: alike(before), right: behind === '' ? '$' : /[\p{L}\p{N}]/u.test(behind) ? 'w' : behind };
}

export function piecesOf(text: string): string[] {
  return text.toLowerCase().match(/\p{L}+|\d+|[^\s\p{L}\d]/gu) ?? [];
}

/** The same for what differs only in its figures, case, spaces and plural. */
export function alike(text: string): string {
  return text
    .toLowerCase()
    .replace(/\d+/g, '#')
    .replace(/\s+/g, ' ')
    .replace(/(?<=\p{L}{2})s(?=\W*$)/u, '')
    .trimEnd();
}
