import type { CountedRound } from '../counting/counted.js';
import type { Span } from '../text/source.js';
import type { Found } from './rule.js';

/** Rings and first rows of so many stitches are tried. */
const SIZES: readonly number[] = Array.from({ length: 58 }, (_, i) => i + 3);

/**
 * A finding on the round that a piece begins with, where its one figure is all that keeps the next from coming out: "mr 7"
 * under "inc in each (12)", behind which the text goes on from 12. What is told twice ("6 sc in MR (6)") is taken for right.
 * @param at the number, among all rounds, of one that does not come out.
 * @returns null where anything else may be wrong as well.
 */
export function beginningAtFault(text: string, rounds: readonly CountedRound[], at: number): Found | null {
  const [before, counted] = [rounds[at - 1], rounds[at]];
  const stated = counted?.round.stated?.total;
  if (!begins(before) || !counted || stated === undefined || before.stretch !== counted.stretch) return null;
  const [figure, ...others] = figuresOf(text, before);
  if (!goesOn(counted, rounds[at + 1], stated) || others.length > 0) return null;
  const { made } = before.outcome;
  const need = neededFor(counted, stated, made ?? 0);
  if (need === null) return null;
  const { label, kind } = counted.round;
  const called = /^\d/.test(label) ? `${kind} ${label}` : label;
  const message = `Makes ${made}. On ${need} stitches ${called} comes out at ${stated}, as it states.`;
  const edits = figure ? [{ span: figure, text: String(need) }] : [];
  const fixes = edits.length > 0 ? [{ title: `${need} instead of ${made}`, edits }] : [];
  return { span: before.round.span, round: before, message, fixes };
}

/** The one edge on which a round comes out at what it states; null where that is the one it has, or there are several. */
function neededFor(counted: CountedRound, stated: number, made: number): number | null {
  const [need, ...more] = SIZES.filter((edge) => comesOut(counted, edge, stated));
  if (need === undefined || more.length > 0 || need === made) return null;
  // "8 sc in MR" under "sc in each (16)" or "dec in each (16)": it is the increases that have been lost.
  return need >= stated && stated > made ? null : need;
}

function begins(round: CountedRound | undefined): round is CountedRound {
  return round?.outcome.starts === true && round.outcome.made !== null;
}

/** Whether the next round bears out what one states. */
function goesOn({ stretch }: CountedRound, after: CountedRound | undefined, stated: number): boolean {
  return after?.stretch === stretch && after.verdict === 'agrees' && after.outcome.edge === stated;
}

/** Where the words of a round say how many stitches it makes. */
function figuresOf(text: string, { round, outcome }: CountedRound): Span[] {
  const from = round.labelSpan.to;
  return [...text.slice(from, Math.max(from, round.span.to)).matchAll(/(?<!\d)\d+/g)]
    .filter(([figure]) => Number(figure) === outcome.made)
    .map(({ 0: figure, index }) => ({ from: from + index, to: from + index + figure.length }));
}

function comesOut(counted: CountedRound, edge: number, stated: number): boolean {
  const { made, misfits, obstacles } = counted.on(edge);
  return made === stated && misfits.length + obstacles.length === 0;
}
