import { once, type Step, type Work } from '../../pattern/instruction.js';
import type { Instruction, PieceStart } from '../../pattern/pattern.js';
import type { Span } from '../../text/source.js';
import { NO_INSTRUCTION } from '../gist/gist.js';
import type { Unit } from './unit.js';

/** The instruction of a unit, where columns of their own say a part of it: how often, by how much, or the same again. */
export function instructionOf(unit: Unit, read: Instruction, start: PieceStart | null): Instruction {
  const { label, times, change, ditto, body } = unit;
  if (ditto)
    return { ...NO_INSTRUCTION, tabular: true, reference: { rounds: [label.from - 1], times: null, span: body } };
  if (change) return { ...NO_INSTRUCTION, tabular: true, steps: stepsOf(unit, change.value, start) };
  if (times && times.value > 1) return { ...read, tabular: true, steps: often(read.steps, times.value) };
  return read;
}

/** "6 | 2 sc, inc": what the work column says, so many times. */
function often(steps: readonly Step[], times: number): readonly Step[] {
  const first = steps.findIndex(isFabric);
  if (first < 0) return steps;
  const body = steps.slice(first).map((step) => (step.kind === 'work' && step.bare ? { ...step, amount: once } : step));
  const span = { from: body[0]?.span.from ?? 0, to: body.at(-1)?.span.to ?? 0 };
  return [...steps.slice(0, first), { kind: 'repeat', body, amount: { kind: 'times', times }, span }];
}

function isFabric({ kind }: Step): boolean {
  return kind === 'work' || kind === 'group' || kind === 'repeat' || kind === 'skip';
}

/** "+6": so many increases, the other stitches plain; a first round begins in a ring, or along the chain before it. */
function stepsOf({ label, stated, body }: Unit, change: number, start: PieceStart | null): Step[] {
  const span: Span = body.to > body.from ? body : label.span;
  const fill = plain({ kind: 'fill', leave: 0 }, span);
  if (label.from === 1 && start === null && stated)
    return [
      { kind: 'ring', span },
      { ...plain({ kind: 'times', times: stated.value }, span), place: { kind: 'ring' } },
    ];
  if (change === 0 || label.from === 1) return [fill];
  if (change > 0) return [{ ...plain({ kind: 'times', times: change }, span), per: 2 }, fill];
  // The last stitches of a point are all taken together.
  if (stated?.value === 1) return [{ ...plain(once, span), over: 1 - change }];
  return [{ ...plain({ kind: 'times', times: -change }, span), over: 2 }, fill];
}

function plain(amount: Work['amount'], span: Span): Work {
  return { kind: 'work', stitch: null, per: 1, over: 1, amount, place: { kind: 'edge' }, span };
}
