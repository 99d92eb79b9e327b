/** Longest text that is taken in, in UTF-16 units: a book of some 1,500 pages. */
export const LONGEST_TEXT = 4_000_000;

/** A half-open stretch of the source text, in UTF-16 units. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** Line and column as people and the report count them: both from 1, columns in UTF-16 units. */
export interface Position {
  readonly line: number;
  readonly column: number;
}

/**
 * Finds something out about some words by themselves: a line, a sentence. Whoever checks one text after another gives one that
 * remembers what was found out about the words that stand there again.
 * @param find says the same of the same words each time, whatever stands around them; the same function each time
 */
export type Remember = <Found>(words: string, find: (words: string) => Found) => Found;

const anew: Remember = (words, find) => find(words);

/** The text as given, with the places where its lines begin. */
export interface SourceText {
  readonly text: string;
  /** Offset of the first character of each line. */
  readonly lineStarts: readonly number[];
  readonly remember: Remember;
  /** Each line is a message of its own, and goes on from none. */
  readonly messages?: true;
}

/**
 * Takes in a text. Lines end with `\n`, `\r\n` or `\r`; nothing is changed or dropped.
 */
export function sourceText(text: string, remember: Remember = anew): SourceText {
  const lineStarts = [0];
  // Each is looked for from where it was found last: an engine finds a character faster than it steps through all.
  let [feed, back] = [text.indexOf('\n'), text.indexOf('\r')];
  while (feed >= 0 || back >= 0) {
    const isBack = back >= 0 && (feed < 0 || back < feed);
    const end = isBack ? back : feed;
    if (!isBack || feed !== back + 1) lineStarts.push(end + 1);
    if (isBack) back = text.indexOf('\r', end + 1);
    else feed = text.indexOf('\n', end + 1);
  }
  return { text, lineStarts, remember };
}

/** The line (from 0) that holds an offset. Offsets outside the text count to its nearest line. */
export function lineIndexAt(source: SourceText, offset: number): number {
  const starts = source.lineStarts;
  let low = 0;
  let high = starts.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if ((starts[middle] ?? 0) <= offset) low = middle;
    else high = middle - 1;
  }
  return low;
}

/** Line and column of an offset, both from 1. */
export function positionAt(source: SourceText, offset: number): Position {
  const line = lineIndexAt(source, offset);
  return { line: line + 1, column: offset - (source.lineStarts[line] ?? 0) + 1 };
}

/** The span of a line (from 0) without its line break. */
export function lineSpan(source: SourceText, line: number): Span {
  const from = source.lineStarts[line] ?? source.text.length;
  let to = source.lineStarts[line + 1] ?? source.text.length;
  while (to > from && isLineBreak(source.text.charCodeAt(to - 1))) to -= 1;
  return { from, to };
}

function isLineBreak(code: number): boolean {
  return code === 10 || code === 13;
}
