import type { Step, Work } from '../pattern/instruction.js';
import { filling } from './amount.js';
import { isWord, meaningAt, pass, spanBetween, type Reader } from './reader.js';
import { amountAfterTool, amountBefore, readTool } from './tool.js';

/**
 * Shapings spread over a round, with all the other stitches worked plain; null where that is not said.
 *
 * `inc 6 times evenly around`   `sc around, decreasing 4 sts evenly`
 *  ^                                        ^
 * Where on the round they stand is left to the maker, and changes no count.
 */
export function spreadEvenly(reader: Reader, at: number): { steps: Step[]; next: number } | null {
  if (reader.depth > 0 || !saysEvenly(reader, at)) return null;
  const before = amountBefore(reader, pass(reader, at, 'work'));
  const tool = readTool(reader, before.next, before.amount);
  if (!tool?.shaping) return null;
  // "increasing by 6"
  const by = isWord(reader, tool.next, 'by') ? tool.next + 1 : tool.next;
  const after = amountAfterTool(reader, by, before.amount);
  const times = tool.takesAmount ? after.amount : (before.amount ?? after.amount);
  const behind = isWord(reader, after.next, ',') ? after.next + 1 : after.next;
  const spread = isWord(reader, behind, 'spread', 'spaced', 'distributed') ? behind + 1 : behind;
  if (times === null || !isWord(reader, spread, 'evenly')) return null;
  const next = endOfSpread(reader, spread + 1);
  const shaping: Work = {
    kind: 'work',
    stitch: tool.stitch,
    per: tool.per,
    over: tool.over,
    amount: { kind: 'times', times },
    place: { kind: 'edge' },
    span: spanBetween(reader, at, next),
  };
  return { steps: [shaping, { ...shaping, per: 1, over: 1, amount: { kind: 'fill', leave: 0 } }], next };
}

/** A quick look ahead, since most steps say nothing of the kind. */
function saysEvenly(reader: Reader, at: number): boolean {
  const end = Math.min(reader.end, at + 9);
  for (let i = at + 1; i < end; i += 1) if (reader.tokens[i]?.word === 'evenly') return true;
  return false;
}

/** "spaced", "around", "in every round", "over the round". */
function endOfSpread(reader: Reader, at: number): number {
  const spaced = isWord(reader, at, 'spaced', 'distributed', 'spread', 'placed', 'apart') ? at + 1 : at;
  const around = filling(reader, spaced);
  if (around?.amount.kind === 'fill' && around.amount.leave === 0) return around.next;
  const over = pass(reader, pass(reader, spaced, 'in'), 'each');
  return meaningAt(reader, over, 'round-word', 'row-word')?.next ?? spaced;
}

/** Whether a step works all of the edge plain, so that shapings named behind it are among its stitches. */
export function isPlainAround(step: Step | undefined): boolean {
  if (step?.kind !== 'work' || step.per !== 1 || step.over !== 1 || step.place.kind !== 'edge') return false;
  return step.bare === true || (step.amount.kind === 'fill' && step.amount.leave === 0);
}
