import type { Span } from '../text/source.js';
import { cardinal } from '../vocabulary/numbers.js';
import { STITCHES, type StitchId, type Vocabulary } from '../vocabulary/stitches.js';
import { fabricOf } from './fabric.js';
import { inEitherCase } from '../text/eitherCase.js';

/** How wide and how tall a one-step stitch (US single crochet) comes out, in mm; null where it is not said. */
export interface SaidGauge {
  readonly width: number | null;
  readonly height: number | null;
  readonly span: Span;
}

/** What the sums are drawn at. Lengths are mm, of a one-step stitch. */
export interface Gauge {
  readonly width: number;
  readonly height: number;
  /** By how much the hands of two people differ at it: a part of each length. */
  readonly spread: number;
  /** What it is taken from: what a person set, what the text says, hook and yarn, or what is usual. */
  readonly from: 'set' | 'text' | 'hook' | 'usual';
  /** How tall a row is was not said: as tall as wide is assumed. */
  readonly square: boolean;
}

const NUMBER = String.raw`\d{1,3}(?:[.,]\d{1,2})?(?:\s?[½¼¾])?|½|(?<!\p{L})\p{L}{3,9}(?=[\s-])`;
const NAMES = STITCHES.flatMap(({ us, uk }) => [...us.long, ...us.short, ...uk.long, ...uk.short])
  .filter((name) => name.length > 1)
  .sort((a, b) => b.length - a.length);
const STITCH = String.raw`(?:${NAMES.join('|')}|sts?|stitch(?:es)?)(?!\p{L})\.?`;
const ROW = String.raw`(?:${STITCH}\s)?(?:rows?|rnds?|rounds?|rds?)(?!\p{L})\.?`;
const LENGTH = String.raw`mm|cm|centimet(?:er|re)s?|in(?:ch(?:es)?)?(?!\p{L})\.?|["”″]`;
/** "24 sts", "26 rounds", "10 x 10 cm", "the inch": groups for rows, stitches and lengths. */
const QUANTITY = inEitherCase(
  String.raw`(?:(?<!\p{L})(?:the|per|an|each)|(${NUMBER})(?:\s?(?:[x×]|by)\s?\d{1,2}(?:[.,]\d)?)?)[\s-]?(?:(${ROW})|(${STITCH})|(${LENGTH}))`,
  'g',
);
/** What may stand between a number of stitches or rows and the length that they are measured over. */
const FILLER =
  /^(?:[\s,;:=/&()+×–—-]|(?<!\p{L})(?:to|in|over|per|on|x|by|and|or|a|the|square|measures?|is|are|make|makes|give|gives|equals?|about|approx\.?|roughly|i|you|get|have|should|of|with|worked|(?:\d+|six|eight) inc\p{L}*|stitch(?:es)?|(?:in )?(?:single|double|half|treble|crochet|sc|hdc|dc|htr|tr))(?!\p{L}))*$/iu;
/** Without a length there is no gauge: most clauses need no closer look. */
const MEASURED = /mm|cm|(?<!\p{L})(?:centimet|in)|["”″]/iu;
/** "Sew 5 sts over 1 cm": lengths of another kind. */
const NO_GAUGE = /(?<!\p{L})(?:sew|leav\p{L}*|tail|apart|embroider\p{L}*|cut|thread|needle|hook)(?!\p{L})/iu;
const ACROSS = /(?<!\p{L})(?:across|diameter|dis[ck]|circle)(?!\p{L})/iu;
/** "Each stitch is about 5 mm wide and 4.5 mm tall." */
const ONE =
  /(?<!\p{L})(?:each|a|one|every) (?:single |double )?(?:st|sc|dc|stitch|crochet)\s[^.\n\d]{0,20}(\d{1,2}(?:[.,]\d)?) ?mm (?:wide|across)(?:[^.\n\d]{0,12}(\d{1,2}(?:[.,]\d)?) ?mm (?:tall|high))?/iu;

/** The stitches that fabric is made of, by their names, the longest first. */
function namedIn(vocabulary: Vocabulary): ReadonlyMap<string, StitchId> {
  const all = STITCHES.filter(({ id }) => fabricOf(id).height >= 1).flatMap(({ id, [vocabulary]: names }) =>
    [...names.long, ...names.short].filter((name) => name.length > 1).map((name) => [name, id] as const),
  );
  // Of two stitches with one name the first is meant: a map keeps the last.
  return new Map(all.reverse().sort(([a], [b]) => b.length - a.length));
}
const STITCH_OF = { us: namedIn('us'), uk: namedIn('uk') } as const;
const firstOf = (names: ReadonlyMap<string, StitchId>) =>
  inEitherCase(String.raw`(?<!\p{L})(${[...names.keys()].join('|')})s?(?!\p{L})`);
const FIRST_NAMED = { us: firstOf(STITCH_OF.us), uk: firstOf(STITCH_OF.uk) } as const;

/** Stitches that a hand can make with a hook, in mm. */
const SMALLEST = 1.5;
const LARGEST = 25;

interface Quantity {
  readonly kind: 'rows' | 'stitches' | 'length';
  /** A number, or mm. */
  readonly value: number;
  readonly name: string;
  readonly from: number;
  readonly to: number;
}

/** What some words say of the gauge, by the terms that they are in; see `gaugeIn`. */
export const GAUGE_IN: Readonly<Record<Vocabulary, (words: string) => SaidGauge | null>> = {
  us: (words) => gaugeIn(words, 'us'),
  uk: (words) => gaugeIn(words, 'uk'),
};

/** What some words say of the gauge; null where they say nothing, or nothing that stitches can have. */
export function gaugeIn(words: string, vocabulary: Vocabulary): SaidGauge | null {
  for (const clause of clausesOf(words)) {
    const said = oneStitch(clause.text) ?? measured(clause.text, vocabulary);
    if (said) return { ...said, span: { from: clause.at + said.span.from, to: clause.at + said.span.to } };
  }
  return null;
}

/** Lines and sentences; a full stop within a figure or behind a short form ends none. */
function* clausesOf(words: string): Iterable<{ text: string; at: number }> {
  let at = 0;
  for (const text of words.split(/(?<=\n|(?<!\d|(?:^|\P{L})(?:sts?|rnds?|rds?|in|approx))[.!?])\s*(?=\P{Ll}|$)/u)) {
    const index = words.indexOf(text, at);
    if (text.trim() !== '') yield { text, at: index };
    at = index + text.length;
  }
}

function oneStitch(clause: string): SaidGauge | null {
  const match = ONE.exec(clause);
  if (!match) return null;
  const [width, height] = [numberOf(match[1]), numberOf(match[2])];
  return gaugeOf(width, Number.isNaN(height) ? null : height, { from: match.index, to: match.index + match[0].length });
}

function measured(clause: string, vocabulary: Vocabulary): SaidGauge | null {
  if (!MEASURED.test(clause) || NO_GAUGE.test(clause)) return null;
  const said = quantitiesIn(clause);
  const joined = said.filter((one, i) => {
    const [before, after] = [said[i - 1], said[i + 1]];
    const reaches = (a: Quantity, b: Quantity) => FILLER.test(clause.slice(a.to, b.from));
    return (before !== undefined && reaches(before, one)) || (after !== undefined && reaches(one, after));
  });
  if (!joined.some(({ kind }) => kind === 'length') || joined.length < 2) return null;
  const { height: tall } = fabricOf(stitchNamed(`${joined.map(({ name }) => name).join(' ')} ${clause}`, vocabulary));
  const width = overLength(joined, 'stitches');
  const height = overLength(joined, 'rows');
  const halved = ACROSS.test(clause) ? 2 : 1;
  const [first, last] = [joined[0], joined[joined.length - 1]];
  return first && last
    ? gaugeOf(width, height === null ? null : height / halved / tall, { from: first.from, to: last.to })
    : null;
}

/** The length of one stitch, or row, in mm: by the length that stands before the numbers, or behind each of them. */
function overLength(joined: readonly Quantity[], kind: 'stitches' | 'rows'): number | null {
  const at = joined.findIndex((one) => one.kind === kind && one.value > 0);
  const one = joined[at];
  if (!one) return null;
  const isLength = (other: Quantity) => other.kind === 'length';
  const over =
    joined[0]?.kind === 'length' ? joined.slice(0, at).findLast(isLength) : joined.slice(at + 1).find(isLength);
  return over ? over.value / one.value : null;
}

function quantitiesIn(clause: string): Quantity[] {
  const all: Quantity[] = [];
  for (const match of clause.matchAll(QUANTITY)) {
    const [whole, number, rows, stitches, length] = match;
    const value = number === undefined ? 1 : numberOf(number);
    if (Number.isNaN(value)) continue;
    const kind = rows ? 'rows' : stitches ? 'stitches' : 'length';
    const unit = length && /^mm/i.test(length) ? 1 : length && /^c/i.test(length) ? 10 : 25.4;
    all.push({
      kind,
      value: kind === 'length' ? value * unit : value,
      name: rows ?? stitches ?? '',
      from: match.index,
      to: match.index + whole.length,
    });
  }
  return all;
}

function gaugeOf(width: number | null, height: number | null, span: Span): SaidGauge | null {
  const possible = (length: number | null) =>
    length !== null && length >= SMALLEST && length <= LARGEST ? length : null;
  const said = { width: possible(width), height: possible(height), span };
  return said.width === null && said.height === null ? null : said;
}

/** The first stitch that some words name; a one-step stitch where they name none. */
function stitchNamed(words: string, vocabulary: Vocabulary): StitchId {
  const name = FIRST_NAMED[vocabulary].exec(words)?.[1]?.toLowerCase() ?? '';
  return STITCH_OF[vocabulary].get(name) ?? 'step1';
}

const FRACTIONS: Readonly<Record<string, number>> = { '½': 0.5, '¼': 0.25, '¾': 0.75 };

function numberOf(written: string | undefined): number {
  if (written === undefined) return NaN;
  const fraction = FRACTIONS[written.slice(-1)] ?? 0;
  const whole = (fraction > 0 ? written.slice(0, -1) : written).trim();
  if (whole === '') return fraction;
  return /^\d/.test(whole) ? Number(whole.replace(',', '.')) + fraction : (cardinal(whole.toLowerCase()) ?? NaN);
}
