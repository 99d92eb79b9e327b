import type { StatedCount, Step, Work } from '../pattern/instruction.js';

const FABRIC: ReadonlySet<Step['kind']> = new Set(['work', 'group', 'repeat', 'skip']);
const FIGURE = /\d|(?<!\p{L})(?:an?|one)(?!\p{L})/iu;

/**
 * The steps of a round that begins in a ring, where nothing but its count says how many go into it: "MR (6)", "sc in the ring
 * (6)", "ring, sc = 6". All other steps stay as they are.
 */
export function ringFilled(text: string, steps: readonly Step[], stated: StatedCount | null): readonly Step[] {
  if (stated === null || stated.total < 2) return steps;
  const ring = steps.find(isRing);
  if (!ring) return steps;
  const fabric = steps.filter(({ kind }) => FABRIC.has(kind));
  const into: Pick<Work, 'amount' | 'place'> = {
    amount: { kind: 'times', times: stated.total },
    place: { kind: 'ring' },
  };
  if (fabric.length === 0) return [...steps, { kind: 'work', stitch: null, per: 1, over: 1, ...into, span: ring.span }];
  const [only] = fabric;
  const untold = fabric.length === 1 && only?.kind === 'work' && isUncounted(only);
  if (!untold || FIGURE.test(text.slice(only.span.from, only.span.to))) return steps;
  const { bare: _bare, ...work } = only;
  return steps.map((step) => (step === only ? { ...work, ...into } : step));
}

function isRing(step: Step): boolean {
  return step.kind === 'ring' || (step.kind === 'work' && step.place.kind === 'ring');
}

function isUncounted({ per, over, amount, place }: Work): boolean {
  const plain = per === 1 && over === 1 && (place.kind === 'edge' || place.kind === 'ring');
  return plain && (amount.kind === 'fill' || (amount.kind === 'times' && amount.times === 1));
}
