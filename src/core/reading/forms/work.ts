import { once, type Amount, type Group, type Step, type Work } from '../../pattern/instruction.js';
import { COLOUR_WORDS } from '../../vocabulary/words.js';
import { isTimesSign, amountAfter, figureBehind } from '../amount.js';
import { isPlainAround, spreadAt } from '../spread.js';
import { inEveryNth } from '../every.js';
import { amountAfterTool, amountBefore, readTool, type Tool } from '../tool.js';
import { chainWord, EDGE, placementAfter, type Placement } from '../placement.js';
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
 * Stitches, increases and decreases with their amount and place.
 *
 * `sc 5`   `5 x sc in BLO`   `2 sc in each of next 3 sts`   `inc x3`   `sc2tog twice`   `sc around`
 *  ^        ^                 ^                              ^          ^                ^
 */
export const work: InstructionForm = {
  name: 'work',
  begins: [
    'number',
    'stitch',
    'shaping',
    'together',
    'increase',
    'decrease',
    'invisible',
    'work',
    'in',
    'each',
    'around',
    'next',
    'last',
    'post',
  ],
  read(reader, at) {
    const spread = spreadAt(reader, at);
    if (spread) {
      // "sc around, increasing 6 times evenly": the increases are among the stitches around.
      if (isPlainAround(reader.steps.at(-1))) reader.steps.pop();
      reader.steps.push(...spread.steps);
      return spread.next;
    }
    const read = readWork(reader, at) ?? again(reader, at) ?? inStitch(reader, at);
    if (!read) return null;
    const both = bothInOne(reader, at, read);
    if (both) {
      reader.steps.push(both.step);
      return both.next;
    }
    const nth = inEveryNth(reader, at, read.work, read.next);
    if (nth) {
      reader.steps.push(nth.step);
      return nth.next;
    }
    if (read.loops && read.loops !== 'both') {
      reader.steps.push({ kind: 'loops', loops: read.loops, span: read.work.span });
    }
    const figure = read.work.place.kind === 'both-layers' ? figureBehind(reader, read.next) : null;
    const told = figure && (figure.stitch ?? read.work.stitch) === read.work.stitch ? figure : null;
    reader.steps.push(told ? { ...read.work, amount: told.amount } : read.work);
    return told?.next ?? read.next;
  },
};

/** "1 hdc and 1 dc (both) in the next stitch": two unlike stitches in one. */
function bothInOne(reader: Reader, at: number, { work: first, next }: ReadWork): { step: Group; next: number } | null {
  const and = meaningAt(reader, next, 'and') ? next + 1 : null;
  if (and === null || !isPlainOnce(first) || isWord(reader, next, '+')) return null;
  const second = readWork(reader, and);
  if (!second || second.work.per !== 1 || second.work.over !== 1 || second.work.stitch === first.stitch) return null;
  const { place, amount } = second.work;
  const single = place.kind === 'edge' && amount.kind === 'times' && amount.times === 1;
  if (!single || !namesNext(reader, and, second.next)) return null;
  const span = spanBetween(reader, at, second.next);
  return { step: { kind: 'group', members: [first, second.work], amount: once, place: EDGE, span }, next: second.next };
}

function isPlainOnce({ per, over, place, amount, bare }: Work): boolean {
  return per === 1 && over === 1 && place.kind === 'edge' && !bare && amount.kind === 'times' && amount.times === 1;
}

/** Whether the words between say "in the next stitch", "in one stitch". */
function namesNext(reader: Reader, from: number, to: number): boolean {
  for (let i = from; i < to; i += 1)
    if (meaningAt(reader, i, 'in') && (meaningAt(reader, i + 1, 'next') || tokenAt(reader, i + 1)?.value === 1))
      return true;
  return false;
}

/**
 * The stitch before goes on in other places.
 *
 * `sc in 2nd ch from hook and in each ch across`
 *                             ^
 */
function again(reader: Reader, at: number): ReadWork | null {
  const last = reader.steps.at(-1);
  // "… in next st and each st around": behind an "and" the "in" need not stand again.
  const goesOn = meaningAt(reader, at, 'in') ?? ['and', '&', '+'].includes(reader.tokens[at - 1]?.word ?? '');
  if (last?.kind !== 'work' || !goesOn) return null;
  const placement = placementAfter(reader, at);
  if (!placement || placement.place.kind !== 'edge' || placement.together) return null;
  const work: Work = {
    ...last,
    // "3 hdc in 3rd ch from hook and in each ch across", "2 hdc in same st and in each st": as many in each.
    per: last.over > 1 || last.place.kind === 'same' || last.place.kind === 'chain-from-hook' ? last.per : 1,
    amount: placement.amount,
    place: placement.place,
    span: spanBetween(reader, at, placement.next),
  };
  return { work, loops: placement.loops, next: placement.next };
}

/** "Continue in sc", "work in hdc": a stitch that all of the round is of. */
function inStitch(reader: Reader, at: number): ReadWork | null {
  const verb = pass(reader, pass(reader, at, 'work'), 'evenly');
  const into = meaningAt(reader, verb, 'in');
  const stitch = into && meaningAt(reader, into.next, 'stitch');
  if (!stitch || stitch.meaning.stitch === 'chain' || reader.steps.some(isFabricStep)) return null;
  const next = stitch.next;
  if (!isBoundary(reader, next) && !isWord(reader, next, 'for') && tokenAt(reader, next)?.kind !== 'open') return null;
  const work: Work = {
    kind: 'work',
    stitch: stitch.meaning.stitch,
    per: 1,
    over: 1,
    amount: { kind: 'fill', leave: 0 },
    place: EDGE,
    span: spanBetween(reader, at, next),
  };
  return { work, loops: null, next };
}

/** Whether a step makes stitches. */
export function isFabricStep(step: Step): boolean {
  return step.kind === 'work' || step.kind === 'group' || step.kind === 'repeat';
}

interface ReadWork {
  readonly work: Work;
  readonly loops: 'both' | 'front' | 'back' | null;
  readonly next: number;
}

/** Reads one step of work; null where none stands. Chains are read by a form of their own. */
export function readWork(reader: Reader, at: number): ReadWork | null {
  // "work 6 sc", "make 2 dc": the verb adds nothing where an amount or a stitch follows.
  const amount = amountBefore(reader, pass(reader, at, 'work'));
  const before = { ...amount, next: passColour(reader, amount) };
  const tool = readTool(reader, before.next, before.amount);
  if (!tool || saysCount(reader, at, before, tool)) return null;
  // "sl st to first sc" closes the round; that is for another form.
  if (tool.stitch === 'slip' && isWord(reader, tool.next, 'to') && !toEnd(reader, tool.next)) return null;
  const after = amountAfterTool(reader, tool.next, tool.takesAmount ? null : before.amount);
  // "sc 8 along the other side": the work is on the other side already.
  const amounts = after.amount !== null || before.amount !== null;
  const side = amounts || meaningAt(reader, after.next, 'other-side') ? otherSideAfter(reader, after.next) : null;
  if (side !== null) reader.steps.push({ kind: 'other-side', span: spanBetween(reader, after.next, side) });
  const said = { before: tool.takesAmount ? null : before.amount, after: after.amount };
  const along = side === null ? alongChain(reader, after.next, said.before ?? said.after ?? 1) : null;
  const placement = (side ?? along) === null ? placementAfter(reader, after.next) : null;
  let i = side ?? along ?? placement?.next ?? after.next;

  // "5 times sc all round", "3x sc all round": so many rounds, each of them once around.
  const rounds =
    amount.amount !== null && placement?.amount.kind === 'fill' && saysRounds(reader, at, amount, placement);
  let { each, total, shared } = sharing(tool, rounds ? { before: null, after: null } : said, placement);
  // "inc, repeat around" repeats more than the increase; that is for another form.
  // "sc through both sides, 15 times"
  const often =
    placement?.place.kind === 'both-layers' ? amountAfter(reader, isWord(reader, i, ',') ? i + 1 : i) : null;
  if (often?.amount.kind === 'times') {
    total = often.amount;
    i = often.next;
  }
  const own = !isWord(reader, i, ',', ';') && !meaningAt(reader, i, 'repeat');
  const more = own && (said.after === null || placement || isTimesSign(reader, i)) ? amountAfter(reader, i) : null;
  if (more?.amount.kind === 'times' && total.kind === 'times' && saysTimes(reader, i)) {
    total = { kind: 'times', times: total.times * more.amount.times };
    i = more.next;
  } else if (more && more.amount.kind !== 'times' && !placement) {
    ({ each, total, shared } = { each: tool.per, total: more.amount, shared: false });
    i = more.next;
  }
  const named = placement?.amount.kind === 'times' ? placement.amount.times : null;
  // "dec over next 3 sts": three become one.
  const wide =
    tool.over === 2 && named !== null && named > 2 && named % 2 === 1 && isWord(reader, after.next, 'over')
      ? named
      : null;
  const work: Work = {
    kind: 'work',
    stitch: tool.stitch,
    per: each,
    over: wide ?? (placement?.together && !tool.shaping ? named : null) ?? tool.over,
    amount: wide === null ? total : once,
    place: placement?.place ?? EDGE,
    ...(shared ? { shared: true as const } : {}),
    ...(tool.shaping && reader.depth === 0 && !placement?.each && isManifold(total)
      ? { unbracketed: true as const }
      : {}),
    ...(said.before === null && said.after === null && !placement && !more && !tool.shaping
      ? { bare: true as const }
      : {}),
    ...(placement?.source ? { source: placement.source } : {}),
    ...(placement?.first ? { first: true as const } : {}),
    span: spanBetween(reader, at, i),
  };
  return { work, loops: placement?.loops ?? null, next: i };
}

/** Whether an amount before a stitch that goes all round counts the rounds: with the word, or with a sign and too few for stitches. */
function saysRounds(
  reader: Reader,
  at: number,
  { amount, next }: { amount: number | null; next: number },
  { each }: Placement,
): boolean {
  if (next < at + 2) return false;
  return isWord(reader, next - 1, 'times') || (!each && (amount ?? 0) <= 3);
}

/** "12 pink sc": a colour between the amount and its stitch. */
function passColour(reader: Reader, { amount, next }: { amount: number | null; next: number }): number {
  const word = tokenAt(reader, next);
  if (amount === null || !word || !COLOUR_WORDS.has(word.word) || !meaningAt(reader, next + 1, 'stitch')) return next;
  reader.steps.push({ kind: 'colour', name: word.raw, span: spanBetween(reader, next, next + 1) });
  return next + 1;
}

/** "along the other side (of the chain)", "over the other side" right behind a step, up to the end of the clause. */
function otherSideAfter(reader: Reader, at: number): number | null {
  const side = meaningAt(reader, isWord(reader, at, 'over', 'across') ? at + 1 : at, 'other-side');
  if (!side || tokenAt(reader, side.next)?.kind === 'number') return null;
  const chain = meaningAt(reader, side.next, 'stitch', 'chain-word');
  const next = chain ? chain.next : side.next;
  return isBoundary(reader, next) || tokenAt(reader, next)?.kind === 'open' ? next : null;
}

/** "10 sc from 2nd ch", "2 sc along the chain": so many along it, and not so many in each of it. */
function alongChain(reader: Reader, at: number, count: number): number | null {
  if (count < 2) return null;
  const way = meaningAt(reader, at, 'around')?.next ?? (isWord(reader, at, 'over', 'across') ? at + 1 : null);
  const chain = way === null ? null : chainWord(reader, way);
  const ends = chain !== null && (isBoundary(reader, chain) || tokenAt(reader, chain)?.kind === 'open');
  if (ends && reader.steps.some(({ kind }) => kind === 'chain')) return chain;
  if (!isWord(reader, at, 'from')) return null;
  const placed = placementAfter(reader, at);
  if (placed?.place.kind !== 'chain-from-hook') return null;
  reader.steps.push({ kind: 'first-chain', k: placed.place.k, span: spanBetween(reader, at, placed.next) });
  return placed.next;
}

function isManifold(amount: Amount): boolean {
  return amount.kind === 'fill' || (amount.kind === 'times' && amount.times > 1);
}

/** How many go into each stitch, and into how many: "2 sc in next 3 sts" against "5 sc in next 5 sts". */
function sharing(
  tool: Tool,
  { before, after }: { before: number | null; after: number | null },
  placement: Placement | null,
): { each: number; total: Amount; shared: boolean } {
  const named = (before ?? 1) * (after ?? 1);
  const single: Amount = { kind: 'times', times: named };
  const as = (each: number, total: Amount) => ({ each, total, shared: false });
  if (!placement) return as(tool.per, single);
  const { place, amount } = placement;
  if ((placement.together && !tool.shaping) || placement.loopsOnly) return as(tool.per, single);
  switch (place.kind) {
    case 'ring':
    case 'surface':
      return as(tool.per, single);
    case 'both-layers':
      // "1 sc in each st through both layers", "sc through both layers" go all along them.
      // "work 1 sc through both layers along the top"
      if (amount.kind === 'fill' && (placement.each || named === 1)) return as(named, amount);
      if (before !== null || after !== null) return as(tool.per, single);
      return as(tool.per, amount.kind === 'times' && amount.times === 1 ? { kind: 'fill', leave: 0 } : amount);
    case 'same':
    case 'chain-from-hook':
    case 'last-chain':
      if (tool.shaping) return as(tool.per, single);
      return amount.kind === 'times' && amount.times > 1 ? as(named, amount) : as(named, once);
    case 'edge':
      if (tool.shaping) return as(tool.per, shapings(tool, before, amount));
      // "sc 12 around the first leg" says how many; "sc 2 in each st" how many go into one.
      if (amount.kind === 'fill' && !placement.each && after !== null) return as(tool.per, single);
      if (before === null) return as(after ?? tool.per, amount);
      // "18 sc around" says how many there are; "2 sc in each st" how many go into one.
      if (amount.kind === 'fill' && !placement.each && before > 3) return as(tool.per, single);
      // "5 sc in next 5 sts" is one in each of them; "in each of the next 5 sts" would be five.
      if (amount.kind === 'times' && amount.times === before && before > 1 && !placement.each)
        return { each: 1, total: amount, shared: true };
      return as(named, amount);
  }
}

/** "inc in next 3 sts" is three of them; "dec over next 2 sts" is one, since it takes two. */
function shapings(tool: Tool, before: number | null, placed: Amount): Amount {
  if (placed.kind !== 'times') return placed;
  const covered = placed.times >= tool.over && placed.times % tool.over === 0 ? placed.times / tool.over : placed.times;
  return { kind: 'times', times: before !== null && covered === 1 ? before : covered };
}

/** Whether the words at an index say "times" in so many words, and are not the amount of what follows. */
function saysTimes(reader: Reader, at: number): boolean {
  if (isTimesSign(reader, at) || meaningAt(reader, at, 'times')) return true;
  const token = tokenAt(reader, at);
  return token?.kind === 'number' && meaningAt(reader, pass(reader, at + 1, 'more'), 'times') !== null;
}

function toEnd(reader: Reader, at: number): boolean {
  return meaningAt(reader, at, 'around') !== null || meaningAt(reader, at + 1, 'last') !== null;
}

/** "… in each st around, 18 sc": figures at the very end of a round that is full already are its count. */
function saysCount(
  reader: Reader,
  at: number,
  { amount, next }: { amount: number | null; next: number },
  tool: Tool,
): boolean {
  if (amount === null || tool.shaping || reader.depth > 0 || next !== at + 1) return false;
  const end = isWord(reader, tool.next, '.') ? tool.next + 1 : tool.next;
  if (tokenAt(reader, end) !== null) return false;
  // A sentence of its own behind the instruction: "…, turn. 14 dc.", "ss to first dc. 20 dc", "As 2nd row. 16 dc."
  const apart = reader.tokens[at - 1]?.word === '.';
  const closes = reader.steps.at(-1)?.kind;
  if (apart && (closes === 'join' || closes === 'turn')) return true;
  // "…, 25 sc through both layers, stuffing as you go. 25 sc"
  if (
    apart &&
    reader.steps.some(
      (step) => step.kind === 'work' && step.amount.kind === 'times' && step.amount.times === amount && amount > 3,
    )
  )
    return true;
  if (apart && (reader.found.reference !== null || reader.steps.some(fillsUp))) return true;
  return amount >= 4 && reader.steps.some(fillsAll);
}

function fillsUp(step: Step): boolean {
  return (step.kind === 'work' || step.kind === 'repeat') && step.amount?.kind === 'fill';
}

function fillsAll(step: Step): boolean {
  return (step.kind === 'work' || step.kind === 'repeat') && step.amount?.kind === 'fill' && step.amount.leave === 0;
}
