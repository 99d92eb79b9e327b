import { withoutTerms } from '../detect.js';
import { lineIndexAt, lineSpan, type SourceText } from '../../text/source.js';
import { cardinal } from '../../vocabulary/numbers.js';
import {
  headingByLook,
  headingByPlace,
  headingOfPart,
  MAKES_STITCHES,
  sectionOf,
  withoutNumber,
  type Heading,
} from '../headings.js';
import type { Unit } from './unit.js';

/** First words of a line that tells the maker to do something, and so names nothing. */
const ORDERS =
  /^\W{0,4}(?:cut|fasten|finish|stuff|fill|sew|change|close|break|draw|pull|leave|join|go on|now(?! the)|then(?! the)|use|using|with|weave|end|work|turn|switch|note|gather|thread|press|fold|take)(?!\p{L})/iu;
/** What begins so names no piece. */
export const TELLS_HOW =
  /^\W{0,3}(?:start|begin|with|in|using|use|take|work|from|now|then|make|change|switch|magic|ring|circle|loop)(?!\p{L})/iu;
const MOST_LINES = 14;

/** The lines that name a piece: of those between two series the one that most looks like a name. */
export function headingsBetween(source: SourceText, units: readonly Unit[]): ReadonlyMap<number, Heading> {
  const headings = new Map<number, Heading>();
  const taken = new Set<number>();
  const ordered = [...units].sort((a, b) => a.span.from - b.span.from);
  for (const { span } of ordered)
    for (
      let line = lineIndexAt(source, span.from);
      line <= lineIndexAt(source, Math.max(span.from, span.to - 1));
      line += 1
    )
      taken.add(line);
  ordered.forEach((unit, i) => {
    const before = ordered[i - 1];
    const from = before ? lineIndexAt(source, Math.max(before.span.from, before.span.to - 1)) + 1 : 0;
    const to = lineIndexAt(source, unit.span.from);
    const begins = !before || (unit.label.from > 0 && unit.label.from <= before.label.from);
    const descends = before !== undefined && unit.label.from > before.label.to + 1 && before.label.from === 1;
    if (!begins && !descends && to - from < 2) return;
    const best = bestName(source, Math.max(from, to - MOST_LINES), to, begins || descends ? 1 : 6);
    if (best) headings.set(best.line, best.heading);
  });
  return headings;
}

/** The name of a piece among lines, the one that most looks like one; null where none is rated so high. */
export function bestName(
  source: SourceText,
  from: number,
  to: number,
  least: number,
): { line: number; heading: Heading } | null {
  let best: { line: number; heading: Heading; rating: number } | null = null;
  for (let line = from; line < to; line += 1) {
    const { from: start, to: end } = lineSpan(source, line);
    // "STEM;;;" is a row of a table with one cell filled.
    const text = source.text
      .slice(start, end)
      .replace(/[;,|\t\s]+$/u, '')
      .trim();
    if (text === '' || text.length > 110 || !/\p{L}{2}/u.test(text)) continue;
    const above = line > from || line === 0 ? source.text.slice(...edges(source, line - 1)).trim() : '-';
    const heading = nameIn(withoutTerms(text));
    // The first line is most often the title, and the last before the rounds their name.
    const nearness = (line === 0 ? -3 : 0) + (line === to - 1 ? 1 : 0);
    const rating = rated(text, line === 0 || above === '', heading) + nearness;
    if (heading && rating >= least && rating > (best?.rating ?? 0)) best = { line, heading, rating };
  }
  return best;
}

function edges(source: SourceText, line: number): [number, number] {
  const { from, to } = lineSpan(source, Math.max(0, line));
  return [from, to];
}

/** What speaks for a line being a name, and what against it. */
const SIGNS: readonly (readonly [weight: number, test: (line: Line) => boolean])[] = [
  [3, ({ afterBlank }) => afterBlank],
  [4, ({ capital }) => capital],
  [3, ({ text }) => headingByLook(text) !== null],
  [1, ({ text }) => text.split(/\s+/).length <= 4],
  [-2, ({ text }) => text.length > 70],
  [-3, ({ text, capital }) => /[.!?]$/u.test(text) && !capital],
  [-3, ({ text }) => /[;,]$/u.test(text)],
  // "mum helped with the loop. its sc"
  [-4, ({ text }) => /\p{Ll}\.\s+\p{Ll}/u.test(text)],
  [-6, ({ text }) => /\t|;.*;|\|.*\||\S {2,}\S.* {2,}\S/u.test(text)],
  [-3, ({ text }) => text.includes('=')],
  [-4, ({ text }) => (text.match(/\d+/g)?.length ?? 0) >= 3],
  [-5, ({ text, capital }) => ORDERS.test(text) && !capital],
  [-4, ({ text }) => text.replace(/[^\p{L}]/gu, '').length < 3],
  [-8, ({ heading }) => Boolean(heading?.section)],
  // "the flippers, two of them"
  [4, ({ text }) => SO_MANY_OF_THEM.test(text)],
  // "colour: orange, 4mm hook"
  [-6, ({ text }) => TOOLS.test(text)],
  [-9, ({ text }) => HEADS_COLUMNS.test(text)],
  // "I number by what the piece looks like", "After row 7 do not turn"
  [-6, ({ text }) => TALKS.test(text.replace(/\([^()]*\)/g, ''))],
];
/** "two of them", "you need two" */
const SO_MANY_OF_THEM =
  /(?:two|three|four|six|eight|\d) of (?:them|these|those)(?!\p{L})|(?<!\p{L})(?:need|make) (?:two|three|four|six|eight|\d)(?![\p{L}\d])/iu;
const EVEN = 2;
/** What is worked with, said in so many words. */
const TOOLS =
  /(?<!\p{L})(?:us|uk|english|american|british)\s(?:\p{L}+\s)?(?:terms?|terminology)(?!\p{L})|^\W*(?:colou?rs?|yarns?|hook|gauge|tension|terms?|size)\s*[:=]|\d\s?mm(?!\p{L}).{0,12}hook|hook.{0,12}\d\s?mm(?!\p{L})/iu;

/** "sts   what to do" */
const HEADS_COLUMNS =
  /^(?:(?:sts?|stitch(?:es)?|counts?|totals?|rounds?|rnds?|rds?|rows?|no|what(?: to do)?|instructions?|work|notes?)(?:\s+|$)){2,}$/iu;

/** Who speaks, or of which round. */
const TALKS =
  /(?<!\p{L})(?:I|we|you(?! need)|my|your)(?!\p{L})|^\W*(?:after|before|at|on|in) (?:the )?(?:row|round|rnd|rd)s? \d/u;

interface Line {
  readonly text: string;
  readonly afterBlank: boolean;
  readonly capital: boolean;
  readonly heading: Heading | null;
}

/** How much a line looks like the name of a piece. */
function rated(text: string, afterBlank: boolean, heading: Heading | null): number {
  const line = { text, afterBlank, heading, capital: /^\W*(\p{Lu}{3,})(?!\p{Ll})/u.test(text) };
  return SIGNS.reduce((sum, [weight, test]) => sum + (test(line) ? weight : 0), EVEN);
}

/** The name of a piece in a line, and how many are made of it. */
export function nameIn(written: string): Heading | null {
  // "WHALE   3 mm, sky": the hook beside the name
  const line = withoutNumber(written).replace(/\s{2,}\d+(?:[.,]\d+)?\s?mm(?!\p{L}).*$/u, '');
  const text = line.replace(/^[^\p{L}\d]*(?:\d{1,2}[.)]?\s+|[A-Z]\s{2,})?/u, '').replace(/[^\p{L}\d)!?'’"”]+$/u, '');
  // "2 ROOF", "B  BURR, moss"
  const bare = line.trim().replace(/^(?:\d{1,2}[.)]?\s+(?=\p{L})|[A-Z]\s{2,})/u, '');
  const known = headingByLook(bare) ?? headingByPlace(bare) ?? headingOfPart(bare);
  const { name, many } = calledIn(text, known);
  // "four of these" belongs to the name above it.
  if (!name || MAKES_STITCHES.test(text) || ONLY_SO_MANY.test(text)) return null;
  const make = known?.saysMake ? known.make : madeIn(many ?? text.slice(name.length));
  return {
    name,
    make: make ?? 1,
    saysMake: make !== null,
    section: known?.section ?? sectionOf(name),
    level: 0,
    rest: text.slice(Math.min(text.length, text.indexOf(name) + name.length)),
  };
}

/** How a line calls a piece, and how many of it where the name says so: "ears two". */
function calledIn(text: string, known: Heading | null): { name: string | undefined; many: string | undefined } {
  const first = /^(.{2,60}?)(?:[,:;(*[]|\.?(?:--|—)|\s[-–]\s|\s{2,}|\s(?:in|with|from|is|are)\s|$)/iu
    .exec(text)?.[1]
    ?.trim();
  const [, name, many] = known?.saysMake ? [] : (NAME_AND_NUMBER.exec(first ?? '') ?? []);
  const plain = first?.replace(/^(?:(?:the|a|an|first|now|then|next|and|for|so|ok|okay|right),?\s+)+(?=\p{L})/iu, '');
  return { name: name ?? known?.name ?? plain, many };
}

const ONLY_SO_MANY =
  /^\W*(?:(?:make|work|crochet|do)\s+)?(?:\d{1,2}|two|three|four|five|six|seven|eight)(?:\s+(?:of (?:them|these|those)|pieces?|alike))?\W*$/iu;
/** "ears two", "feet 2 orange" */
const NAME_AND_NUMBER =
  /^(\p{L}{3,}(?:\s\p{L}{3,})?)\s+(two|three|four|six|eight|[2-8])(?:(?<=(?:s|feet)\s\S+)\s\p{L}{3,})?$/iu;

/** "4 mm", "50 g": how large or heavy something is, and not how many. */
const MEASURE = /\d+(?:[.,]\d+)?\s?(?:mm|cm|m|g|grams?|oz|ounces?|yds?|yards?|in|inch(?:es)?|ply|strands?)(?!\p{L})/giu;

/** "card 1 of 3", "page 2": which of several leaves. */
const LEAF = /(?:\d+ )?of \d+|(?<!\p{L})(?:page|sheet|card|leaf|version|draft) \d+/giu;

/** "(age 11)": who wrote it. */
const AGE = /(?<!\p{L})aged?\s+\d+/giu;

/** "two rounds each", "make 2 ch": no pieces. */
const ROUNDS = /(?:\d+|\p{L}+) (?:rounds?|rows?|rnds?|rds?|ch|chains?|sts?|stitch(?:es)?)(?!\p{L})/giu;

/** "two of them", "(2)", "make 4", "x2" behind a name. */
function madeIn(behind: string): number | null {
  for (const [word] of behind
    .replace(MEASURE, ' ')
    .replace(AGE, ' ')
    .replace(LEAF, ' ')
    .replace(ROUNDS, ' ')
    .replace(/\d+[.,]\d+/g, ' ')
    .matchAll(/\p{L}+|\d+/gu)) {
    const value = /^\d/.test(word)
      ? Number(word)
      : (cardinal(word.toLowerCase()) ?? (/^(?:both|twice)$/i.test(word) ? 2 : 0));
    if (value >= 2 && value <= 12) return value;
  }
  return null;
}
