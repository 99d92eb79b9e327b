import type { CountedRound } from '../counting/counted.js';
import type { Found } from './rule.js';

/** Rings and first rows of up to so many stitches are tried. */
const LARGEST = 60;

/**
 * A finding on the round that a piece begins with, where its one figure is all that keeps the next from coming out: "mr 7"
 * under "inc in each (12)", behind which the text goes on from 12. What is told twice ("6 sc in MR (6)") is taken for right.
 * @param at the number, among all rounds, of one that does not come out.
 * @returns null where anything else may be wrong as well.
 */
export function beginningAtFault(text: string, rounds: readonly CountedRound[], at: number): Found | null {
  const [before, counted, after] = [rounds[at - 1], rounds[at], rounds[at + 1]];
  const stated = counted?.round.stated?.total;
  if (!before?.outcome.starts || stated === undefined || before.stretch !== counted?.stretch) return null;
  const goesOn = after?.stretch === counted.stretch && after.verdict === 'agrees' && after.outcome.edge === stated;
  if (!goesOn || toldTwice(text, before)) return null;
  const needed = Array.from({ length: LARGEST - 2 }, (_, i) => i + 3).filter((edge) => comesOut(counted, edge, stated));
  const [need, ...more] = needed;
  if (need === undefined || more.length > 0 || need === before.outcome.made) return null;
  const { label, kind } = counted.round;
  const called = /^\d/.test(label) ? `${kind} ${label}` : label;
  return {
    span: before.round.span,
    round: before,
    message: `Makes ${before.outcome.made}. On ${need} stitches ${called} comes out at ${stated}, as it states.`,
  };
}

/** Whether more than one figure says how many stitches a round makes. */
function toldTwice(text: string, { round, outcome }: CountedRound): boolean {
  const words = text.slice(Math.min(round.labelSpan.to, round.span.to), round.span.to);
  const figures = words.match(/\d+/g)?.filter((figure) => Number(figure) === outcome.made) ?? [];
  return outcome.made === null || figures.length > 1;
}

function comesOut(counted: CountedRound, edge: number, stated: number): boolean {
  const { made, misfits, obstacles } = counted.on(edge);
  return made === stated && misfits.length + obstacles.length === 0;
}
