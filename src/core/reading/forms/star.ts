import type { Amount } from '../../pattern/instruction.js';
import { amountAfter, passTotal, type ReadAmount } from '../amount.js';
import { countInBracket, countIn } from '../count.js';
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
import { wrapSteps } from './bracket.js';
import { isFabricStep } from './work.js';

/**
 * Repeats that begin at a star.
 *
 * `*sc 3, inc* x 6`   `*sc 3, inc; rep from * 5 more times`   `*sc 3, inc, repeat from * to * around`
 *  ^                   ^                                       ^
 */
export const star: InstructionForm = {
  name: 'star',
  begins: ['star'],
  read(reader, at) {
    if (tokenAt(reader, at)?.kind !== 'star' || reader.inStar || reader.depth > 20) return null;
    const counted = countBetween(reader, at);
    if (counted !== null) return counted;
    const { steps, next } = reader.sequence(at + 1, reader.end, true);
    let i = next;
    let amount: Amount | null = null;
    let fewer = false;
    if (tokenAt(reader, i)?.kind === 'star') {
      i += 1;
      // Between two stars the steps are known, even where nothing says how often.
      const again = repeatFrom(reader, i) ?? directAmount(reader, i);
      if (again) ({ amount, next: i, fewer = false } = again);
      else if (steps.length === 0) return i;
    } else {
      const again = repeatFrom(reader, i);
      if (!again) return alone(reader, at, i, steps.length > 0);
      ({ amount, next: i, fewer = false } = again);
    }
    const span = spanBetween(reader, at, i);
    // "*(sc, inc)* x 6": stars and brackets round the same steps.
    const only = steps.length === 1 ? steps[0] : undefined;
    const body = only?.kind === 'repeat' && only.amount === null ? only.body : steps;
    reader.steps.push({ kind: 'repeat', body, amount, ...(fewer ? { fewer: true as const } : {}), span });
    return i;
  },
};

/** "sc around *18*": a figure between two stars, behind what makes it, is the count. */
function countBetween(reader: Reader, at: number): number | null {
  if (tokenAt(reader, at + 2)?.kind !== 'star' || !reader.steps.some(isFabricStep)) return null;
  const count = amountAfter(reader, at + 3) ? null : countIn(reader, at + 1, at + 2);
  if (!count) return null;
  reader.found.stated = { ...count, span: spanBetween(reader, at, at + 3) };
  return at + 3;
}

/** A star that nothing answers. Its steps are not kept: how often they are worked can't be told. */
function alone(reader: Reader, at: number, next: number, hasSteps: boolean): number {
  if (!hasSteps) return Math.max(next, at + 1);
  reader.found.brackets.push({ span: spanBetween(reader, at, at + 1), what: 'star-alone', mark: '*' });
  reader.steps.push({ kind: 'repeat', body: [], amount: null, span: spanBetween(reader, at, next) });
  return next;
}

interface StarAmount extends ReadAmount {
  /** It may have been meant as one fewer. */
  readonly fewer?: boolean;
}

function directAmount(reader: Reader, at: number): StarAmount | null {
  return amountAfter(reader, isWord(reader, at, ',', ';') ? at + 1 : at);
}

/** "repeat from * to * around", "rep from * 5 more times". */
function repeatFrom(reader: Reader, at: number): StarAmount | null {
  let i = isWord(reader, at, ',', ';', '.', '-', ':') ? at + 1 : at;
  i = pass(reader, i, 'and');
  const repeat = meaningAt(reader, i, 'repeat');
  if (!repeat) return null;
  i = repeat.next;
  let named = false;
  while (
    isWord(reader, i, 'from', 'to', 'between', 'stars', 'instructions') ||
    tokenAt(reader, i)?.kind === 'star' ||
    (isWord(reader, i, '-') && tokenAt(reader, i + 1)?.kind === 'star') ||
    (named && isWord(reader, i, 'and'))
  ) {
    // "to" before an end belongs to the amount: "from * to last 2 sts", "from * to end".
    if (isWord(reader, i, 'to') && tokenAt(reader, i + 1)?.kind !== 'star') break;
    named = named || tokenAt(reader, i)?.kind === 'star';
    i += 1;
  }
  if (isWord(reader, i, ',')) i += 1;
  // "repeat from * to ** 6 times": the second pair of stars is gone by now.
  if (isWord(reader, i, 'to') && tokenAt(reader, i + 1)?.kind === 'number' && meaningAt(reader, i + 2, 'times')) i += 1;
  const amount = amountAfter(reader, i);
  if (amount) {
    if (amount.amount.kind !== 'times' || !named) return amount;
    // "repeat from * 5 times" is said after it has been worked once; "5 more times" has been counted so already.
    return saysHowManyInAll(reader, i, amount.next)
      ? amount
      : { ...amount, fewer: true, amount: { kind: 'times', times: amount.amount.times + 1 } };
  }
  const number = tokenAt(reader, i);
  if (number?.kind === 'number') {
    return { amount: { kind: 'times', times: number.value + 1 }, next: pass(reader, i + 1, 'more', 'times') };
  }
  return named ? { amount: { kind: 'fill', leave: 0 }, next: i } : null;
}

/** "5 more times", "6 times in all": the figure has been taken with the first time in it. */
function saysHowManyInAll(reader: Reader, from: number, to: number): boolean {
  for (let i = from; i < to; i += 1) if (meaningAt(reader, i, 'more') || passTotal(reader, i) > i) return true;
  return false;
}

/**
 * A repeat without brackets takes in all the steps before it.
 *
 * `sc 3, inc, repeat around`   `sc in next 3 sts, inc in next st, repeat to end`
 *             ^                                                   ^
 */
export const repeatBefore: InstructionForm = {
  name: 'repeat-before',
  begins: ['repeat'],
  read(reader, at) {
    if (!meaningAt(reader, at, 'repeat')) return null;
    if (!reader.steps.some((step) => step.kind === 'work' || step.kind === 'group')) return null;
    const read = amountAfter(reader, at) ?? theseAgain(reader, at) ?? bareRepeat(reader, at);
    if (!read) return null;
    wrapSteps(reader, read.amount, read.next);
    return read.next;
  },
};

/**
 * The verb in front of what is repeated.
 *
 * `repeat (sc 3, inc) 6 times`   `rep [sc 1, inc] around`   `repeat 6 times: sc 3, inc (30)`
 *  ^                              ^                          ^
 */
export const repeatVerb: InstructionForm = {
  name: 'repeat-verb',
  begins: ['repeat'],
  read(reader, at) {
    const verb = meaningAt(reader, at, 'repeat');
    if (!verb) return null;
    const close = closeOf(reader, verb.next);
    if (close !== null && amountAfter(reader, close + 1)) return verb.next;
    return amountFirst(reader, at);
  },
};

const WHAT_AGAIN =
  'this these that those above sequence it all steps from bracket brackets beginning start pattern'.split(' ');

/** "Repeat 6 times: sc 3, inc (30)": all that follows, up to the count. */
function amountFirst(reader: Reader, at: number): number | null {
  const read = amountAfter(reader, at) ?? colonAt(reader, at + 1);
  if (!read || (read.amount.kind !== 'times' && read.amount.kind !== 'fill') || !isWord(reader, read.next, ':'))
    return null;
  // "repeat to the end: 18"
  if (tokenAt(reader, read.next + 1)?.kind === 'number' && isBoundary(reader, read.next + 2)) return null;
  let to = read.next + 1;
  while (to < reader.end && !endsRepeated(reader, to)) to = (closeOf(reader, to) ?? to) + 1;
  const { steps } = reader.sequence(read.next + 1, Math.min(to, reader.end), false);
  if (steps.length === 0) return null;
  reader.steps.push({ kind: 'repeat', body: steps, amount: read.amount, span: spanBetween(reader, at, to) });
  return to;
}

/** "repeat: sc 3, inc (30)": to the end of the round. */
function colonAt(reader: Reader, at: number): ReadAmount | null {
  return isWord(reader, at, ':') ? { amount: { kind: 'fill', leave: 0 }, next: at } : null;
}

/** The count, or the end of the sentence. */
function endsRepeated(reader: Reader, at: number): boolean {
  const token = tokenAt(reader, at);
  if (token?.kind === 'open') return countInBracket(reader, at) !== null;
  return isWord(reader, at, '=', ';') || (token?.word === '.' && isBoundary(reader, at + 1));
}

/**
 * The verb for two steps by turns.
 *
 * `alternate 3 sc and 1 inc 5 times`   `alternate sc and inc around`
 *  ^                                    ^
 */
export const alternate: InstructionForm = {
  name: 'alternate',
  begins: ['unknown'],
  read(reader, at) {
    if (!isWord(reader, at, 'alternate', 'alternating', 'alternately')) return null;
    for (let to = at + 3; to < Math.min(reader.end, at + 16); to += 1) {
      const number = tokenAt(reader, to)?.kind === 'number' && meaningAt(reader, to + 1, 'times');
      if (!number && !meaningAt(reader, to, 'around')) continue;
      const amount = amountAfter(reader, to);
      const { steps } = reader.sequence(at + 1, isWord(reader, to - 1, ',') ? to - 1 : to, false);
      if (!amount || steps.length < 2) return null;
      reader.steps.push({
        kind: 'repeat',
        body: steps,
        amount: amount.amount,
        span: spanBetween(reader, at, amount.next),
      });
      return amount.next;
    }
    return alternating(reader, at);
  },
};

/** "alternate 1 sc and 1 inc (18)": without an amount to the end of the round. */
function alternating(reader: Reader, at: number): number | null {
  let to = at + 1;
  while (to < reader.end && !endsRepeated(reader, to)) to += 1;
  const { steps } = reader.sequence(at + 1, to, false);
  if (reader.steps.length > 0 || steps.length < 2) return null;
  reader.steps.push({
    kind: 'repeat',
    body: steps,
    amount: { kind: 'fill', leave: 0 },
    span: spanBetween(reader, at, to),
  });
  return to;
}

/**
 * An amount behind a comma takes in all the steps before it.
 *
 * `sc 2, inc, 6 times (24)`   `sc2tog, sc 4, around (25)`   `sc 2, inc — x6 (24)`   `sc 2, inc 1 x 6 (24)`
 *             ^                               ^                              ^                         ^
 */
export const timesBehind: InstructionForm = {
  name: 'times-behind',
  begins: ['number', 'times', 'star', 'around'],
  read(reader, at) {
    const behind =
      standsOff(reader, at) || behindSingle(reader, at) || behindRank(reader, at) || behindRound(reader, at);
    if (reader.depth > 0 || !behind) return null;
    if (!reader.steps.some((step) => step.kind === 'work' || step.kind === 'group')) return null;
    const read = soManyOfEach(reader, at) ?? amountAfter(reader, at);
    const fills = read?.amount.kind === 'fill' && read.amount.leave === 0 && reader.steps.length > 1;
    if (!read || !(fills || read.amount.kind === 'times')) return null;
    const after = tokenAt(reader, read.next);
    const ends = after === null || after.kind === 'open' || /^[.;=\-]$/.test(after.word);
    if (!ends && !saysCount(reader, read.next)) return null;
    wrapSteps(reader, read.amount, read.next);
    return read.next;
  },
};

/** "2 sc and a dec, six of each": as often as there are of each. */
function soManyOfEach(reader: Reader, at: number): ReadAmount | null {
  const [figure, each] = [tokenAt(reader, at), tokenAt(reader, at + 1)];
  if (figure?.kind !== 'number' || !each || reader.steps.length < 2 || !meaningAt(reader, at + 1, 'each')) return null;
  const between = reader.text.slice(figure.to, each.from);
  return /^\s+of\s+$/i.test(between) ? { amount: { kind: 'times', times: figure.value }, next: at + 2 } : null;
}

/** ": 18", "→ 18", ", 18 sts" at the end. */
function saysCount(reader: Reader, at: number): boolean {
  const mark = tokenAt(reader, at);
  const figure = tokenAt(reader, at + 1);
  if (mark?.kind !== 'mark' || figure?.kind !== 'number') return false;
  const word = meaningAt(reader, at + 2, 'stitch-word');
  return word ? isBoundary(reader, word.next) : mark.word !== ',' && tokenAt(reader, at + 2) === null;
}

/** Behind a comma, or a dash that is no sign of a count. */
function standsOff(reader: Reader, at: number): boolean {
  return (
    reader.tokens[at - 1]?.word === ',' ||
    (reader.tokens[at - 1]?.word === '-' && tokenAt(reader, at)?.kind !== 'number')
  );
}

/** "sc 2, inc 1 x 6": who says one of a shaping says how often all of it is done. */
function behindSingle(reader: Reader, at: number): boolean {
  const last = reader.steps.at(-1);
  const one = reader.tokens[at - 1];
  return (
    meaningAt(reader, at, 'times') !== null &&
    one?.kind === 'number' &&
    one.value === 1 &&
    last?.kind === 'work' &&
    last.per !== last.over &&
    last.span.to === one.to
  );
}

/** "sc all round six times": as many rounds. */
function behindRound(reader: Reader, at: number): boolean {
  const only = reader.steps.length === 1 ? reader.steps[0] : undefined;
  const before = reader.tokens[at - 1];
  return only?.kind === 'work' && only.amount.kind === 'fill' && only.per === only.over && only.span.to === before?.to;
}

/** "sc 2, inc in 3rd st around": a stitch that is counted out stands for all before it. */
function behindRank(reader: Reader, at: number): boolean {
  const rank = reader.tokens[at - 2];
  return (
    meaningAt(reader, at, 'around') !== null &&
    meaningAt(reader, at - 1, 'stitch-word') !== null &&
    rank?.kind === 'ordinal' &&
    rank.value > 1
  );
}

/** "Repeat this around", "repeat these steps 6 times". */
function theseAgain(reader: Reader, at: number): ReadAmount | null {
  const first = pass(reader, at, 'repeat');
  let i = first;
  while (isWord(reader, i, ...WHAT_AGAIN) && !meaningAt(reader, i, 'around')) i += 1;
  if (i === first) return null;
  // "these 2 stitches"
  const named = tokenAt(reader, i)?.kind === 'number' ? meaningAt(reader, i + 1, 'stitch-word') : null;
  return amountAfter(reader, named?.next ?? pass(reader, i, 'stitch-word'));
}

/** "sc 1, inc 1, repeat (18)": without a number it goes on to the end of the round. */
function bareRepeat(reader: Reader, at: number): ReadAmount | null {
  const next = pass(reader, at, 'repeat');
  const token = tokenAt(reader, next);
  const ends = token === null || token.kind === 'open' || /^[.;=\-]$/.test(token.word);
  return ends ? { amount: { kind: 'fill', leave: 0 }, next } : null;
}
