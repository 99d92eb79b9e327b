import { once, type Repeat, type Step } from '../pattern/instruction.js';
import { isFabric, lastFabricOf } from './tally.js';

/** Other ways to take the same words; null where they hold nothing of the kind. */
export const OTHERWISE: readonly ((steps: readonly Step[]) => readonly Step[] | null)[] = [
  eachStep(inEach),
  eachStep(onceFewer),
  eachStep(sameIsNext),
  allBracketed,
  throughBoth,
  twoPieces,
  onceInBrackets,
  slipsTravel,
  leavesRest,
  chainCloses,
];

function eachStep(change: (step: Step) => Step) {
  return (steps: readonly Step[]): readonly Step[] | null => {
    const other = steps.map(change);
    return other.every((step, i) => step === steps[i]) ? null : other;
  };
}

/** "2 hdc in the same st" taken as both in one stitch that is the next. */
function sameIsNext(step: Step): Step {
  if (step.kind === 'repeat') return withBody(step, step.body.map(sameIsNext));
  return (step.kind === 'work' && step.per > 1) || step.kind === 'group'
    ? step.place.kind === 'same'
      ? { ...step, place: { kind: 'edge' } }
      : step
    : step;
}

/** "sc 1, inc x 6" and "sc 1, inc around" taken as "(sc 1, inc) x 6" and "(sc 1, inc) around". */
export function allBracketed(steps: readonly Step[]): readonly Step[] | null {
  const last = steps[lastFabricOf(steps)];
  if (last?.kind !== 'work' || !last.unbracketed) return null;
  const first = steps.findIndex(isFabric);
  const end = steps.indexOf(last);
  if (first === end) return null;
  const body: Step[] = [...steps.slice(first, end), { ...last, amount: once }];
  return [
    ...steps.slice(0, first),
    { kind: 'repeat', body, amount: last.amount, span: { from: body[0]?.span.from ?? 0, to: last.span.to } },
    ...steps.slice(end + 1),
  ];
}

/** Stitches over an opening that has been laid flat go through both layers, said or not. */
function throughBoth(steps: readonly Step[]): readonly Step[] | null {
  if (!steps.some(({ kind }) => kind === 'flat')) return null;
  return steps.map(inLayers);
}

function inLayers(step: Step): Step {
  if (step.kind === 'repeat') return withBody(step, step.body.map(inLayers));
  return step.kind === 'work' && step.place.kind === 'edge' ? { ...step, place: { kind: 'both-layers' } } : step;
}

/** "2 sc in next 2 sts" taken as two in each of them. A step without such words is returned as it is. */
function inEach(step: Step): Step {
  if (step.kind === 'repeat') return withBody(step, step.body.map(inEach));
  return step.kind === 'work' && step.shared && step.amount.kind === 'times'
    ? { ...step, per: step.amount.times }
    : step;
}

/** "rep from * 5 times" taken as five in all. A step without such words is returned as it is. */
function onceFewer(step: Step): Step {
  if (step.kind !== 'repeat') return step;
  const inner = withBody(step, step.body.map(onceFewer));
  return step.fewer && step.amount?.kind === 'times'
    ? { ...inner, amount: { kind: 'times', times: step.amount.times - 1 } }
    : inner;
}

function withBody(step: Repeat, body: readonly Step[]): Repeat {
  return body.every((inner, i) => inner === step.body[i]) ? step : { ...step, body };
}

/** "3R: (inc, sc 4) (6)": brackets round all that there is, and nothing to say how often: once. */
function onceInBrackets(steps: readonly Step[]): readonly Step[] | null {
  const fabric = steps.filter(isFabric);
  const only = fabric[0];
  if (fabric.length !== 1 || only?.kind !== 'repeat' || only.amount !== null || only.body.length === 0) return null;
  return steps.map((step) => (step === only ? { ...only, amount: once } : step));
}

/** The slip stitches that a row begins with; null where it is no row that turns, or begins otherwise. */
function leadingSlips(steps: readonly Step[]): { index: number; travel: Step } | null {
  const index = steps.findIndex(isFabric);
  const slip = steps[index];
  if (slip?.kind !== 'work' || slip.stitch !== 'slip' || slip.amount.kind !== 'times') return null;
  if (!steps.some(({ kind }) => kind === 'turn')) return null;
  return { index, travel: { kind: 'skip', count: slip.amount.times, first: false, span: slip.span } };
}

/** "turn, sl st in first 2 sts, sc in next 8, leave last 2 unworked": slip stitches at the start of a row may travel. */
function slipsTravel(steps: readonly Step[]): readonly Step[] | null {
  const slips = leadingSlips(steps);
  return slips && steps.map((step, i) => (i === slips.index ? slips.travel : step));
}

/** "sl st in first 2 sts, ch 1, sc in last st, turn": slip stitches before the chain of a row only travel. */
export function slipsAway(steps: readonly Step[]): readonly Step[] | null {
  const slips = leadingSlips(steps);
  const behind = slips && steps.find(({ kind }, i) => i > slips.index && kind !== 'turn' && kind !== 'colour');
  if (behind?.kind !== 'chain') return null;
  return steps.map((step, i) => {
    if (i === slips?.index) return slips.travel;
    return step === behind ? { ...behind, counts: false } : step;
  });
}

/** "sc 10, ch 2, join": a chain that closes the round is a part of the edge. */
function chainCloses(steps: readonly Step[]): readonly Step[] | null {
  const last = lastFabricOf(steps);
  const index = steps.findIndex((step, i) => i > last && step.kind === 'chain');
  const chain = steps[index];
  if (chain?.kind !== 'chain' || last < 0 || !steps.slice(index).some(({ kind }) => kind === 'join')) return null;
  const { span, count } = chain;
  const work: Step = {
    kind: 'work',
    stitch: 'chain',
    per: count,
    over: 0,
    amount: once,
    place: { kind: 'edge' },
    span,
  };
  return steps.map((step) => (step === chain ? work : step));
}

/** "ch 1, sc in first 8 sts, turn": a short row. */
function leavesRest(steps: readonly Step[]): readonly Step[] | null {
  const last = steps[lastFabricOf(steps)];
  if (last?.kind !== 'work' || !last.first || !steps.some(({ kind }) => kind === 'turn')) return null;
  return [...steps, { kind: 'leave', count: null, span: last.span }];
}

/** "sc around through both layers" of two pieces held together: each stitch takes one of either. */
function twoPieces(steps: readonly Step[]): readonly Step[] | null {
  if (!steps.some((step) => step.kind === 'work' && step.place.kind === 'both-layers')) return null;
  return steps.map((step) =>
    step.kind === 'work' && step.place.kind === 'both-layers' ? { ...step, place: { kind: 'edge' } } : step,
  );
}
