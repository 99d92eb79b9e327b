import { lineSpan, type SourceText, type Span } from '../../text/source.js';
import type { Lexicon } from '../lexicon.js';
import { numeralsIn } from './numerals.js';

/** What an instruction that goes on in the next line ends with. */
const GOES_ON = /(?:[,;:(\[{*+&–—-]|(?<![\p{L}\d])(?:and|in|into|the|next|each|of|to|from|then|with|a))\s*$/iu;
const ONLY_COUNT = /^\W*(?:\d{1,4}|\p{L}{3,9}(?:-\p{L}{3,5})?)\W*(?:sts?|stitches)?\W*$/u;

/** The foot of a page may stand between two halves of a sentence, and not behind one. */
const ENDS = /[.!?)\]:]\s*$/u;

/** How the units of a text are laid out. */
export interface Layout {
  /** They run on from line to line, several in a line. */
  readonly flows: boolean;
  /** Labels stand in lines of their own. */
  readonly bare: boolean;
}

/**
 * Where the words of a unit end: with its line, or with the last of the lines that go on from it.
 * @param limit where the next label begins; the end of the text for the last.
 */
export function extent(
  source: SourceText,
  { alphabet }: Lexicon,
  first: Span,
  line: number,
  limit: number,
  layout: Layout,
): number {
  const { text } = source;
  const longest = layout.flows ? Math.max(...source.lineStarts.map((_, at) => lineLength(source, at))) : 0;
  let { to } = first;
  let empty = text.slice(first.from, first.to).trim() === '';
  for (let below = line + 1; to !== limit && below < source.lineStarts.length; below += 1) {
    const span = lineSpan(source, below);
    const end = Math.min(span.to, limit);
    // What stands before the next label in its line is of that one.
    if (span.from >= limit || (!layout.flows && limit < span.to)) break;
    const words = text.slice(span.from, end);
    const so = text.slice(first.from, to);
    if (words.trim() === '') {
      if (empty || (layout.flows && !ENDS.test(so))) continue;
      break;
    }
    // A line that ends before the others do ends a paragraph.
    const short = lineLength(source, below - 1) < longest * FULL;
    if ((short && ENDS.test(so)) || !goesOn(so, words, empty, layout, alphabet?.signs)) break;
    to = end;
    empty = false;
  }
  return to;
}

/** Whether a line belongs to the unit above it. */
function goesOn(
  so: string,
  words: string,
  empty: boolean,
  { flows, bare }: Layout,
  signs: ReadonlySet<string> | undefined,
): boolean {
  if (flows || (bare && empty)) return true;
  return (GOES_ON.test(so) && !endsOnSign(so, signs)) || (ONLY_COUNT.test(words) && isFigure(words));
}

/** Lines shorter than this share of the longest are not broken by the width of a page. */
const FULL = 0.7;

function lineLength(source: SourceText, line: number): number {
  const { from, to } = lineSpan(source, line);
  return to - from;
}

/** "-ooo-": a dash at the end that is drawn for a stitch. */
function endsOnSign(words: string, signs: ReadonlySet<string> | undefined): boolean {
  return signs?.has(words.trimEnd().slice(-1)) ?? false;
}

function isFigure(words: string): boolean {
  return numeralsIn(words, { from: 0, to: words.length }).some(({ kind }) => kind === 'figure' || kind === 'word');
}
