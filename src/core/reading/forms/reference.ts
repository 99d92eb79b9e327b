import { EDGE, FILL, PLAIN, work as worked } from '../gist/shapes.js';
import type { FreeLoops } from '../../pattern/instruction.js';
import { amountAfter } from '../amount.js';
import { countInBracket } from '../count.js';
import { pieceNamed } from '../placement.js';
import { plainWords } from './plain.js';
import { isFabricStep } from './work.js';
import {
  isBoundary,
  isWord,
  meaningAt,
  pass,
  spanBetween,
  tokenAt,
  type InstructionForm,
  type Reader,
} from '../reader.js';

/**
 * Earlier rounds worked again.
 *
 * `rep Rows 2 and 3 four times`   `repeat R11-12 twice`   `as Rnd 8`   `Rep Rnd 5 for 4 more rounds`
 *  ^                               ^                       ^            ^
 */
export const reference: InstructionForm = {
  name: 'reference',
  begins: ['repeat', 'same', 'work', 'in', 'unknown'],
  read(reader, at) {
    const repeat = meaningAt(reader, at, 'repeat');
    let i = repeat?.next ?? at;
    if (isWord(reader, i, 'crochet', 'make')) i += 1;
    while (isWord(reader, i, 'work', 'same', 'as', 'like', 'in', 'for', 'way', 'exactly')) i += 1;
    if (!repeat && i === at) return null;
    const alike = reader.tokens.slice(at, i).some(({ word }) => ALIKE.has(word));
    const before = alike ? pieceBefore(reader, i) : null;
    const back = before ? null : lastRounds(reader, i);
    const numbers = back ?? roundNumbers(reader, before?.next ?? i);
    if (!numbers) return alike ? asPiece(reader, at, i) : null;
    i = numbers.next;
    const behind = (before ?? back) ? null : (pieceNamed(reader, i) ?? pieceOf(reader, i));
    if (behind) i = behind.next;
    const piece = before ?? behind;
    const again = forRounds(reader, i) ?? timesAgain(reader, i);
    if (again) i = again.next;
    const times = again?.times ?? null;
    const part = piece ? { part: piece.name } : back ? { last: back.last } : {};
    reader.found.reference = { rounds: numbers.rounds, times, ...part, span: spanBetween(reader, at, i) };
    return i;
  },
};

interface Again {
  readonly times: number;
  readonly next: number;
}

/** "… for 4 more rounds" */
function forRounds(reader: Reader, at: number): Again | null {
  const number = isWord(reader, at, 'for') ? tokenAt(reader, at + 1) : null;
  if (number?.kind !== 'number') return null;
  const unit = meaningAt(reader, pass(reader, at + 2, 'more'), 'round-word', 'row-word', 'times');
  return unit && { times: number.value, next: unit.next };
}

/** "… four times", "… 3 more rounds", "… twice more": rounds that are worked again are all of them more. */
function timesAgain(reader: Reader, at: number): Again | null {
  const word = meaningAt(reader, at, 'times');
  if (word && word.meaning.times !== null) return { times: word.meaning.times, next: pass(reader, word.next, 'more') };
  const number = tokenAt(reader, at);
  const unit =
    number?.kind === 'number'
      ? meaningAt(reader, pass(reader, at + 1, 'more'), 'times', 'round-word', 'row-word')
      : null;
  if (number && unit) return { times: number.value, next: pass(reader, unit.next, 'more') };
  const read = amountAfter(reader, at);
  return read?.amount.kind === 'times' ? { times: read.amount.times, next: pass(reader, read.next, 'more') } : null;
}

const ALIKE: ReadonlySet<string> = new Set(['as', 'same', 'like']);

/** "the last two rows", "previous round" */
function lastRounds(reader: Reader, at: number): { rounds: number[]; last: number; next: number } | null {
  if (!isWord(reader, at, 'last', 'previous', 'prev', 'preceding')) return null;
  const number = tokenAt(reader, at + 1)?.kind === 'number' ? tokenAt(reader, at + 1) : null;
  const unit = meaningAt(reader, number ? at + 2 : at + 1, 'round-word', 'row-word');
  const behind = unit && tokenAt(reader, unit.next)?.kind === 'number' ? pass(reader, unit.next + 1, 'more') : null;
  // "last round 4" has a number.
  if (!unit || (behind !== null && !meaningAt(reader, behind, 'times', 'round-word', 'row-word'))) return null;
  return { rounds: [], last: number?.value ?? 1, next: unit.next };
}

const UP_TO = ['to', 'up', 'until', 'through'];

/** "as Bonnet row 1": the name in front of the numbers. */
function pieceBefore(reader: Reader, at: number): { name: string; next: number } | null {
  if (!isWord(reader, at - 1, 'as', 'for', 'like')) return null;
  let end = at;
  while (end < at + 3 && tokenAt(reader, end)?.kind === 'word' && !reader.lexeme(end) && !isWord(reader, end, ...UP_TO))
    end += 1;
  const first = tokenAt(reader, at);
  const last = reader.tokens[end - 1];
  if (end === at || !first || !last || !roundNumbers(reader, end)) return null;
  return { name: reader.text.slice(first.from, last.to).toLowerCase(), next: end };
}

/** "Rnds 1-5 of the back": the words behind an "of", up to the end of the clause. */
function pieceOf(reader: Reader, behind: number): { name: string; next: number } | null {
  // "3rd rd. of Body"
  const at = isWord(reader, behind, '.') ? behind + 1 : behind;
  const first = tokenAt(reader, at);
  const before = reader.tokens[at - 1];
  if (first?.kind !== 'word' || !before || !/^\s+(?:of|from)\s/.test(reader.text.slice(before.to, first.from + 1)))
    return null;
  let end = at + 1;
  while (end < at + 4 && tokenAt(reader, end)?.kind === 'word' && !reader.lexeme(end)) end += 1;
  const last = reader.tokens[end - 1];
  return last ? { name: reader.text.slice(first.from, last.to).toLowerCase(), next: end } : null;
}

/**
 * The rounds of another piece worked again.
 *
 * `as for First leg`   `same as the front leg to Rnd 9`   `work as for Leg 1`
 *  ^                    ^                                  ^
 */
function asPiece(reader: Reader, at: number, from: number): number | null {
  if (!isWord(reader, from - 1, 'as', 'for', 'like') || reader.steps.some(isFabricStep)) return null;
  // "as they are" names no piece.
  if (isWord(reader, from, 'they', 'it', 'these', 'those')) return null;
  let end = from;
  for (; end < from + 4; end += 1) {
    const token = tokenAt(reader, end);
    if (
      !token ||
      token.kind === 'mark' ||
      token.kind === 'open' ||
      isWord(reader, end, 'to', 'up', 'until', 'through', 'but')
    )
      break;
    if (meaningAt(reader, end, 'stitch', 'shaping', 'increase', 'decrease', 'round-word', 'row-word')) return null;
  }
  const first = tokenAt(reader, from);
  const last = tokenAt(reader, end - 1);
  if (!first || !last || end === from || first.kind === 'number') return null;
  const upTo = isWord(reader, end, 'to', 'up', 'until', 'through')
    ? roundNumbers(reader, isWord(reader, end + 1, 'to', 'end') ? end + 2 : end + 1)
    : null;
  const next = upTo?.next ?? end;
  const named = reader.found.reference;
  reader.found.reference = {
    // "Rnds 1-4 as for left leg"
    rounds: named && named.part === undefined ? named.rounds : [],
    times: null,
    part: reader.text.slice(first.from, last.to).toLowerCase(),
    ...(upTo?.rounds[0] ? { upTo: upTo.rounds[0] } : {}),
    span: spanBetween(reader, at, next),
  };
  return next;
}

/** "Rnd 5", "R11-12", "Rows 2 and 3", "Rnds 4, 5 and 6". */
export function roundNumbers(reader: Reader, at: number): { rounds: number[]; next: number } | null {
  return ordinalRounds(reader, at) ?? cardinalRounds(reader, at);
}

/** "4th round", "2nd and 3rd rows", "2nd to 5th rounds", "the first 4 rounds". */
function ordinalRounds(reader: Reader, at: number): { rounds: number[]; next: number } | null {
  const first = tokenAt(reader, at);
  if (first?.kind !== 'ordinal') return null;
  const many = first.value === 1 ? tokenAt(reader, at + 1) : null;
  const all = many?.kind === 'number' ? meaningAt(reader, at + 2, 'round-word', 'row-word') : null;
  if (many && all)
    return { rounds: Array.from({ length: Math.min(many.value, 400) }, (_, i) => i + 1), next: all.next };
  const joint = isWord(reader, at + 1, 'and', '&', 'to', '-') ? tokenAt(reader, at + 1) : null;
  const second = joint ? tokenAt(reader, at + 2) : null;
  const last = second?.kind === 'ordinal' ? second : null;
  const named = last ? at + 3 : at + 1;
  // "As 9th.", "As 3rd (4 dc)."
  const ends = isBoundary(reader, named) || countInBracket(reader, named) !== null;
  const alone = isWord(reader, at - 1, 'as') && ends ? { next: named } : null;
  const unit = meaningAt(reader, named, 'round-word', 'row-word') ?? alone;
  if (!unit) return null;
  const rounds = [first.value];
  if (last) {
    const range = joint?.word === 'to' || joint?.word === '-';
    if (range) for (let n = first.value + 1; n < last.value && n - first.value < 500; n += 1) rounds.push(n);
    rounds.push(last.value);
  }
  return { rounds, next: unit.next };
}

function cardinalRounds(reader: Reader, at: number): { rounds: number[]; next: number } | null {
  const inBracket = isWord(reader, at - 1, 'as', 'like') && tokenAt(reader, at)?.kind === 'open';
  const named = inBracket ? tokenAt(reader, at + 1) : null;
  // "as (6)", where labels stand in brackets.
  if (named?.kind === 'number' && tokenAt(reader, at + 2)?.kind === 'close')
    return { rounds: [named.value], next: at + 3 };
  const word = meaningAt(reader, at, 'round-word', 'row-word');
  let i = word?.next ?? (isWord(reader, at, 'r') ? at + 1 : -1);
  if (i < 0) return null;
  if (isWord(reader, i, '.')) i += 1;
  const first = tokenAt(reader, i);
  if (first?.kind !== 'number') return null;
  const rounds = [first.value];
  i += 1;
  for (let ahead = 0; ahead < 20; ahead += 1) {
    const joined = rangeWithin(reader, i);
    const range = joined || isWord(reader, i, '-', 'to', 'through', 'thru');
    const list = isWord(reader, i, ',', 'and', '&');
    if (!range && !list) break;
    let j = joined ? i : i + 1;
    if (list && isWord(reader, j, 'and', '&')) j += 1;
    const again = meaningAt(reader, j, 'round-word', 'row-word');
    if (again) j = again.next;
    else if (isWord(reader, j, 'r') && tokenAt(reader, j + 1)?.glued) j += 1;
    const number = tokenAt(reader, j);
    if (number?.kind !== 'number' || meaningAt(reader, j + 1, 'stitch', 'stitch-word', 'shaping')) break;
    if (list && meaningAt(reader, j + 1, 'times')) break;
    const last = rounds[rounds.length - 1] ?? number.value;
    if (range) for (let n = last + 1; n <= number.value && n - last < 500; n += 1) rounds.push(n);
    else rounds.push(number.value);
    i = j + 1;
  }
  return { rounds, next: i };
}

/** "R6-R9": between a figure and a letter the dash is no word of its own. */
function rangeWithin(reader: Reader, at: number): boolean {
  const before = reader.tokens[at - 1];
  const letter = tokenAt(reader, at);
  return (
    before !== undefined &&
    isWord(reader, at, 'r', 'rnd', 'row') &&
    /^\s*[-–—]\s*$/.test(reader.text.slice(before.to, letter?.from ?? 0))
  );
}

/**
 * How many rounds an instruction is for.
 *
 * `sc around for 3 Rnds`   `sc 36 for 5 rounds`   `24sc each rnd`   `sc in each st, 3 rounds`
 *            ^                    ^                     ^                               ^
 */
export const roundSpan: InstructionForm = {
  name: 'round-span',
  begins: ['each', 'in', 'work', 'number', 'times', 'star', 'unknown'],
  read(reader, at) {
    const alone = tokenAt(reader, at);
    if (alone?.kind === 'number') return roundsAlone(reader, at, alone.value);
    const times = tokenAt(reader, at + 1);
    // "12 sc (12) x3": behind its count a sign says how many rounds.
    if (
      reader.found.stated &&
      meaningAt(reader, at, 'times') &&
      times?.kind === 'number' &&
      isBoundary(reader, at + 2)
    ) {
      reader.found.statedRounds = { count: times.value, span: spanBetween(reader, at + 1, at + 2) };
      return at + 2;
    }
    const told = roundsTold(reader, at);
    if (told !== null) return told;
    const verb = pass(reader, at, 'work');
    const evenRounds = verb > at && tokenAt(reader, verb)?.kind === 'number' ? tokenAt(reader, verb) : null;
    if (evenRounds) return roundsAlone(reader, verb, evenRounds.value);
    if (isWord(reader, verb, 'for')) {
      const from = pass(reader, verb + 1, 'next');
      const number = tokenAt(reader, from);
      if (number?.kind !== 'number') return null;
      const unit = meaningAt(reader, pass(reader, from + 1, 'more'), 'round-word', 'row-word');
      if (!unit) return null;
      reader.found.statedRounds = { count: number.value, span: spanBetween(reader, from, from + 1) };
      return unit.next;
    }
    const each = meaningAt(reader, isWord(reader, at, 'in', 'on') ? at + 1 : at, 'each');
    if (!each) return null;
    return meaningAt(reader, each.next, 'round-word', 'row-word')?.next ?? null;
  },
};

/** "…, these are five rounds", "that's 3 rows": told behind the instruction of a range. */
function roundsTold(reader: Reader, at: number): number | null {
  if (!reader.steps.some(isFabricStep) || !isWord(reader, at, 'these', 'that', 'this', 'they', 'so')) return null;
  const from = isWord(reader, at + 1, 'are', 'is', 'makes', 'make') ? at + 2 : at + 1;
  const number = tokenAt(reader, from);
  const unit = number?.kind === 'number' ? meaningAt(reader, from + 1, 'round-word', 'row-word') : null;
  if (!number || !unit || !isBoundary(reader, unit.next)) return null;
  reader.found.statedRounds = { count: number.value, span: spanBetween(reader, from, from + 1) };
  return unit.next;
}

/** "…, 3 rounds" behind the instruction; "2 rounds plain", "four rounds without increases" in place of one. */
function roundsAlone(reader: Reader, at: number, count: number): number | null {
  // "8 plain rounds"
  const before = isWord(reader, at + 1, 'plain', 'even', 'straight') ? at + 2 : null;
  const unit = meaningAt(reader, before ?? pass(reader, at + 1, 'more'), 'round-word', 'row-word');
  if (!unit) return null;
  let next = unit.next;
  if (!reader.steps.some(isFabricStep)) {
    const plain = before ? next : plainWords(reader, next);
    if (plain === null) return null;
    next = plain;
    const span = spanBetween(reader, at, next);
    reader.steps.push(worked(PLAIN, FILL, EDGE, span));
  } else if (!isBoundary(reader, next) && tokenAt(reader, next)?.kind !== 'open') return null;
  reader.found.statedRounds = { count, span: spanBetween(reader, at, at + 1) };
  return next;
}

/**
 * Loops that an earlier round has left free and that are worked now.
 *
 * `Working in the front loops of Rnd 8: sc around`   `join in a back loop of rnd 1, 2dc in each`
 *  ^                                                  ^
 */
export const freeLoops: InstructionForm = {
  name: 'free-loops',
  begins: ['work', 'join', 'in', 'with', 'both-layers', 'and', 'unknown'],
  read(reader, at) {
    const clause = freeLoopsAt(reader, at);
    if (!clause) return null;
    reader.steps.push(clause.step);
    return isWord(reader, clause.next, ':', ',') ? clause.next + 1 : clause.next;
  },
};

/** The clause about free loops that begins at an index, or null. */
export function freeLoopsAt(reader: Reader, at: number): { step: FreeLoops; next: number } | null {
  if (!startsClause(reader, at)) return null;
  let loops: 'front' | 'back' | null = null;
  let said = false;
  for (let i = at; i < reader.end && i < at + 18; i += 1) {
    // "working behind Rnd 10 into the back loops of Rnd 9"
    if (!said && isWord(reader, i, 'behind')) i = roundNumbers(reader, i + 1)?.next ?? i;
    const token = tokenAt(reader, i);
    if (!token || (token.kind === 'mark' && /^[;:!?]$/.test(token.word)) || token.kind === 'number') return null;
    const loop = meaningAt(reader, i, 'loops', 'loop-word');
    if (loop) {
      said = true;
      if (loop.meaning.is === 'loops' && loop.meaning.loops !== 'both') loops = loop.meaning.loops;
      else if (isWord(reader, i + 1, 'front')) loops = 'front';
    }
    const rounds = said ? roundNumbers(reader, i) : null;
    if (rounds) {
      const piece = pieceOf(reader, rounds.next);
      const next = piece ? andOther(reader, piece.next) : rounds.next;
      const part = piece ? { part: piece.name } : {};
      const span = spanBetween(reader, at, next);
      return { step: { kind: 'free-loops', loops, round: rounds.rounds[0] ?? null, ...part, span }, next };
    }
    const meant = meaningAt(reader, i, 'stitch', 'shaping', 'increase', 'decrease');
    if (meant && !(meant.meaning.is === 'stitch' && meant.meaning.stitch === 'slip')) return null;
  }
  return null;
}

/** "… and the sts of the base": the other of two pieces held together. */
function andOther(reader: Reader, at: number): number {
  const sts = meaningAt(reader, at, 'and') ? meaningAt(reader, at + 1, 'stitch-word', 'loop-word') : null;
  return (sts && pieceOf(reader, sts.next)?.next) ?? at;
}

/** Only the words that can begin such a clause, so that the look ahead stays rare. */
function startsClause(reader: Reader, at: number): boolean {
  return (
    isWord(
      reader,
      at,
      'working',
      'work',
      'worked',
      'join',
      'rejoin',
      'in',
      'into',
      'pick',
      'attach',
      'insert',
      'reattach',
      'using',
      'through',
      'now',
    ) && reader.steps.every((step) => step.kind === 'colour' || step.kind === 'chain' || step.kind === 'join')
  );
}
