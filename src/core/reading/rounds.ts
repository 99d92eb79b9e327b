import type { StatedCount } from '../pattern/instruction.js';
import type { Instruction, Round } from '../pattern/pattern.js';
import type { Span } from '../text/source.js';
import type { Label } from './labels.js';
import { tokenize } from './lexer.js';
import type { Lexicon } from './lexicon.js';
import type { Figure, Unit } from './page/unit.js';
import { ringFilled } from './ring.js';

/** The words of a round, while it isn't known yet where they end. */
export interface OpenRound {
  readonly label: Label | null;
  readonly from: number;
  readonly bodyFrom: number;
  to: number;
  /** A count that stands outside of the instruction. */
  readonly stated?: Figure | null;
  readonly unit?: Unit;
}

/** What a round takes from what stands before it. */
interface Before {
  readonly last: Round | undefined;
  /** The words that say it goes through both layers. */
  readonly flat: Span | null;
}

const LONGEST_KIND = 24;

/** A round of its words and of what was read in them. @param text the whole text */
export function roundOf(
  text: string,
  lexicon: Lexicon,
  open: OpenRound,
  reading: Instruction,
  { last, flat }: Before,
): Round {
  const { label } = open;
  const to = endOfWords(text, open.from, open.to);
  const stated = statedIn(text, lexicon, open, reading);
  const steps = ringFilled(text, reading.steps, stated);
  return {
    label: (label && oneSpaced(label.text)) ?? firstWords(text.slice(open.from, to)),
    kind: kindOf(label, reading, last),
    labelled: label !== null,
    from: label?.from ?? 0,
    to: label?.to ?? 0,
    numbers: label?.numbers ?? [],
    labelSpan: label?.span ?? { from: open.from, to: open.from },
    span: { from: open.from, to },
    bodyFrom: open.bodyFrom,
    steps: flat ? [{ kind: 'flat', span: flat }, ...steps] : steps,
    reference: reading.reference,
    stated,
    statedRounds: reading.statedRounds,
    unread: reading.unread,
    brackets: reading.brackets,
    ...(reading.tabular ? { tabular: true as const } : {}),
    ...(reading.doubt ? { doubt: reading.doubt } : {}),
    ...(reading.idle ? { idle: reading.idle } : {}),
    foreign: reading.foreign,
    remarks: reading.remarks,
  };
}

/** A row where its label says so, or where the work is turned and no label says otherwise. */
function kindOf(label: Label | null, { steps }: Instruction, last: Round | undefined): Round['kind'] {
  if (label === null || label.kind !== null) return label?.kind ?? 'round';
  // An oval is turned to its other side, and goes on in rounds.
  const turned = steps.some(({ kind }) => kind === 'turn') && !steps.some(({ kind }) => kind === 'other-side');
  return (turned || last?.kind === 'row') && label.series === '' ? 'row' : 'round';
}

/** The count that is read in the words, or the figure in its place in the layout: "1 inc 6" ends on no count. */
function statedIn(
  text: string,
  lexicon: Lexicon,
  { stated: field, bodyFrom }: OpenRound,
  { stated }: Instruction,
): StatedCount | null {
  if (!field || (stated && !isAmount(text, lexicon, stated.span, bodyFrom) && !isStep(text, stated, field)))
    return stated;
  return { total: field.value, span: field.span, breakdown: breakdownOf(text, lexicon, field) };
}

/** "9, 6(1, i), 9 …… 36": a bare figure before the one in its place, and another one, is so many stitches. */
function isStep(text: string, { span }: StatedCount, field: Figure): boolean {
  return span.to <= field.span.from && /^\W*\d+$/.test(text.slice(span.from, span.to));
}

/** Whether a figure stands right behind a stitch or a shaping, another figure, or a sign: "inc1 6", "inc · 6". */
function isAmount(text: string, lexicon: Lexicon, { from }: Span, bodyFrom: number): boolean {
  if (/(?:\d[ \t]|[·∙•])[ \t]*$/u.test(text.slice(Math.max(bodyFrom, from - 4), from))) return true;
  const word = /\p{L}+(?=[ \t]?$)/u.exec(text.slice(Math.max(bodyFrom, from - LONGEST_KIND), from))?.[0];
  if (word === undefined) return false;
  const meaning = lexicon.at(tokenize(word, { from: 0, to: word.length }), 0)?.meaning.is;
  return meaning === 'increase' || meaning === 'decrease' || meaning === 'stitch' || meaning === 'shaping';
}

/** "24 sc": the stitch that a count of its own field names. */
function breakdownOf(text: string, lexicon: Lexicon, { value, span }: Figure): StatedCount['breakdown'] {
  if (!/^[ \t]?\p{L}/u.test(text.slice(span.to, span.to + 2))) return [];
  const tokens = tokenize(text, { from: span.to, to: span.to + LONGEST_KIND }, 3);
  const named = lexicon.at(tokens, 0)?.meaning;
  return named?.is === 'stitch' ? [{ count: value, stitch: named.stitch }] : [];
}

const MORE_SPACES = /\s\s|[^\S ]/;

function oneSpaced(text: string): string {
  return MORE_SPACES.test(text) ? text.replace(/\s+/g, ' ') : text;
}

/** Offset after the last character between two offsets that is no space. */
function endOfWords(text: string, from: number, to: number): number {
  let end = to;
  while (end > from && text.charAt(end - 1).trim() === '') end -= 1;
  return end;
}

/** What a round without a label is called by. */
export function firstWords(text: string): string {
  const words = text
    .slice(0, 120)
    .replace(/[*_#]/g, '')
    .trim()
    .split(/[\s:,.(]+/)
    .slice(0, 3)
    .join(' ');
  return words.length > 28 ? `${words.slice(0, 27)}…` : words;
}

const MAY_FOLD = /fold|flatten|press|pinch/i;
const FOLDED =
  /(?<=\d[^()[\]{}]{0,12}[)\]}])[.,;]?\s+(?=(?:now )?(?:fold|flatten|press|pinch)(?!\p{L})[^\n]{0,60}\d)/iu;

/** Where a round is folded and closed behind its count: where it ends, and where its closing begins; null where it is not. */
export function foldIn(text: string, { from, to }: Span): Span | null {
  const body = text.slice(from, to);
  const fold = MAY_FOLD.test(body) ? FOLDED.exec(body) : null;
  return fold && { from: from + fold.index + 1, to: from + fold.index + fold[0].length };
}
