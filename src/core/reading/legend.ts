import type { LegendEntry } from '../pattern/pattern.js';

const ENTRY =
  /^[\s>•*\-–+|]*(?:\*\*)?([\p{L}][\p{L}\d'()/+^ -]{0,14}?)\.?(?:\*\*)?\s*(?:=|–|—|:|\||\.{3,}|…|-(?=\s)|\t|\s{2,})\s*(.{2,120})$/u;

/**
 * The entries of the pattern's own list of abbreviations in a stretch of lines.
 * One entry a line, or several with commas, dots or semicolons between ("sc = …, inc = …").
 */
export function legendIn(text: string, from: number, to: number): LegendEntry[] {
  const entries: LegendEntry[] = [];
  let lineFrom = from;
  while (lineFrom < to) {
    let lineTo = text.indexOf('\n', lineFrom);
    if (lineTo < 0 || lineTo > to) lineTo = to;
    if (lineTo - lineFrom < 2000) readLine(text.slice(lineFrom, lineTo), lineFrom, entries);
    lineFrom = lineTo + 1;
  }
  return entries;
}

function readLine(line: string, offset: number, entries: LegendEntry[]): void {
  const equals = (line.match(/=/g)?.length ?? 0) > 1;
  const pieces = equals ? splitList(plainList(line)) : (listed(line) ?? [{ at: 0, text: line }]);
  for (const { at, text } of pieces) {
    const match = ENTRY.exec(text);
    if (!match) continue;
    const term = (match[1] ?? '').trim();
    const meaning = (match[2] ?? '').replace(/[|*\s.]+$/u, '').replace(/^[|*\s]+/u, '');
    if (term.length > 0 && meaning.length > 0)
      entries.push({ term, meaning, span: { from: offset + at, to: offset + at + text.length } });
  }
}

/** "X – single crochet; INC – increase; …": entries with semicolons or dots between; null where it is no such list. */
function listed(line: string): { at: number; text: string }[] | null {
  const bySemicolons = piecesBy(line, /[;•·]/, ENTRY);
  return bySemicolons ?? (line.includes(',') ? piecesBy(line, /,/, SHORT_ENTRY) : null);
}

/** "aug - increase", among others with commas between. */
const SHORT_ENTRY = /^\s*\p{L}[\p{L}\d]{0,6}\s+[–—-]\s+\p{L}.{1,60}$/u;

function piecesBy(line: string, between: RegExp, entry: RegExp): { at: number; text: string }[] | null {
  const pieces: { at: number; text: string }[] = [];
  let at = 0;
  for (const piece of line.split(between)) {
    // "Designations: X – …" begins behind the colon.
    const lead = pieces.length === 0 ? (/^.{0,60}:[\s*_]*(?=\S{1,12}\s*[–—-])/u.exec(piece)?.[0].length ?? 0) : 0;
    pieces.push({ at: at + lead, text: piece.slice(lead) });
    at += piece.length + 1;
  }
  return pieces.length > 2 && pieces.filter(({ text }) => entry.test(text)).length > 2 ? pieces : null;
}

const PARTED = /[,;·•]\s*(?=[\p{L}][\p{L}\d ()/+^.]{0,12}\s*=)/gu;
const SPACED = /(?<!(?<!\p{L})sl)\s+(?=(?:sl\s)?\p{L}[\p{L}\d]{0,7}\s?=)|\s{2,}(?=\S{1,3}\s?=)/giu;

/** "o = sc / v = 2 sc in 1 st / …": between all strokes a word is explained. */
function isEach(line: string): boolean {
  return line.split(/\s[/|]\s/).every((piece) => piece.includes('='));
}

/** "sc = single crochet, inc = two sc in one stitch": cut before each new term. */
function splitList(line: string): { at: number; text: string }[] {
  // "The words I use: sc = …" begins behind the colon.
  const cuts = [line.lastIndexOf(':', line.indexOf('=')) + 1];
  const slashed = [...line.matchAll(/\s[/|]\s+/g)];
  const parted = slashed.length > 1 && isEach(line) ? slashed : [...line.matchAll(PARTED)];
  // Without anything between them the terms are single words: "sc=single crochet inc=2sc in same st, stuff in time".
  const spaced = [...line.matchAll(SPACED)];
  const bySpaces = parted.length === 0 || spaced.length > parted.length + 1;
  for (const match of bySpaces ? spaced : parted) cuts.push(match.index + match[0].length);
  return cuts.map((at, i) => ({ at, text: line.slice(at, cuts[i + 1] ?? line.length).replace(/[,;·•/|\s]+$/u, '') }));
}

/** `("twos" = two in every stitch, "ones" = one in each)` without its brackets and quotes, at the same places. */
function plainList(line: string): string {
  const signs = /^\s*\(.*\)[.\s]*$/u.test(line) ? /["“”]|^\s*\(|\)[.\s]*$/gu : /["“”]/g;
  return line.replace(signs, (sign) => ' '.repeat(sign.length));
}
