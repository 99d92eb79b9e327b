import type { LegendEntry } from '../pattern/pattern.js';
import { DECORATED, type Vocabulary } from '../vocabulary/stitches.js';
import { COLOUR_WORDS } from '../vocabulary/words.js';
import { tokenize } from './lexer.js';
import { Lexicon, type LegendDefinition, type Meaning } from './lexicon.js';
import { readInstruction } from './instruction.js';

const ENTRY =
  /^[\s>•*\-–+|]*(?:\*\*)?([\p{L}][\p{L}\d'()/ -]{0,14}?)(?:\*\*)?\s*(?:=|–|—|:|\||\.{3,}|…|-(?=\s)|\t|\s{2,})\s*(.{2,120})$/u;

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

/** `"V" is an increase, "A" means a decrease` */
const TOLD = /["“'‘](\p{L}{1,6})["”'’]\s+(?:is|are|means?|stands? for)\s+([^,.;"“]{3,60})/gu;

function readLine(line: string, offset: number, entries: LegendEntry[]): void {
  for (const match of /["“'‘]/.test(line) ? line.matchAll(TOLD) : []) {
    const [all, term = '', meaning = ''] = match;
    const from = offset + match.index;
    entries.push({ term, meaning: meaning.trim(), span: { from, to: from + all.length } });
  }
  const equals = (line.match(/=/g)?.length ?? 0) > 1;
  const pieces = equals ? splitList(line) : (listed(line) ?? [{ at: 0, text: line }]);
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
  const pieces: { at: number; text: string }[] = [];
  let at = 0;
  for (const piece of line.split(/[;•·]/)) {
    // "Designations: X – …" begins behind the colon.
    const lead = pieces.length === 0 ? (/^[\p{L} ]{3,30}:\s*(?=\S{1,12}\s*[–—-])/u.exec(piece)?.[0].length ?? 0) : 0;
    pieces.push({ at: at + lead, text: piece.slice(lead) });
    at += piece.length + 1;
  }
  return pieces.length > 2 && pieces.filter(({ text }) => ENTRY.test(text)).length > 2 ? pieces : null;
}

/** "sc = single crochet, inc = two sc in one stitch": cut before each new term. */
function splitList(line: string): { at: number; text: string }[] {
  // "The words I use: sc = …" begins behind the colon.
  const cuts = [line.lastIndexOf(':', line.indexOf('=')) + 1];
  // Without anything between them the terms are single words: "sc=single crochet inc=2sc in same st".
  const before = /[,;·•]/.test(line)
    ? /[,;·•]\s*(?=[\p{L}][\p{L}\d ()/]{0,12}\s*=)/gu
    : /(?<!(?<!\p{L})sl)\s+(?=(?:sl\s)?\p{L}[\p{L}\d]{0,7}\s?=)/giu;
  for (const match of line.matchAll(before)) cuts.push(match.index + match[0].length);
  return cuts.map((at, i) => ({ at, text: line.slice(at, cuts[i + 1] ?? line.length).replace(/[,;·•\s]+$/u, '') }));
}

/**
 * What the reader can make of the entries: a definition wins over the built-in meaning of its word.
 * Entries that explain no stitch make their word known, as a remark.
 */
export function definitions(
  entries: readonly LegendEntry[],
  vocabulary: Vocabulary,
  compact: boolean,
): LegendDefinition[] {
  const builtIn = new Lexicon(vocabulary, compact);
  const known: LegendDefinition[] = [];
  for (const { term, meaning } of entries) {
    if (!/^[\p{L}\d]{1,12}$/u.test(term)) continue;
    const means = meaningOf(meaning, builtIn) ?? colourCalled(term, meaning);
    if (means) known.push({ term, meaning: means });
  }
  return known;
}

/** "LG = light grey", "CC1: mustard": a yarn, by capital letters that are no stitch. */
function colourCalled(term: string, meaning: string): Meaning | null {
  const words = meaning.toLowerCase().match(/\p{L}+/gu) ?? [];
  const yarn = words.length <= 4 && words.some((word) => COLOUR_WORDS.has(word) || /^(?:yarn|colou?r)$/.test(word));
  return yarn && /^[A-Z]{1,3}\d?$/.test(term) ? { is: 'colour' } : null;
}

/** Meanings that a pattern may have a letter of its own for. */
const PLAIN: ReadonlySet<Meaning['is']> = new Set([
  'repeat',
  'each',
  'around',
  'skip',
  'turn',
  'next',
  'times',
  'loops',
  'together',
  'magic-ring',
]);

function meaningOf(written: string, lexicon: Lexicon): Meaning | null {
  const first = tokenize(written, { from: 0, to: written.length });
  const named = lexicon.at(first, 0)?.meaning;
  // "bobble of 4 double crochet in one stitch": the legs don't matter.
  if (named?.is === 'stitch' && DECORATED.has(named.stitch)) return named;
  // "r = repeat"
  if (named && PLAIN.has(named.is) && lexicon.at(first, 0)?.length === first.length) return named;
  const plain = written.replace(/\([^)]*\)/g, ' ').split(/[,;:]/)[0] ?? '';
  const reading = readInstruction(plain, { from: 0, to: plain.length }, lexicon);
  const works = reading.steps.filter((step) => step.kind === 'work');
  const step = works[0];
  if (works.length !== 1 || reading.unread.length > 0 || step?.amount.kind !== 'times') return null;
  const { place, amount } = step;
  if ((step.over === 1 && amount.times > 1 && place.kind === 'edge') || place.kind === 'ring') return null;
  const per = step.per === 1 && step.over === 1 && place.kind !== 'edge' ? amount.times : step.per;
  if (step.stitch === null) return step.over > 1 ? { is: 'decrease', over: step.over } : { is: 'increase', per };
  if (per === 1 && step.over === 1) return { is: 'stitch', stitch: step.stitch, foreign: false };
  return { is: 'shaping', stitch: step.stitch, per, over: step.over };
}
