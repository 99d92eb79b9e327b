import { isFront, type Talk } from '../document/prose.js';
import type { Pattern } from '../pattern/pattern.js';
import type { Span } from '../text/source.js';
import { cardinal } from '../vocabulary/numbers.js';
import { inEitherCase } from '../text/eitherCase.js';

/** How large the toy is said to come out. */
export interface FinishedSize {
  readonly millimetres: number;
  /** Which way it is measured; `any` where that is not said. */
  readonly way: 'tall' | 'long' | 'wide' | 'any';
  readonly span: Span;
}

const FIGURE = String.raw`(\d{1,3}(?:[.,]\d{1,2})?(?:\s\d\/\d|\s?[½¼¾])?|(?<!\p{L})\p{L}{3,9})`;
const LENGTH = inEitherCase(
  String.raw`(?<![\d.,])${FIGURE}[\s-]?(cm|centimet(?:er|re)s?|inch(?:es)?|in(?=\.|\s(?:tall|high|long|wide)|[.,;)]|$)|["”″])(?!\p{L})`,
  'g',
);
const WAYS: readonly (readonly [FinishedSize['way'], RegExp])[] = [
  ['tall', /(?<!\p{L})(?:tall|high|height|standing|sitting)(?!\p{L})/iu],
  ['wide', /(?<!\p{L})(?:wide|width|across|diameter)(?!\p{L})/iu],
  ['long', /(?<!\p{L})(?:long|length|from \p{L}+ to \p{L}+|\p{L}+ to (?:tail|toe|rump|tip|stern))(?!\p{L})/iu],
];
/** Words that make a length a size of the whole. */
const OF_THE_WHOLE =
  /(?<!\p{L})(?:size|finished|measures|comes out|will be|when (?:done|finished)|(?:he|she|it|this) is)(?!\p{L})/iu;
const NO_SIZE =
  /(?<!\p{L})(?:gauge|tension|swatch|leav\p{L}*|tail of|ends?|wire|hook|thread|strand|apart|from flames|away|until|repeat|cut|felt|needle|cord|ribbon|sts?|stitch(?:es)?|rounds?|rnds?|rows?)(?!\p{L})/iu;
const SMALLEST = 10;
const LARGEST = 2000;
/** A title line with nothing but a name and a length. */
const LONGEST_TITLE = 80;

/** The finished size that a pattern states before its rounds, or in its notes; null where it states none. */
export function finishedSizeOf({ source, parts, sections }: Pattern, talk: readonly Talk[]): FinishedSize | null {
  const begins = parts[0]?.heading.from ?? source.text.length;
  const lines = [
    ...sections.filter(({ kind }) => kind === 'gauge').map(({ span }) => span),
    ...talk
      .filter((one) => (one.section === 'notes' || isFront(one, parts)) && one.section !== 'legend')
      .map(({ span }) => span),
    { from: 0, to: Math.min(begins, source.text.indexOf('\n') < 0 ? begins : source.text.indexOf('\n')) },
  ];
  const found = lines.flatMap(({ from, to }) =>
    source
      .remember(source.text.slice(from, to), from === 0 ? sizesInTitle : sizesInLine)
      .map((size) => ({ ...size, span: { from: from + size.span.from, to: from + size.span.to } })),
  );
  return found.find(({ way }) => way === 'tall') ?? found[0] ?? null;
}

const sizesInTitle = (text: string) => [...sizesIn(text, true)];
const sizesInLine = (text: string) => [...sizesIn(text, false)];

function* sizesIn(text: string, title: boolean): Iterable<FinishedSize> {
  let from = 0;
  for (const sentence of text.split(/(?<=(?<!\Win)[.!?]\s)|(?<=[|\n])/u)) {
    yield* sizesInSentence(sentence, from, title && from === 0 && text.length <= LONGEST_TITLE);
    from += sentence.length;
  }
}

function* sizesInSentence(sentence: string, at: number, title: boolean): Iterable<FinishedSize> {
  if (NO_SIZE.test(sentence.replace(/with the yarn and hook\p{L}*.*/iu, ''))) return;
  for (const match of sentence.matchAll(LENGTH)) {
    const value = valueOf(match[1] ?? '');
    const millimetres = value * (/^c/i.test(match[2] ?? '') ? 10 : 25.4);
    if (!(millimetres >= SMALLEST && millimetres <= LARGEST)) continue;
    const way = wayOf(sentence, match.index + match[0].length, match.index);
    if (way === 'any' && !OF_THE_WHOLE.test(sentence) && !title) continue;
    yield { millimetres, way, span: { from: at + match.index, to: at + match.index + match[0].length } };
  }
}

/** What stands behind a length says which way it is; else what stands before it. */
function wayOf(sentence: string, to: number, from: number): FinishedSize['way'] {
  const behind = sentence.slice(to, to + 40).split(/[,;]|(?<!\p{L})and(?!\p{L})/u)[0] ?? '';
  const before = sentence.slice(Math.max(0, from - 30), from);
  return (
    WAYS.find(([, words]) => words.test(behind))?.[0] ?? WAYS.find(([, words]) => words.test(before))?.[0] ?? 'any'
  );
}

function valueOf(written: string): number {
  const [, figure = '', half = '', over = '', under = ''] = /^(.*?)(?:\s?([½¼¾])|\s(\d)\/(\d))?$/u.exec(written) ?? [];
  const fraction = under ? Number(over) / Number(under) : (HALVES[half] ?? 0);
  return (/^\d/.test(figure) ? Number(figure.replace(',', '.')) : (cardinal(figure.toLowerCase()) ?? NaN)) + fraction;
}
const HALVES: Readonly<Record<string, number>> = { '½': 0.5, '¼': 0.25, '¾': 0.75 };
