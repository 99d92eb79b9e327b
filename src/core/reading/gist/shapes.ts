import { once, type Amount, type Place, type Step, type Work } from '../../pattern/instruction.js';
import type { Span } from '../../text/source.js';
import type { Item } from './item.js';

/** The words can't be taken so; made once, since it is thrown often. */
export const FAILS = new Error('not to be taken so');

/** How many of a stitch go into how many. */
export type Shape = Pick<Work, 'stitch' | 'per' | 'over'>;
/** One of whatever the round is worked in. */
export const PLAIN: Shape = { stitch: null, per: 1, over: 1 };
/** Wherever the next stitch goes. */
export const EDGE: Place = { kind: 'edge' };
/** To the end of the edge. */
export const FILL: Amount = { kind: 'fill', leave: 0 };
/** So many times. */
export const often = (count: number): Amount => ({ kind: 'times', times: count });

/** One kind of stitch, so often in a place. */
export function work({ stitch, per, over }: Shape, amount: Amount, place: Place, span: Span): Work {
  return { kind: 'work', stitch, per, over, amount, place, span };
}

/** Whether a step is done a single time. */
export function isOnce({ amount }: Work): boolean {
  return amount.kind === 'times' && amount.times === 1;
}

/** The same step so many times. */
export function withAmount({ bare: _bare, ...step }: Work, count: number): Work {
  return { ...step, amount: often(count) };
}

/** The figure that an item is; null for any other, and for an ordinal. */
export function numberIn(item: Item | undefined): number | null {
  return item?.is === 'number' && !item.ordinal ? item.value : null;
}

/** One in each stitch, to the end. */
export function isPlainRound({ amount, per, over, place }: Work): boolean {
  return amount.kind === 'fill' && amount.leave === 0 && per === over && place.kind === 'edge';
}

/** A single step that is done once needs no bracket. */
export function repeated(body: readonly Step[], amount: Amount, span: Span): Step {
  const only = body.length === 1 ? body[0] : undefined;
  const single = only?.kind === 'work' && isOnce(only);
  return single ? { ...withAmount(only, 1), amount, span } : { kind: 'repeat', body, amount, span };
}

/** What was said before how often it is done; "6 times: sc all round" is six rounds. @throws FAILS where nothing is. */
export function soOften(body: readonly Step[], amount: Amount, span: Span): Step {
  const [first] = body;
  if (!first) throw FAILS;
  return body.length === 1 && first.kind === 'work' && isPlainRound(first) ? first : repeated(body, amount, span);
}

/** "every 3rd st double", "every 4th and 5th st together": so many plain ones between. */
export function everyNth(tool: Shape, nth: number, second: number | undefined, span: Span): Step {
  if (second !== undefined && (tool.over !== 2 || second !== nth + 1)) throw FAILS;
  const between = second === undefined ? nth - tool.over : nth - 1;
  const plain = work({ stitch: tool.stitch, per: 1, over: 1 }, often(between), EDGE, span);
  const body = between > 0 ? [plain, work(tool, once, EDGE, span)] : [work(tool, once, EDGE, span)];
  return { kind: 'repeat', body, amount: FILL, span };
}

/** Several stitches that all go into one. @throws FAILS where there is more than stitches. */
export function group(members: readonly Step[], span: Span): Step {
  const works = members.filter((step) => step.kind === 'work');
  if (works.length !== members.length) throw FAILS;
  return { kind: 'group', members: works, amount: once, place: EDGE, span };
}

/** Whether a step uses stitches of the edge, or makes some. */
export function isFabric(step: Step): boolean {
  return step.kind === 'work' || step.kind === 'group' || step.kind === 'repeat' || step.kind === 'skip';
}

/** "tutti", "sc": a stitch that is all there is of the instruction is worked all around. */
export function alone(steps: readonly Step[]): readonly Step[] {
  const fabric = steps.filter(isFabric);
  const only = fabric[0];
  if (fabric.length !== 1 || only?.kind !== 'work' || !only.bare) return steps;
  return steps.map((step) => (step === only ? { ...only, amount: FILL } : step));
}
