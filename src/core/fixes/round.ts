import type { Fix } from '../checks/rule.js';
import type { CountedPattern, CountedRound } from '../counting/counted.js';
import type { Instruction } from '../pattern/pattern.js';
import type { Edit } from './edits.js';

/** Instructions longer than this are not searched. */
export const LONGEST = 1500;

/** Whether an instruction was understood to the last word. */
export function isSound({ unread, brackets }: Instruction): boolean {
  return unread.length === 0 && brackets.length === 0;
}

/** The stated count has a fix of its own, and the number of rounds is for another rule. */
export function touchesCount({ round }: CountedRound, { from, to }: Edit, offset: number): boolean {
  const said = [round.stated?.span, round.statedRounds?.span];
  return said.some((span) => span !== undefined && from + offset < span.to && to + offset > span.from);
}

/** Rounds without a count are followed so far, to the next that states one. */
const FOLLOWED = 12;

/** Whether the rounds after come out on so many stitches. */
export function goesOn({ rounds }: CountedPattern, index: number, made: number): boolean {
  const { stretch } = rounds[index] ?? {};
  let edge = made;
  for (let i = index + 1; i <= index + FOLLOWED; i += 1) {
    const next = rounds[i];
    const sound = next?.verdict === 'agrees' || next?.verdict === 'counted';
    if (!next || next.stretch !== stretch || next.outcome.starts || !sound) return true;
    const after = next.on(edge);
    if (after.misfits.length > 0) return false;
    if (after.made === next.outcome.made) return true;
    if (next.verdict === 'agrees' || after.made === null) return false;
    edge = after.made;
  }
  return true;
}

/** The edit that writes another figure in the stated count of a round; null where the figure does not stand there. */
export function countEdit(
  { pattern }: CountedPattern,
  { round }: CountedRound,
  figure: number,
  right: number,
): Fix['edits'][number] | null {
  if (!round.stated) return null;
  const { from, to } = round.stated.span;
  const words = pattern.source.text.slice(from, to);
  // "(9 dc and 9 ch-2 sps)": the stitches stand before their spaces; "(10 sc, 4 hdc = 14)": the sum stands last.
  const at = round.stated.spaces ? words.indexOf(String(figure)) : words.lastIndexOf(String(figure));
  if (at < 0) return null;
  return { span: { from: from + at, to: from + at + String(figure).length }, text: String(right) };
}
