import type { SourceText, Span } from '../../text/source.js';
import { tokenize } from '../lexer.js';
import type { Lexicon, Meaning } from '../lexicon.js';
import type { Draft } from './drafts.js';
import { meaningOf } from './labelled.js';
import { meaningsIn } from './looks.js';
import { numeralsIn, type Numeral } from './numerals.js';
import { piecesOf, sidesOf } from './series.js';
import type { Unit } from './unit.js';

const FEWEST = 3;
/** A count field is sought where so great a share of the units has a figure in it. */
const COUNTED = 0.3;

/** Where a hand writes its counts: beside what words and signs. */
export interface CountField {
  readonly key: string;
  readonly left: readonly string[];
  readonly right: readonly string[];
}

interface Found {
  readonly draft: Draft;
  readonly words: Span;
  readonly figure: Numeral;
}

/** Where the units have a figure beside the same word or sign; the commonest first, of these the last in the unit. */
export function countFields({ text }: SourceText, lexicon: Lexicon, drafts: readonly Draft[]): CountField[] {
  const found = new Map<string, { units: number; offset: number; examples: Found[] }>();
  for (const draft of drafts) {
    const seen = new Set<string>();
    for (const one of figuresIn(text, lexicon, draft))
      for (const key of keysOf(text, lexicon, one)) {
        if (seen.has(key)) continue;
        seen.add(key);
        const field = found.get(key) ?? { units: 0, offset: 0, examples: [] };
        field.units += 1;
        field.offset += (one.figure.from - one.words.from) / Math.max(1, one.words.to - one.words.from);
        field.examples.push(one);
        found.set(key, field);
      }
  }
  const enough = Math.max(FEWEST, drafts.length * COUNTED);
  return [...found]
    .filter(
      ([, { units, examples }]) => units >= enough && new Set(examples.map(({ figure }) => figure.first)).size > 1,
    )
    .sort(([, a], [, b]) => b.units - a.units || b.offset / b.units - a.offset / a.units)
    .map(([key, { examples }]) => ({ key, ...surroundings(text, examples) }));
}

/** By what a figure is known: what stands on both of its sides, or where nothing but signs and talk comes after it, those. */
function keysOf(text: string, lexicon: Lexicon, { figure, words }: Found): string[] {
  const { left, right } = sidesOf(text, figure, words);
  const rest = text.slice(figure.to, words.to);
  const behind = withoutTalk(rest, lexicon).trim();
  return [
    `${left}|${right}`,
    ...(behind.length <= 3 && !/[\p{L}\d]/u.test(behind) ? [`last ${behind.replace(ENDS_WORDS, '')}`] : []),
    // "12 → 18   inc in each": what comes behind the column is of another one.
    ...(COLUMN_ENDS.test(rest) && left !== '^' ? [`${left}| column`] : []),
  ];
}

/** "12 close", "10 fold", "6, close", "twelve now.": words behind a figure that mean nothing of crochet. */
function withoutTalk(behind: string, lexicon: Lexicon): string {
  const [, before = '', all, after = ''] = TALK_BEHIND.exec(behind) ?? [];
  const words = all?.split(/\s/) ?? [];
  const talk = words.every((word) => {
    const meaning = meaningOf(lexicon, word.toLowerCase());
    if (before !== '') return meaning === undefined || !CROCHET.has(meaning);
    return meaning === undefined || meaning === 'remark' || meaning === 'join' || meaning === 'and';
  });
  return talk && words.length > 0 ? before || after : behind;
}

/** A clause, or two words. */
const TALK_BEHIND =
  /^(?:([.!,])|;?)[ \t]+(\p{L}+(?:[ \t]\p{L}+)?|(?<=[.!,][ \t])[\p{L}'’]+(?:[ \t][\p{L}'’]+){2,10})([.!]?)\s*$/u;
/** One sentence ends on a full stop, and the next one on none. */
const ENDS_WORDS = /[.,;]$/;

/** Single figures of a unit that belong to no stitch and to no repeat: those are of the instruction. */
function figuresIn(text: string, lexicon: Lexicon, draft: Draft, least = 2): Found[] {
  return draft.words.flatMap((words) =>
    numeralsIn(text, words, false)
      .filter(
        (figure) =>
          (figure.kind === 'figure' || figure.kind === 'word' || isRomanCount(text, words, figure)) &&
          figure.first === figure.last &&
          figure.first >= least &&
          (endsUnit(text, words, figure) || isNoAmount(text, lexicon, words, figure)),
      )
      .map((figure) => ({ draft, words, figure })),
  );
}

/** "… six times. xviii": a Roman number at the end of its unit. */
function isRomanCount(text: string, { to: end }: Span, { kind, to, single }: Numeral): boolean {
  return kind === 'roman' && single === undefined && !/[\p{L}\d]/u.test(text.slice(to, end));
}

/**
 * "sc 6", "6 sc", "inc x 6", "6 times": what makes a figure beside it an amount. A count that was taken from an instruction
 * would leave one that fills any edge. Behind "around" or a column of spaces it may be the count.
 */
const AMOUNTS: ReadonlySet<Meaning['is']> = new Set(['stitch', 'shaping', 'increase', 'decrease', 'skip', 'times']);
/** What an instruction is known by. */
const CROCHET: ReadonlySet<Meaning['is']> = new Set([...AMOUNTS, 'magic-ring', 'together', 'steps']);

function isNoAmount(text: string, lexicon: Lexicon, words: Span, { from, to }: Span): boolean {
  // In "4x 16" the sign is of the figure before it.
  const before =
    /(?<!\d)(?:\p{L}+|[x×*])[ \t]?$/iu.exec(text.slice(Math.max(words.from, from - 24), from))?.[0].trim() ?? '';
  const behind = text.slice(to, Math.min(words.to, to + 24));
  const after = COLUMN_ENDS.test(behind) ? '' : (piecesOf(behind)[0] ?? '');
  return [before, after].every((word) => {
    const meaning = meaningOf(lexicon, word);
    return meaning === undefined || !AMOUNTS.has(meaning);
  });
}

/** "6 → 12   inc in each" */
const COLUMN_ENDS = /^(?: {2}|\t)/;

/** "[2 sc, inc] 6 times. 24 sc.": a figure and its stitch, behind a sentence of the instruction, and nothing more. */
function endsUnit(text: string, words: Span, { from, to }: Span): boolean {
  if (!/^[ \t]?\p{L}+[.!]?\s*$/u.test(text.slice(to, Math.min(words.to, to + 40)))) return false;
  const before = text.slice(Math.max(words.from, from - 160), from).trimEnd();
  return /[.;|=–—)\]]$/u.test(before) && /\p{L}/u.test(before);
}

const LONGEST_SIDE = 48;

/** The words and signs that stand on both sides of a figure in all of its units. */
function surroundings(text: string, examples: readonly Found[]): { left: string[]; right: string[] } {
  const sides = examples.map(({ words, figure }) => ({
    left: piecesOf(text.slice(Math.max(words.from, figure.from - LONGEST_SIDE), figure.from)).reverse(),
    right: piecesOf(text.slice(figure.to, Math.min(words.to, figure.to + LONGEST_SIDE))),
  }));
  const common = (side: 'left' | 'right'): string[] => {
    const first = sides[0]?.[side] ?? [];
    const differs = first.findIndex((piece, i) => sides.some((other) => other[side][i] !== piece));
    return differs < 0 ? first : first.slice(0, differs);
  };
  return { left: common('left'), right: common('right') };
}

/**
 * The place in which a hand writes how many stitches a round begins with: "you hold 12, give each a twin: you hold 24". The
 * figures there are the counts of the units before; null where there is no such place.
 */
export function edgeField(
  { text }: SourceText,
  lexicon: Lexicon,
  drafts: readonly Draft[],
  counts: CountField,
): CountField | null {
  const figures = drafts.map((draft) => figuresIn(text, lexicon, draft, 1));
  const stated = figures.map((all) => all.findLast((one) => keysOf(text, lexicon, one).includes(counts.key)));
  const found = new Map<string, { at: Found[]; same: number; changes: number }>();
  figures.forEach((all, i) => {
    const before = stated[i - 1]?.figure.first;
    if (before === undefined) return;
    const seen = new Set<string>();
    for (const one of all) {
      if (one.figure.from === stated[i]?.figure.from) continue;
      for (const key of keysOf(text, lexicon, one)) {
        if (seen.has(key)) continue;
        seen.add(key);
        const field = found.get(key) ?? { at: [], same: 0, changes: 0 };
        field.at.push(one);
        if (one.figure.first === before) field.same += 1;
        if (one.figure.first !== stated[i]?.figure.first) field.changes += 1;
        found.set(key, field);
      }
    }
  });
  const best = [...found]
    .filter(([, { at, same, changes }]) => same >= at.length * SAME && changes >= FEWEST)
    // "6 bumps" on six is an amount, and stands in some units alone.
    .filter(([, { at }]) => at.length >= drafts.length * TOLD)
    .sort(([, a], [, b]) => b.same - a.same)[0];
  return best ? { key: best[0], ...surroundings(text, best[1].at) } : null;
}

/** So great a share of the figures in a place are the counts of the units before. */
const SAME = 0.8;
/** It is told in so great a share of the units. */
const TOLD = 0.6;

/** Where a hand writes its counts, and how many stitches a round begins with. */
export interface Fields {
  readonly count: CountField;
  readonly edge: CountField | null;
}

/** A unit with the figure in a field for its count. */
export function unitOf({ text }: SourceText, lexicon: Lexicon, draft: Draft, fields: Fields | null): Unit {
  const { label, words } = draft;
  const inField = (field: CountField | null | undefined, least: number) =>
    field && !draft.uncounted
      ? figuresIn(text, lexicon, draft, least).findLast((one) => keysOf(text, lexicon, one).includes(field.key))
      : undefined;
  const found = inField(fields?.count, 1);
  // A piece begins with none.
  const edge = inField(fields?.edge, 0);
  const cuts = [
    ...(found && fields ? [countSpan(text, lexicon, found, fields.count)] : []),
    ...(edge && fields?.edge ? [countSpan(text, lexicon, edge, fields.edge)] : []),
  ];
  const body = instructionIn(text, lexicon, words, cuts);
  return {
    label: { ...label, bodyFrom: body.from },
    body,
    stated: found ? { value: found.figure.first, span: { from: found.figure.from, to: found.figure.to } } : null,
    span: {
      from: Math.min(label.span.from, ...words.map(({ from }) => from)),
      to: Math.max(label.span.to, ...words.map(({ to }) => to)),
    },
  };
}

/** A count with the words and signs that always stand around it, as far as they mean nothing else. */
function countSpan(text: string, lexicon: Lexicon, { words, figure }: Found, field: CountField): Span {
  let { from, to } = figure;
  if (endsUnit(text, words, figure)) return { from, to: words.to };
  const all = text.slice(words.from, words.to).toLowerCase();
  for (const piece of field.left) {
    // A bracket that closes before a count, or opens behind it, is of the instruction: "6*(inc) -> 12".
    const at = means(lexicon, piece) || /^[)\]}]$/.test(piece) ? -1 : all.lastIndexOf(piece, from - words.from - 1);
    if (at < 0) break;
    from = words.from + at;
  }
  for (const piece of field.right) {
    const at = means(lexicon, piece) || /^[([{]$/.test(piece) ? -1 : all.indexOf(piece, to - words.from);
    if (at < 0) break;
    to = words.from + at + piece.length;
  }
  return { from, to };
}

/** Whether a word says something of stitches; one that only counts them does not. */
function means(lexicon: Lexicon, piece: string): boolean {
  const found = meaningOf(lexicon, piece);
  return found !== undefined && !['total', 'more', 'and', 'stitch-word', 'turn'].includes(found);
}

/** What is left of the words of a unit without its count: the piece with most crochet in it, without signs at its ends. */
function instructionIn(text: string, lexicon: Lexicon, words: readonly Span[], cuts: readonly Span[]): Span {
  const last = words.at(-1) ?? { from: 0, to: 0 };
  let best = { from: last.from, to: last.from, weight: -1 };
  const ordered = [...cuts].sort((a, b) => a.from - b.from);
  for (const one of words) {
    const inside = ordered.filter(({ from, to }) => from >= one.from && to <= one.to);
    const pieces = [...inside, { from: one.to, to: one.to }].map(({ from }, i) => ({
      from: inside[i - 1]?.to ?? one.from,
      to: from,
    }));
    for (const piece of pieces.map((span) => trimmed(text, span, lexicon))) {
      const weight = weightOf(text.slice(piece.from, piece.to), lexicon);
      // "Magic circle. Round the first: 6 sc inside.": as much crochet behind the label as before it.
      const behind = one !== words[0] && crochetIn(weight) > 0 && crochetIn(weight) >= crochetIn(best.weight);
      if (behind || weight > best.weight) best = { ...piece, weight };
    }
  }
  return { from: best.from, to: best.to };
}

/** Words of crochet count for much, letters and signs for little. */
function weightOf(words: string, lexicon: Lexicon): number {
  if (words.length > 4000) return words.length;
  const tokens = tokenize(words, { from: 0, to: words.length });
  const crochet = meaningsIn(tokens, lexicon).filter((meaning) => (CROCHET as ReadonlySet<string>).has(meaning));
  const rest = tokens.reduce((sum, { kind }) => sum + (kind === 'number' ? 1 : kind === 'word' ? 2 : 0), 0);
  return crochet.length * OF_CROCHET + Math.min(OF_CROCHET - 1, rest);
}

const OF_CROCHET = 100;
/** How many words of crochet a weight is of. */
const crochetIn = (weight: number) => Math.floor(weight / OF_CROCHET);

function trimmed(text: string, { from, to }: Span, lexicon: Lexicon): Span {
  const words = text.slice(from, Math.max(from, to));
  const signs = lexicon.alphabet?.signs;
  if (signs && signs.size > 0) {
    const lead = words.length - words.trimStart().length;
    return { from: from + lead, to: from + Math.max(lead, words.trimEnd().length) };
  }
  const lead = /^[\s|:;,.·–—~=>/-]*/u.exec(words)?.[0].length ?? 0;
  const tail = /[\s|:;,.·–—~=>/-]*$/u.exec(words.slice(lead))?.[0].length ?? 0;
  return { from: from + lead, to: Math.max(from + lead, from + words.length - tail) };
}
