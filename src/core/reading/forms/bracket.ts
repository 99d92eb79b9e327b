import type { Amount, ColourMarker, Step, Work } from '../../pattern/instruction.js';
import { amountAfter, isTimesSign } from '../amount.js';
import { countIn } from '../count.js';
import { placementAfter } from '../placement.js';
import {
  closeOf,
  isBoundary,
  isWord,
  meaningAt,
  pass,
  spanBetween,
  tokenAt,
  type InstructionForm,
  type Reader,
} from '../reader.js';
import { chainsInOne } from './chain.js';
import { colourIn, colourStep } from './colour.js';

/** Brackets inside brackets are read to this depth; what lies deeper is left unread. */
const DEEPEST = 24;

/**
 * A bracket, told apart by what it holds and what follows it: a repeat, several stitches in one,
 * a count, a colour, or a remark.
 *
 * `(sc 3, inc) x 6`   `6 x (sc 3, inc)`   `(hdc, dc) in next st`   `(18)`   `(Moss) sc 6`   `(RS)`
 *  ^                   ^                   ^                        ^        ^               ^
 */
export const bracket: InstructionForm = {
  name: 'bracket',
  begins: ['open', 'number'],
  read(reader, at) {
    let open = at;
    let before: number | null = null;
    const number = tokenAt(reader, at);
    if (number?.kind === 'number') {
      before = number.value;
      open = pass(reader, at + 1, 'times');
      if (open === at + 1 && (isWord(reader, open, '×') || isTimesSign(reader, at))) open += 1;
      if (tokenAt(reader, open)?.kind === 'star') open += 1;
    }
    const close = closeOf(reader, open);
    if (close === null || close >= reader.end) return null;
    // "6 (white)" says nothing of how often.
    if (before !== null && (countIn(reader, open + 1, close) || isAside(reader, open, close))) return null;
    return readBracket(reader, at, open, close, before);
  },
};

function readBracket(reader: Reader, at: number, open: number, close: number, before: number | null): number | null {
  // "12 sc (12) x3" has told its count, and says how many rounds.
  const figure = close === open + 2 && tokenAt(reader, open + 1)?.kind === 'number' && reader.steps.length > 0;
  const after = before === null && !figure ? amountAfter(reader, close + 1) : null;
  if (before === null && !after) {
    if (holdsRepeat(reader, open, close)) return repeatAll(reader, open, close);
    const count = countIn(reader, open + 1, close);
    if (count && !meaningAt(reader, close + 1, 'in')) {
      reader.found.stated = { ...count, span: spanBetween(reader, open, close + 1) };
      return close + 1;
    }
    if (isAside(reader, open, close)) {
      const colour = colourIn(reader, open + 1, close);
      if (colour) {
        const step: ColourMarker = { kind: 'colour', name: colour, span: spanBetween(reader, open, close + 1) };
        if (isBoundary(reader, close + 1)) colourStep(reader, open, step);
        else reader.steps.push(step);
      }
      reader.found.remarks.push(spanBetween(reader, open, close + 1));
      return close + 1;
    }
  }
  if (reader.depth >= DEEPEST) return null;
  const { steps } = reader.sequence(open + 1, close, false);
  // "(BLO)", "(other side)", "(join with sl st)"
  if (steps.length > 0 && steps.every(({ kind }) => kind === 'loops' || kind === 'other-side' || kind === 'join')) {
    reader.steps.push(...steps);
    return close + 1;
  }
  // "2 sc into 2nd ch from hook (start with ch 2)"
  if (meaningAt(reader, open + 1, 'work') && steps.length > 0 && steps.every(({ kind }) => kind === 'chain')) {
    reader.steps.unshift(...steps);
    return close + 1;
  }
  const times = before === null ? after : { amount: { kind: 'times', times: before } as Amount, next: close + 1 };
  if (times) {
    const span = spanBetween(reader, at, times.next);
    // "(hdc, dc) in next st, 6 times" says its amount after the place; that is read with the group.
    reader.steps.push({ kind: 'repeat', body: steps, amount: times.amount, span });
    return times.next;
  }
  const place = placementAfter(reader, close + 1);
  if (place) {
    const members = worksOf(steps);
    if (!members) return null;
    const more = place.amount.kind === 'times' ? amountAfter(reader, place.next) : null;
    const again = more?.amount.kind === 'times' ? more : null;
    const amount: Amount =
      again && place.amount.kind === 'times' && again.amount.kind === 'times'
        ? { kind: 'times', times: place.amount.times * again.amount.times }
        : place.amount;
    const next = again ? again.next : place.next;
    const where = place.place.kind === 'both-layers' ? { kind: 'edge' as const } : place.place;
    reader.steps.push({ kind: 'group', members, amount, place: where, span: spanBetween(reader, at, next) });
    return next;
  }
  if (steps.length === 0) return close + 1;
  const only = steps.length === 1 ? steps[0] : undefined;
  if (only && only.kind === 'work') reader.steps.push(only);
  else reader.steps.push({ kind: 'repeat', body: steps, amount: null, span: spanBetween(reader, open, close + 1) });
  return close + 1;
}

/** "sc 3, inc [rep 6x]", "sc 3, inc, (x6)": the bracket repeats what stands before it. */
function holdsRepeat(reader: Reader, open: number, close: number): boolean {
  if (close === open + 1) return false;
  if (meaningAt(reader, open + 1, 'repeat')) return true;
  return reader.steps.some(({ kind }) => kind === 'work') && amountAfter(reader, open + 1)?.next === close;
}

function repeatAll(reader: Reader, open: number, close: number): number | null {
  const read = amountAfter(reader, open + 1);
  if (!read || read.next !== close) return null;
  wrapSteps(reader, read.amount, close + 1);
  return close + 1;
}

/** Turns the steps of the sequence so far into the body of a repeat; chains, joins and turns at its start stay outside. */
export function wrapSteps(reader: Reader, amount: Amount, end: number): void {
  let first = 0;
  while (first < reader.steps.length && isOpening(reader.steps[first])) first += 1;
  const body = reader.steps.splice(first);
  const from = body[0]?.span.from ?? reader.tokens[end - 1]?.from ?? 0;
  const to = reader.tokens[end - 1]?.to ?? from;
  reader.steps.push({ kind: 'repeat', body, amount, span: { from, to } });
}

function isOpening(step: Step | undefined): boolean {
  return (
    step !== undefined && ['chain', 'join', 'turn', 'loops', 'colour', 'free-loops', 'ring', 'flat'].includes(step.kind)
  );
}

/** Whether a bracket opens at an index that only remarks on something, or tells a count. */
export function isBeside(reader: Reader, at: number): boolean {
  const close = closeOf(reader, at);
  return close !== null && (countIn(reader, at + 1, close) !== null || isAside(reader, at, close));
}

/** A bracket without stitches or figures is a remark: "(RS)", "(Moss)", "(the ones that are left)". */
function isAside(reader: Reader, open: number, close: number): boolean {
  for (let i = open + 1; i < close; i += 1) {
    const token = reader.tokens[i];
    if (!token) return false;
    i = closeOf(reader, i) ?? i;
    const found = reader.lexicon.at(reader.tokens, i)?.meaning.is;
    if (found === 'other-side' || (found === 'loops' && close - open <= 5)) return false;
    if (found === 'counts' || found === 'counts-not') return true;
    // "(inc rnd)", "(popcorn rnd)" is the name of the round.
    const unit = i + 2 === close ? reader.lexicon.at(reader.tokens, i + 1)?.meaning.is : undefined;
    if (token.kind === 'word' && (unit === 'round-word' || unit === 'row-word')) return true;
    if (found === 'stitch' || found === 'shaping' || found === 'increase' || found === 'decrease' || found === 'skip') {
      // "(see the note on dc)" talks of stitches; an instruction begins with one.
      return (
        i > open + 2 && reader.tokens[open + 1]?.kind === 'word' && reader.lexicon.at(reader.tokens, open + 1) === null
      );
    }
  }
  return true;
}

/** The members of a group in one stitch; null where something else stands among them. */
function worksOf(steps: readonly Step[]): Work[] | null {
  const members: Work[] = [];
  for (const step of steps) {
    if (step.kind === 'work') members.push(step);
    else if (step.kind === 'chain') members.push(chainsInOne(step.count, step.span));
    else if (step.kind !== 'colour' && step.kind !== 'picot') return null;
  }
  return members.length > 0 ? members : null;
}
