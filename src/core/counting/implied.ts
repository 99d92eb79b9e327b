import type { Repeat, Step } from '../pattern/instruction.js';
import type { Part, Round } from '../pattern/pattern.js';
import { fixedSize, isFabric, lastFabricOf } from './tally.js';

/** Once may be a slip; who leaves it out three times means it. */
const HABIT = 3;

/**
 * Rounds that say once what is worked to the end: "R2 inc (12)", "R3 sc, inc (18)", "R4 *2 sc, inc* = 24". Where a
 * pattern has that habit, each such round is to be read as repeated; where it stands alone, the repeat has been
 * forgotten, and nothing is changed.
 * @returns the steps of those rounds as they are meant; empty where the pattern has no such habit.
 */
export function impliedRepeats(parts: readonly Part[], text: string): ReadonlyMap<Round, readonly Step[]> {
  const found = new Map<Round, readonly Step[]>();
  let said = 0;
  const rounds = parts.flatMap(({ stretches }) => stretches.flatMap((stretch) => onEdges(stretch.rounds)));
  for (const { round, edge } of rounds) {
    if (edge === null) continue;
    const often = round.steps.some((step) => step.kind === 'repeat' && step.amount !== null);
    if (often) said += 1;
    else if (saysOnce(round, edge)) found.set(round, toTheEnd(round.steps));
  }
  // Who says elsewhere how often has forgotten it here.
  if (found.size < HABIT || found.size < said) return new Map();
  return new Map([...found, ...saidAlike(parts, found, text)]);
}

/** The rounds of a stretch with the count that is stated for the edge of each. */
function onEdges(rounds: readonly Round[]): { round: Round; edge: number | null }[] {
  let edge: number | null = null;
  return rounds.map((round) => {
    const one = { round, edge };
    edge = round.stated?.total ?? (isWorkedEven(round) ? edge : null);
    return one;
  });
}

/** Rounds that don't come out, and end with the words with which at least three others say that they are repeated. */
function saidAlike(
  parts: readonly Part[],
  found: ReadonlyMap<Round, readonly Step[]>,
  text: string,
): [Round, readonly Step[]][] {
  const often = new Map<string, number>();
  for (const round of found.keys())
    for (const words of talkIn(round, text)) often.set(words, (often.get(words) ?? 0) + 1);
  const said = new Set([...often].filter(([, count]) => count >= HABIT).map(([words]) => words));
  if (said.size === 0) return [];
  const rounds = parts.flatMap(({ stretches }) => stretches.flatMap((stretch) => stretch.rounds));
  return rounds
    .filter(
      (round) =>
        !found.has(round) && onceIn(round.steps).length > 0 && talkIn(round, text).some((words) => said.has(words)),
    )
    .map((round) => [round, toTheEnd(round.steps)]);
}

/** "7 to 12 plain": a round that keeps the count of the one before, whether it states it or not. */
function isWorkedEven({ steps, unread, reference }: Round): boolean {
  const [only, ...more] = steps.filter(isFabric);
  return (
    only?.kind === 'work' &&
    more.length === 0 &&
    only.per === 1 &&
    only.over === 1 &&
    only.amount.kind === 'fill' &&
    unread.length === 0 &&
    reference === null
  );
}

function talkIn({ remarks }: Round, text: string): string[] {
  return remarks.map(({ from, to }) => text.slice(from, to).trim().toLowerCase());
}

/** Whether a round comes to its stated count when all of it is repeated to the end of its edge, and not as it stands. */
function saysOnce({ steps, stated, unread, brackets, reference }: Round, edge: number): boolean {
  if (!stated || reference || unread.length > 0 || brackets.length > 0) return false;
  const size = fixedSize(onceIn(steps));
  if (!size || size.into === 0 || size.into * 2 > edge || edge % size.into > 0) return false;
  return size.made * (edge / size.into) === stated.total;
}

/** The steps without the brackets or stars round all of them that say no number; none where they are not plain. */
function onceIn(steps: readonly Step[]): readonly Step[] {
  const fabric = steps.filter(isFabric);
  const only = fabric.length === 1 ? fabric[0] : undefined;
  const inside = only?.kind === 'repeat' && only.amount === null ? only.body : steps;
  return [...steps, ...inside].every((step) => isPlain(step) || (step === only && inside !== steps)) ? inside : [];
}

function isPlain(step: Step): boolean {
  return step.kind === 'loops' || step.kind === 'colour' || (step.kind === 'work' && step.place.kind === 'edge');
}

function toTheEnd(steps: readonly Step[]): readonly Step[] {
  const first = steps.findIndex(isFabric);
  const last = lastFabricOf(steps);
  const inside = onceIn(steps);
  const body = inside === steps ? steps.slice(first, last + 1) : inside;
  const span = { from: body[0]?.span.from ?? 0, to: body.at(-1)?.span.to ?? 0 };
  const repeat: Repeat = { kind: 'repeat', body, amount: { kind: 'fill', leave: 0 }, span };
  return [...steps.slice(0, first), repeat, ...steps.slice(last + 1)];
}
