import type { Fix } from '../checks/rule.js';
import type { CountedPattern, CountedRound } from '../counting/counted.js';
import type { Outcome } from '../counting/outcome.js';
import { smallEdits, withinReach, type Edit } from './edits.js';
import { countEdit, goesOn, isSound, LONGEST, touchesCount } from './round.js';

/**
 * Where the line before or the line after a fault could carry it as well: what that line would have to say, its stated
 * count included, and what comes of it further down. At most one story for each line, each of a few small edits. Pauses after
 * each that was tried.
 */
export function* storiesFor(counted: CountedPattern, index: number): Generator<void, Fix[]> {
  const told = [foundation(counted, index)];
  for (const story of [before, here, after]) told.push(yield* story(counted, index));
  return told.filter((fix) => fix !== null);
}

/** The chain in the words before a first row was to have another length. */
function foundation(counted: CountedPattern, index: number): Fix | null {
  const round = counted.rounds[index];
  if (!round?.along || !round.outcome.misfits.some(({ kind }) => kind === 'foundation')) return null;
  const { start, rounds } = round.stretch;
  if (!start || rounds[0] !== round.round) return null;
  for (let more = 1; more <= FARTHEST; more += 1)
    for (const chains of [start.chains - more, start.chains + more]) {
      const made = chains < 2 ? null : evenly(round.along(chains));
      if (made === null || !statedOr(round, made) || !goesOn(counted, index, made)) continue;
      return {
        title: `Chain ${chains} instead of ${start.chains} (makes ${made})`,
        edits: [{ span: start.figure, text: String(chains) }],
      };
    }
  return null;
}

const FARTHEST = 12;

/** Whether a round states a count, or nothing else. */
function statedOr({ round }: CountedRound, made: number): boolean {
  return round.stated === null || round.stated.total === made;
}

/** The count of a round that comes out even; null otherwise. */
function evenly({ made, misfits, obstacles }: Outcome): number | null {
  return misfits.length + obstacles.length > 0 ? null : made;
}

/** The round before was to make another count, on which this one comes out as it stands. */
function* before(counted: CountedPattern, index: number): Generator<void, Fix | null> {
  const round = counted.rounds[index];
  const other = counted.rounds[index - 1];
  if (!round || !isOther(other, round) || round.round.brackets.length > 0 || other.outcome.made === null) return null;
  return yield* likeliest(counted, other, null, (outcome, made) => {
    if (made === other.outcome.made) return null;
    const here = evenly(round.on(made));
    if (here === null || here !== round.round.stated?.total || !goesOn(counted, index, here)) return null;
    const then = `${round.round.label} then uses all ${made} and makes ${here}, as stated`;
    const says = other.round.stated?.total ?? made;
    const recount = says === made ? null : countEdit(counted, other, says, made);
    if (says !== made && !recount) return null;
    return { edits: recount ? [recount] : [], then: `${makes(outcome)}. ${then}` };
  });
}

/** The round itself was to make another count than it states, and those after it can go on from that. */
function* here(counted: CountedPattern, index: number): Generator<void, Fix | null> {
  const round = counted.rounds[index];
  if (!round || !isOther(round, round) || round.outcome.misfits.length === 0) return null;
  const stated = round.round.stated?.total ?? null;
  return yield* likeliest(counted, round, null, (outcome, made) => {
    const recount = stated === null || stated === made ? null : countEdit(counted, round, stated, made);
    return recount && goesOn(counted, index, made) ? { edits: [recount], then: makes(outcome) } : null;
  });
}

/** This round is right and its stated count is not; then the next one has to use what is really there. */
function* after(counted: CountedPattern, index: number): Generator<void, Fix | null> {
  const round = counted.rounds[index];
  const next = counted.rounds[index + 1];
  if (!round || round.blame !== 'instruction' || !isOther(next, round)) return null;
  const made = evenly(round.outcome);
  const { stated } = round.round;
  if (!stated || made === null || made === stated.total) return null;
  if (stated.breakdown.length > 1) return null;
  return yield* likeliest(counted, next, made, (outcome, makesNow) => {
    const says = next.round.stated;
    if (!says || !goesOn(counted, index + 1, makesNow)) return null;
    const here = countEdit(counted, round, stated.total, made);
    const there = says.total === makesNow ? null : countEdit(counted, next, says.total, makesNow);
    if (!here || (says.total !== makesNow && !there)) return null;
    return {
      edits: there ? [here, there] : [here],
      then: `${round.round.label} then states ${made}, and ${next.round.label} uses all ${made} and makes ${makesNow}`,
    };
  });
}

/** Whether a neighbour of a round can carry a fault: worked in one with it, and read without a doubt. */
function isOther(other: CountedRound | undefined, { stretch }: CountedRound): other is CountedRound {
  return (
    other !== undefined &&
    other.stretch === stretch &&
    other.verdict !== 'unreadable' &&
    !other.round.reference &&
    other.outcome.obstacles.length === 0 &&
    (other.round.stated?.breakdown.length ?? 0) < 2 &&
    other.round.span.to - other.round.bodyFrom <= LONGEST
  );
}

interface Told {
  /** The edits of counts that go with it. */
  readonly edits: Fix['edits'];
  /** What comes of it. */
  readonly then: string;
}

/** The smallest edit of a round after which the story holds. */
function* likeliest(
  { pattern }: CountedPattern,
  other: CountedRound,
  edge: number | null,
  tell: (outcome: Outcome, made: number) => Told | null,
): Generator<void, Fix | null> {
  const from = other.round.bodyFrom;
  const text = pattern.source.text.slice(from, other.round.span.to);
  let best: { edit: Edit; told: Told; size: number } | null = null;
  for (const edit of withinReach(smallEdits(text), text.length)) {
    if (touchesCount(other, edit, from) || (best && edit.size >= best.size)) continue;
    yield;
    const instruction = pattern.readAgain(text.slice(0, edit.from) + edit.text + text.slice(edit.to), other.round);
    if (!isSound(instruction)) continue;
    const outcome = other.instead(instruction, edge ?? undefined);
    if (outcome.made === null || outcome.misfits.length > 0 || outcome.obstacles.length > 0) continue;
    const told = tell(outcome, outcome.made);
    if (told) best = { edit, told, size: edit.size };
  }
  if (!best) return null;
  const { edit, told } = best;
  const was = text.slice(edit.from, edit.to);
  const own = { span: { from: from + edit.from, to: from + edit.to }, text: edit.text };
  return {
    title: `${other.round.label} carries it: ${edit.text} instead of ${was}. ${told.then}.`,
    edits: [own, ...told.edits].sort((a, b) => a.span.from - b.span.from),
  };
}

function makes({ edge, made }: Outcome): string {
  return edge === null ? `It makes ${made}` : `It uses all ${edge} and makes ${made}`;
}
