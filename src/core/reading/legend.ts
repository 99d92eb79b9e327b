import type { Instruction, LegendEntry } from '../pattern/pattern.js';
import type { Remember, SourceText } from '../text/source.js';
import type { Sense } from '../vocabulary/senses.js';
import { DECORATED, type Vocabulary } from '../vocabulary/stitches.js';
import { COLOUR_WORDS } from '../vocabulary/words.js';
import { tokenize } from './lexer.js';
import { Lexicon, type LegendDefinition, type Meaning } from './lexicon.js';
import { gistsOf } from './gist/gist.js';
import { readInstruction } from './instruction.js';

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

/**
 * `"V" is an increase`, `A bump means two single crochets worked in one stitch`, `up is 2 sc in one stitch`, `I write v for a sc`:
 * a word told in a sentence. Only what the meaning explains of crochet is taken.
 */
const TOLD =
  /(?<![^\s("“'‘,;.:>])(?:an? |the )?(["“'‘]?)(\p{L}[\p{L}\d]*(?: \p{L}+){0,2}?)(["”'’]?)\s+(?:is|are|means?|stands? for|takes|makes)\s+((?:(?!,\s(?:an? |the )?["“'‘]?\p{L}+["”'’]?\s(?:is|are|means?|stands? for)\s)[^.;:"“]){3,90})/giu;
const WRITTEN_FOR = /(?<!\p{L})(\p{L}{1,6}) for ((?:an? )?[^,.;]{2,50}?)(?=,|[.;]|\sand\s|\s?$)/giu;
/** A list of quoted or short terms behind the first: `…, and "3 together" three`. */
const SIGN =
  /^[\s>]*([^\s\p{L}\d(){}[\]"“”'’|*+]{1,2})(?:(?<![+−-])\d{1,2})?(?:\s{2,}|\t|\s*[=:–—]\s*|\s+(?=\p{L}))(\p{L}.{2,90})$/u;
/** "s sc, i two sc in one, d two sc together"; "x single, V two in one, A two as one" */
const LETTER = /^\s*(\p{L})\s+((?:\d|two|three|sc|dc|hdc|htr|tr|single|double|half|treble|inc|dec|slip|sl)[^)]{0,40})/u;
const SIGNS_IN_LINE =
  /(?<![^\s,;])([^\s\p{L}\d(){}[\],;"“”'’=]{1,2})\s*=\s*(?=[^,;]{0,40}\p{L}{2})((?:(?!\s{2})[^,;]){2,40})/gu;
/** Words that a sentence can begin with, and that no hand calls a stitch by. */
const NO_TERM =
  /^(?:this|that|these|those|it|there|here|which|what|he|she|they|we|i|you|rounds?|rows?|rnds?|rd|yarn|hook|colou?r|stitch(?:es)?|sts?|one|all|each|every|body|head|the|first|last|next|work)(?!\p{L})/iu;

/** What a stretch of text tells of its own words in sentences, and of its signs; not all of it need be crochet. */
export function toldIn({ text, remember }: SourceText, from: number, to: number): LegendEntry[] {
  const entries: LegendEntry[] = [];
  let at = from;
  for (const line of text.slice(from, to).split('\n')) {
    if (line.length < 2000)
      for (const { span, term, meaning } of remember(line, toldInLine))
        for (const name of [term, ...signsCalled(term, text)])
          entries.push({ term: name, meaning, span: { from: at + span.from, to: at + span.to } });
    at += line.length + 1;
  }
  return entries;
}

/** What signs are called in words, with the characters that are typed for them. */
const SIGNS_CALLED: readonly (readonly [RegExp, readonly string[]])[] = [
  [/^plus(?:es)?(?: (?:signs?|marks?))?$/i, ['+', '＋']],
  [/^minus(?:es)?(?: (?:signs?|marks?))?$/i, ['−', '-', '–']],
  [/^(?:dash(?:es)?|hyphens?|strokes?)$/i, ['–', '-', '—', '−']],
  [/^(?:cross(?:es)?|times signs?)$/i, ['×', '✕', '✗', '✖']],
  [/^(?:stars?|asterisks?)$/i, ['*', '★', '☆', '✶', '✱']],
  [/^(?:forward )?slash(?:es)?$/i, ['/']],
  [/^(?:dots?|bullets?)$/i, ['·', '•', '∙', '●']],
  [/^(?:circles?|rings?)$/i, ['○', '◯', '●']],
  [/^triangles?$/i, ['△', '▲', '∆', '▽', '▼']],
  [/^squares?$/i, ['□', '■']],
  [/^(?:ticks?|check ?marks?)$/i, ['✓', '✔']],
  [/^arrows?$/i, ['→', '↑', '↓', '↗', '↘']],
  [/^carets?$/i, ['^']],
  [/^(?:hash(?:es)?|hash signs?)$/i, ['#']],
  [/^(?:tildes?|squiggles?)$/i, ['~']],
  [/^(?:ampersands?|and signs?)$/i, ['&']],
];

/** "A plus sign means …": the sign itself, as the text writes it. */
function signsCalled(term: string, text: string): string[] {
  const called = SIGNS_CALLED.find(([name]) => name.test(term));
  const sign = called && called[1].find((one) => text.includes(one));
  return sign === undefined ? [] : [sign];
}

function toldInLine(line: string): LegendEntry[] {
  const entries: LegendEntry[] = [];
  const keep = (term: string, meaning: string, at: number, length: number) => {
    if (term !== '' && (term.length === 1 || !NO_TERM.test(term)))
      entries.push({ term, meaning: meaning.trim(), span: { from: at, to: at + length } });
  };
  for (const match of line.matchAll(TOLD)) keep(match[2] ?? '', match[4] ?? '', match.index, match[0].length);
  if (/\bwrite\b/i.test(line))
    for (const match of line.matchAll(WRITTEN_FOR)) keep(match[1] ?? '', match[2] ?? '', match.index, match[0].length);
  const inLine = [...line.matchAll(SIGNS_IN_LINE)];
  const sign = inLine.length > 1 || line.indexOf('=') !== line.lastIndexOf('=') ? null : SIGN.exec(line);
  if (sign && !/^[-–—•*+>#|]{1,2}$/u.test(sign[1] ?? '')) keep(sign[1] ?? '', sign[2] ?? '', 0, line.length);
  // A dash or a dot is a sign only among others that are told so.
  else if (sign && /\s{2,}|\t/.test(line.trim())) keep(sign[1] ?? '', sign[2] ?? '', 0, line.length);
  const letters = line.split(/[,;(:]/).map((piece) => LETTER.exec(piece));
  if (letters.filter(Boolean).length >= 3)
    for (const match of letters)
      if (match) keep(match[1] ?? '', match[2] ?? '', line.indexOf(match[0]), match[0].length);
  for (const match of inLine) keep(match[1] ?? '', match[2] ?? '', match.index, match[0].length);
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

/** The same as `definitions`, found out once for the same entries. */
export function definedBy(
  entries: readonly LegendEntry[],
  vocabulary: Vocabulary,
  compact: boolean,
  remember: Remember,
): LegendDefinition[] {
  const words = entries.map(({ term, meaning }) => ({ term, meaning }));
  return remember(JSON.stringify([words, vocabulary, compact]), definedAgain);
}

function definedAgain(asked: string): LegendDefinition[] {
  return definitions(...(JSON.parse(asked) as Parameters<typeof definitions>));
}

/**
 * What the reader can make of the entries: a definition wins over the built-in meaning of its word.
 * Entries that explain no stitch make their word known, as a remark.
 */
export function definitions(
  entries: readonly Pick<LegendEntry, 'term' | 'meaning'>[],
  vocabulary: Vocabulary,
  compact: boolean,
): LegendDefinition[] {
  const known: LegendDefinition[] = [];
  const builtIn = new Lexicon(vocabulary, compact);
  const bullets = repeatedSigns(entries);
  let lexicon = builtIn;
  // "I is an increase, D is a decrease", "V two in one, A two as one": one letter among others is no number.
  const letters = entries.filter(({ term }) => /^[A-Z]$/.test(term) && !ROMAN.test(term)).length;
  const mayStand = (term: string) => mayBeTold(term, builtIn) || (letters > 0 && /^[IVL]$/.test(term));
  let open = entries.filter(({ term }) => TERM.test(term) && !bullets.has(term) && mayStand(term));
  // An entry may be told in the words of another one, before or behind it.
  for (let pass = 0; pass < PASSES && open.length > 0; pass += 1) {
    const unknown: typeof open = [];
    for (const entry of open) {
      const means = meaningOf(entry.term, entry.meaning, lexicon) ?? colourCalled(entry.term, entry.meaning);
      if (!means) {
        unknown.push(entry);
        continue;
      }
      if (turnsRound(entry.term, means, builtIn)) continue;
      known.push({ term: entry.term.replace(/\s+/g, ' '), meaning: means });
      lexicon = new Lexicon(vocabulary, compact, known);
    }
    if (unknown.length === open.length) break;
    open = unknown;
  }
  return known;
}

/** "dec = 2 sc into 1": careless words that would make an increase of a decrease, or the other way round. */
function turnsRound(term: string, meaning: Meaning, builtIn: Lexicon): boolean {
  if (meaning.is !== 'shaping') return false;
  const tokens = tokenize(term, { from: 0, to: term.length });
  const usual = builtIn.at(tokens, 0);
  if (usual?.length !== tokens.length) return false;
  return usual.meaning.is === 'decrease'
    ? meaning.per > meaning.over
    : usual.meaning.is === 'increase' && meaning.over > meaning.per;
}

const PASSES = 2;

/** Signs before several entries with different meanings part a list, and mean nothing. */
function repeatedSigns(entries: readonly Pick<LegendEntry, 'term' | 'meaning'>[]): ReadonlySet<string> {
  const meanings = new Map<string, Set<string>>();
  for (const { term, meaning } of entries) {
    if (/[\p{L}\d]/u.test(term)) continue;
    meanings.set(term, (meanings.get(term) ?? new Set()).add(meaning));
  }
  return new Set([...meanings].filter(([, told]) => told.size > 1).map(([term]) => term));
}

const OF_LANGUAGE: ReadonlySet<Meaning['is']> = new Set([
  'times',
  'each',
  'around',
  'in',
  'next',
  'same',
  'last',
  'stitch-word',
  'repeat',
  'total',
  'and',
  'more',
  'with',
  'round-word',
  'row-word',
  'together',
]);
const ROMAN = /^[IVXL]+$/;

/** Numbers, and words that every instruction needs, are given no meaning of their own. */
function mayBeTold(term: string, builtIn: Lexicon): boolean {
  const tokens = tokenize(term, { from: 0, to: term.length });
  const first = tokens[0];
  if (tokens.length !== 1 || !first) return true;
  if (first.kind === 'number' || first.kind === 'ordinal' || ROMAN.test(term)) return false;
  // "x - single crochet": the letter is a stitch, and what is done so many times is written otherwise.
  if (/^x$/i.test(term)) return true;
  const known = builtIn.at(tokens, 0)?.meaning.is;
  // "+ = two in one": a sign that a list draws with.
  return known === undefined || !OF_LANGUAGE.has(known) || (known === 'and' && !/\p{L}/u.test(term));
}

const TERM =
  /^(?:[\p{L}\d]{1,12}(?:[ ]+[\p{L}\d]{1,12}){0,2}|[^\p{L}\d\s]{1,2}|\p{L}[\p{L}\d]{0,3}[/+^-][\p{L}\d]{1,4})$/u;

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
  'stitch-word',
  'round-word',
  'row-word',
]);

/** "1 ch at the beginning and no stitch" */
const NO_STITCH = /(?<!\p{L})(?:no stitch|not a stitch|no stitches|counts? for nothing|never counts?)(?!\p{L})/iu;
/** "5 tr in one stitch, closed together at the top", "it is one stitch" */
const ONE_STITCH =
  /clos(?:ed|e) (?:them )?(?:together|off|as one)|(?:it|that|which) is one st|counts? as one|drawn together/iu;

function meaningOf(term: string, written: string, lexicon: Lexicon): Meaning | null {
  const first = tokenize(written, { from: 0, to: written.length });
  const named = lexicon.at(first, 0)?.meaning;
  // "bobble of 4 double crochet in one stitch": the legs don't matter.
  if (named?.is === 'stitch' && DECORATED.has(named.stitch)) return named;
  // "r = repeat"
  if (named && PLAIN.has(named.is) && lexicon.at(first, 0)?.length === first.length) return named;
  const own = lexicon.at(tokenize(term, { from: 0, to: term.length }), 0);
  if (NO_STITCH.test(written)) return own ? null : { is: 'aside' };
  const whole = lexicon.at(first, 0);
  if (named?.is === 'stitch' && whole?.length === first.length && (!own || own.meaning.is === 'times'))
    return { ...named, foreign: false };
  const told = written.replace(/\([^)]*\)/g, ' ').split(/[,;:]/)[0] ?? '';
  // "two out of one"
  const plain = told.replace(/(?<!\p{L})out of(?!\p{L})/iu, 'from');
  const reading = readInstruction(plain, { from: 0, to: plain.length }, lexicon);
  // What a word means by itself is given up for plain words alone: "dec = 2 sc into 1" is told carelessly.
  const sign = !/[\p{L}\d]/u.test(term);
  const shape = shapeIn(reading) ?? (own && !sign ? null : shapeByGist(plain, lexicon));
  // "inc = double 1 stitch": no word for a shaping comes to mean a stitch on its own.
  if (shape?.is === 'stitch' && (own?.meaning.is === 'increase' || own?.meaning.is === 'decrease')) return null;
  if (shape) {
    // "4 double crochet in one stitch, closed together; it is one stitch"
    return shape.is === 'shaping' && shape.per > 1 && ONE_STITCH.test(written)
      ? { is: 'stitch', stitch: 'bobble', foreign: false }
      : shape;
  }
  // "fs = firm stitch (single crochet)", "in front of a round: back loops only"
  const all = macro(reading);
  if (all) return all;
  const other = /\(([^()]{2,40})\)/.exec(written)?.[1] ?? (sign ? /:\s*([^:]{2,40})$/.exec(written)?.[1] : undefined);
  const again = other === undefined ? null : meaningOf(term, other, lexicon);
  if (again) return again;
  return sign && named?.is === 'magic-ring' ? named : null;
}

/** The stitch or shaping that a reading comes to, done once. */
function shapeIn({ steps, unread }: Instruction): Meaning | null {
  const [only, ...others] = steps;
  // "skip a stitch"
  if (only?.kind === 'skip' && only.count === 1 && others.length === 0 && unread.length === 0) return { is: 'skip' };
  const works = steps.filter((step) => step.kind === 'work');
  const step = works[0];
  if (works.length !== 1 || unread.length > 0 || step?.amount.kind !== 'times') return null;
  const { place, amount } = step;
  if ((step.over === 1 && amount.times > 1 && place.kind === 'edge') || place.kind === 'ring') return null;
  const per = step.per === 1 && step.over === 1 && place.kind !== 'edge' ? amount.times : step.per;
  if (step.stitch === null) return step.over > 1 ? { is: 'decrease', over: step.over } : { is: 'increase', per };
  if (per === 1 && step.over === 1) return { is: 'stitch', stitch: step.stitch, foreign: false };
  return { is: 'shaping', stitch: step.stitch, per, over: step.over };
}

/** "two firm ones crocheted together": a shaping in words of its own, when what means nothing is passed over. */
function shapeByGist(words: string, lexicon: Lexicon): Meaning | null {
  const gist = gistsOf(words, { from: 0, to: words.length }, lexicon, NO_SENSES)[0];
  const shape = gist && gist.words.length <= MOST_PASSED ? shapeIn(gist.instruction) : null;
  return shape && shape.is !== 'stitch' ? shape : null;
}

const NO_SENSES: ReadonlyMap<string, Sense> = new Map();
const MOST_PASSED = 1;

/** "tutti: sc in every stitch": one word for a whole round. */
function macro({ steps, unread, reference, stated }: Instruction): Meaning | null {
  const step = steps[0];
  const whole = steps.length === 1 && step?.kind === 'work' && step.amount.kind === 'fill' && step.bare === undefined;
  return whole && unread.length === 0 && !reference && !stated ? { is: 'steps', steps } : null;
}
