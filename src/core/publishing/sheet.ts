import type { CountedPattern, CountedRound } from '../counting/counted.js';
import type { Pattern } from '../pattern/pattern.js';
import { lineIndexAt, lineSpan, type Span } from '../text/source.js';
import type { SectionKind } from '../vocabulary/sections.js';
import type { Block } from './paper.js';

/** What a list holds, line by line. */
const LISTS: ReadonlySet<SectionKind | null> = new Set<SectionKind>(['materials', 'legend']);
/** Words of a caution for those who buy or give the toy. */
const CAUTION =
  /(?<!\p{L})(?:caution|warning|choking|strangulation|swallow(?:ed)?|small parts|not (?:suitable|fit|safe|meant) for|under (?:the age of )?(?:3|three|36 months)|keep (?:away|out of reach|from))(?!\p{L})/iu;
/** The mark of a thing in a list. */
const BULLET = /^(?:>\s?)*\s*(?:[-–—•◦‣▪●○·]\s+|\*\s+(?=[\p{L}\d]))/u;
/** A line that was broken by hand is at least so long; letters. */
const BROKEN = 40;
/** Marks of lists, quotations and headings before a line. */
const ORNAMENT = /^(?:>\s?)*\s*(?:#{1,6}\s+|[-–—•◦‣▪●○·]\s+|\*\s+(?=[\p{L}\d])|\[[ xX]?\]\s+|[☐☑☒✓✔]\s*)*/u;
/** What is left of the frame of a round: the bars of a table, bullets, the sign of emphasis. */
const FRAME = /^[\s|*_.,;:•·☐☑>=~+–—-]*$/u;

/** The head of a table of rounds: "Round | What to do | Stitches". */
const ROUNDS_HEAD = /^[\s|]*(?:rnds?|rounds?|rows?|r|nos?|#)\.?\s*(?:\||\t|\s{3})[^\d]*$/iu;

/** The rule below the head of any table. */
const UNDER_HEAD = /^[\s|:+-]*-{3}[\s|:+-]*$/;

/** A line, or what rounds leave of it. */
interface Piece extends Span {
  readonly text: string;
  /** Whether an empty line stands before it. */
  readonly apart: boolean;
}

/**
 * A counted pattern as blocks, in its own order and words.
 * @param columns whether the counts are taken out of the words into a column of their own.
 */
export function sheetOf(counted: CountedPattern, columns: boolean): Block[] {
  const { pattern } = counted;
  const blocks: Block[] = [];
  const prose = new Prose(pattern, blocks);
  let at = 0;
  for (const round of [...counted.rounds].sort((a, b) => a.round.span.from - b.round.span.from)) {
    const { from, to } = round.round.span;
    if (from < at) continue;
    prose.add(at, from);
    blocks.push(roundBlock(pattern, round, columns));
    at = to;
  }
  prose.add(at, pattern.source.text.length);
  return blocks;
}

/** What a pattern is called: the whole line that its name stands in, where that says little more. */
export function titleOf({ pattern: { source, title } }: CountedPattern): string | null {
  if (title === null) return null;
  const at = source.text.indexOf(title);
  if (at < 0) return title;
  const { from, to } = lineSpan(source, lineIndexAt(source, at));
  const line = plain(source.text.slice(from, to));
  return line.length <= title.length + LITTLE ? line : title;
}

/** A pair of quotation marks, a full stop; letters. */
const LITTLE = 4;

/** The lines of a text as they are, without a heading among them: where nothing else is read as it was. */
export function linesOf({ pattern: { source, title } }: CountedPattern): Block[] {
  const text = title === null ? source.text : source.text.replace(title, '');
  return text
    .split(/\n(?:[^\S\n]*\n)+/)
    .map((lines) => lines.replace(/^\n+|\s+$/g, ''))
    .filter((lines) => lines !== '')
    .map((lines) => ({ kind: 'paragraph', text: lines }));
}

function roundBlock({ source }: Pattern, { round, outcome }: CountedRound, columns: boolean): Block {
  const { text } = source;
  const { span, bodyFrom, labelled, stated } = round;
  const count = stated?.total ?? outcome.made;
  // Nothing is taken out of a row of a table, nor from the middle of a sentence.
  const last = stated && columns && round.tabular !== true && FRAME.test(text.slice(stated.span.to, span.to));
  const words = text.slice(bodyFrom, last ? stated.span.from : span.to);
  return {
    kind: 'round',
    label: labelled ? labelOf(round) : '',
    words: inOneLine(last ? words.replace(/(?:[\s([{=,;:.…·_–—-]|\*\*)+$/u, '') : words).replace(/^[*_]{2}\s*/, ''),
    count: columns && count !== null ? (stated ? statedWords(text, stated.span) : `(${count})`) : '',
  };
}

/** Bare figures of a table or a list are named, as no head stands above them any more. */
function labelOf({ label, kind, from, to, numbers }: CountedRound['round']): string {
  const words = label.replace(/[*_]{2}/g, '').trim();
  if (!/^(?:[\d\s.,/()#+&–—-]|to|and)+$/u.test(words) || numbers.length < to - from + 1) return words;
  const name = kind === 'row' ? 'Row' : 'Rnd';
  return from === to ? `${name} ${from}` : `${name}s ${from}-${to}`;
}

/** A stated count as it is written, in brackets: "(12 sc, 6 hdc)". */
function statedWords(text: string, { from, to }: Span): string {
  const words = inOneLine(text.slice(from, to)).replace(/^[\s([{=<|*_–—-]+|[\s)\]}>|*_.,;:-]+$/gu, '');
  return `(${words})`;
}

function inOneLine(words: string): string {
  return words
    .replace(/\s*\n\s*(?:>\s?)*/g, ' ')
    .replace(/\s*\t\s*/g, '  ')
    .trim();
}

/** The lines between rounds, as they are taken: headings, things in lists, sentences. */
class Prose {
  readonly #pattern: Pattern;
  readonly #blocks: Block[];
  readonly #titleLine: number;

  constructor(pattern: Pattern, blocks: Block[]) {
    this.#pattern = pattern;
    this.#blocks = blocks;
    const { source, title } = pattern;
    const at = title === null ? -1 : source.text.indexOf(title);
    this.#titleLine = at >= 0 ? lineIndexAt(source, at) : -1;
  }

  /** Takes what stands between two places. */
  add(from: number, to: number): void {
    let last: Piece | null = null;
    for (const piece of this.#pieces(from, to)) {
      this.#take(piece, last);
      last = piece;
    }
  }

  *#pieces(from: number, to: number): Iterable<Piece> {
    const { source } = this.#pattern;
    let apart = false;
    for (let line = lineIndexAt(source, from); from < to; line += 1) {
      const end = Math.min(to, lineSpan(source, line).to);
      const text = source.text.slice(from, end);
      if (text.trim() === '') apart = true;
      else if (!FRAME.test(text) && !this.#isTableHead(line, text) && line !== this.#titleLine) {
        yield { from, to: end, text: text.replace(/\s+$/, ''), apart };
        apart = false;
      }
      from = end + 1;
    }
  }

  /** The head of a table says nothing where its columns are gone. */
  #isTableHead(line: number, text: string): boolean {
    const { source } = this.#pattern;
    if (ROUNDS_HEAD.test(text)) return true;
    if (!text.includes('|') || line + 1 >= source.lineStarts.length) return false;
    const { from, to } = lineSpan(source, line + 1);
    return UNDER_HEAD.test(source.text.slice(from, to));
  }

  #take(piece: Piece, last: Piece | null): void {
    const words = plain(piece.text);
    const heading = this.#heading(piece);
    if (heading !== null) {
      this.#blocks.push({ kind: 'heading', level: heading, text: words.replace(/\s*[:：]$/, '') });
      return;
    }
    const section = this.#sectionAt(piece.from);
    const before = this.#blocks.at(-1);
    const listed = BULLET.test(piece.text) || this.#isListed(piece, section);
    const sentence = before?.kind === 'paragraph' || before?.kind === 'caution' ? before.text : null;
    const broken = last !== null && !piece.apart && last.text.length >= BROKEN;
    if (!listed && sentence !== null && broken && goesOnWith(sentence, words))
      this.#blocks.splice(-1, 1, proseBlock(`${sentence} ${words}`, listed));
    else this.#blocks.push(proseBlock(words, listed));
  }

  /** Whether it is one thing of a list: what stands below the list of abbreviations is talk. */
  #isListed({ from, to }: Piece, section: SectionKind | null): boolean {
    if (section !== 'legend') return LISTS.has(section);
    return this.#pattern.legend.some(({ span }) => span.from < to && span.to > from);
  }

  #sectionAt(at: number): SectionKind | null {
    return this.#pattern.sections.find(({ span }) => span.from <= at && at < span.to)?.kind ?? null;
  }

  /** The level of a heading; null for what is none, or has more behind it in its line. */
  #heading({ from, to, text }: Piece): 2 | 3 | null {
    const { parts, sections } = this.#pattern;
    const isWhole = ({ from: start, to: end }: Span) =>
      end > start && from <= start && end <= to && FRAME.test(text.slice(end - from).replace(/[)\]:：]/g, ''));
    if (parts.some(({ heading }) => heading.from >= from && heading.from < to && heading.to > heading.from)) return 2;
    if (sections.some(({ heading }) => isWhole(heading))) return 2;
    const name = plain(text).replace(/[:：]$/, '');
    return parts.some(({ stretches }) => stretches.some((stretch) => stretch.name === name)) ? 3 : null;
  }
}

function proseBlock(text: string, listed: boolean): Block {
  return { kind: listed ? 'item' : CAUTION.test(text) ? 'caution' : 'paragraph', text };
}

/** Whether a line carries on the sentence of the one before: lines that were broken by hand. */
function goesOnWith(before: string, words: string): boolean {
  return /^\p{Ll}/u.test(words) && !/[.!?:;)]$/.test(before);
}

/** A line without the marks of its layout. */
function plain(text: string): string {
  const words = text
    .replace(ORNAMENT, '')
    .replace(/\*\*([^*]+)\*\*|__([^_]+)__/g, (_, star?: string, line?: string) => star ?? line ?? '')
    .replace(/^\*([^*]+)\*$/, '$1');
  const cells = words.replace(/^\s*\|\s*|\s*\|\s*$/g, '').split(/\s*\|\s*/);
  return cells
    .join(cells.length === 2 ? ': ' : ' · ')
    .replace(/\s*\t\s*/g, '  ')
    .trim();
}
