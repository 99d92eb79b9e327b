import type { ReportRound } from '../report/schema.js';
import type { FaultKindId } from './kinds.js';

/** The rounds beside one; null where there is none. */
interface Beside {
  readonly before: ReportRound | null;
  readonly after: ReportRound | null;
}

const WITHOUT_SUMS: Partial<Record<FaultKindId, string>> = {
  gap: 'Read the numbers of the rounds by themselves, down the margin: each begins where the one before has ended.',
  twice: 'Read the numbers of the rounds by themselves, down the margin: each begins where the one before has ended.',
  range:
    'Count from the first number of the range to its last, both of them included, and compare it with the number of rounds that is said.',
  bracket: 'Count the brackets of each line: as many close as open.',
  mixed:
    'Hold each stitch against the terms at the head and the list of abbreviations: a term that stands in neither is from the other vocabulary, though the sums come out.',
  'eyes-late':
    'For everything that is put into a part, look how many stitches are left there: the backs of eyes are reached only while a hand gets in.',
  place: 'Compare a place with the part that it is on: the rounds that it has, and the stitches around it there.',
  quantity: 'Compare how many the heading makes with how many the assembly sews on.',
  stuffing:
    'Where stuffing is spoken of for the first time, look how many stitches are left: a hand gets in through some twelve.',
  colour: 'Tick off in the list of materials each colour that the parts name.',
  hook: 'Compare the letter with the millimetres, in a table of hooks.',
  loose: 'Tick off each part in the assembly.',
};

/** Which two figures an experienced reader would have compared to see it, in a sentence with those figures. */
export function compared(kind: FaultKindId, round: ReportRound | null, { before, after }: Beside): string {
  const said = WITHOUT_SUMS[kind];
  if (said !== undefined || !round) return said ?? '';
  const { edge, into, made, stated, label } = round;
  const there = before?.label ?? 'the round before';
  if (isOther(into, edge)) return `Compare what ${label} uses with what ${there} leaves: ${into} against ${edge}.`;
  if (isOther(made, stated))
    return `Compare what ${label} makes with what it states: ${made} against ${stated}.${goesOn(after)}`;
  if (kind === 'no-times')
    return `Compare the repeat, worked once, with what ${there} leaves: it can’t use up ${edge ?? 'all of it'}.`;
  return `Compare what ${label} uses with what ${there} leaves, and what it makes with what it states.`;
}

/** Whether two figures are known, and not the same. */
const isOther = (one: number | null, other: number | null): boolean => one !== null && other !== null && one !== other;

/** The third figure, which says which of the two is right. */
function goesOn(after: ReportRound | null): string {
  const from = after?.edge ?? after?.into ?? null;
  return after === null || from === null ? '' : ` With ${after.label} it goes on from ${from}.`;
}
