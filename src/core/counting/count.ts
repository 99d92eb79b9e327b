import type { Step } from '../pattern/instruction.js';
import type { Part, Pattern, Round } from '../pattern/pattern.js';
import type { CountedPattern, CountedRound, Verdict } from './counted.js';
import { bringsGround, chainAlone, groundOf, namesPiece } from './ground.js';
import { impliedRepeats } from './implied.js';
import { isUnread, linkOf } from './link.js';
import type { Outcome } from './outcome.js';
import { mostPlausible } from './plausible.js';
import { pieceCalled, type Settled } from './references.js';
import { isFabric } from './tally.js';

/** Counts every round of a pattern on the most plausible edge, and gives each its verdict. */
export function countPattern(pattern: Pattern): CountedPattern {
  const rounds: CountedRound[] = [];
  const implied = impliedRepeats(pattern.parts, pattern.source.text);
  const earlier: Earlier = { counted: [], lastEdges: new Map(), pieces: new Map(), settled: new Map() };
  for (const part of pattern.parts) {
    const counted = countPart(pattern, part, earlier, implied);
    rounds.push(...counted);
    earlier.counted.push(counted);
    const name = part.name.toLowerCase();
    earlier.pieces.set(
      name,
      part.stretches.flatMap(({ rounds }) => rounds.map((round) => withSteps(round, implied.get(round)))),
    );
    earlier.lastEdges.set(name, counted.at(-1)?.carried ?? null);
  }
  return { pattern, rounds, implied };
}

/** What is known of the parts that came before, by name in lower case. */
interface Earlier {
  readonly counted: (readonly CountedRound[])[];
  readonly lastEdges: Map<string, number | null>;
  readonly pieces: Map<string, readonly Round[]>;
  readonly settled: Settled;
}

/** Gives the steps around a piece ("sc around the second leg") the number of stitches that the piece offers. */
function withSources(round: Round, lastEdges: ReadonlyMap<string, number | null>): Round {
  if (!round.steps.some(namesPiece)) return round;
  const settle = (step: Step): Step => {
    // Chains between the pieces are a part of the edge, and are worked in this very round.
    if (step.kind === 'chain') return { ...step, counts: false };
    if (step.kind !== 'work' || step.source === undefined || step.amount.kind !== 'fill') return step;
    const length = pieceCalled(step.source, lastEdges) ?? null;
    return length === null ? step : { ...step, amount: { kind: 'times', times: length - step.amount.leave } };
  };
  return { ...round, steps: round.steps.map(settle) };
}

function countPart(
  pattern: Pattern,
  part: Part,
  earlier: Earlier,
  implied: ReadonlyMap<Round, readonly Step[]>,
): CountedRound[] {
  const counted: CountedRound[] = [];
  const rule = new Map(pattern.chainRule);
  const chainCounts = (length: number) => rule.get(length) ?? rule.get(0) ?? null;
  for (const stretch of part.stretches) {
    const inStretch: CountedRound[] = [];
    for (const { steps } of stretch.rounds) rememberChains(steps, rule);
    const asWritten = new Map(
      stretch.rounds.map((round, i) => {
        const own = withSteps(round, implied.get(round));
        return [withSources(leavesRound(own, stretch.rounds[i - 1]), earlier.lastEdges), round];
      }),
    );
    for (const run of runsOf([...asWritten.keys()])) {
      const first = run[0];
      if (!first) continue;
      const ground = groundOf(first, { stretch, inStretch, before: counted, earlier: earlier.counted });
      const links = run.map((_, i) => linkOf(run, i, i === 0 ? ground : null, chainCounts, earlier));
      const edge = ground.kind === 'edge' ? ground.length : null;
      mostPlausible(links, edge).forEach(({ edge: into, outcome: found, blame, carried }, i) => {
        const round = run[i];
        const link = links[i];
        if (!round || !link) return;
        const outcome = bracketsHold(round, found);
        inStretch.push({
          round: asWritten.get(round) ?? round,
          part,
          stretch,
          outcome,
          verdict: verdictOf(round, outcome, blame !== null),
          blame,
          carried,
          trace: () => link.trace(into),
          works: () => link.works(into),
          instead: (instruction, edge) => link.instead(instruction, edge ?? into),
          on: link.on,
          along: link.along,
        });
      });
    }
    counted.push(...inStretch);
  }
  return counted;
}

/** "sc 6, [hdc 1, dc 1, hdc 1], sc 15 (24)": brackets that come out when they are done once only hold steps together. */
function bracketsHold(round: Round, outcome: Outcome): Outcome {
  const { obstacles, misfits, made, edge } = outcome;
  const once = misfits.length === 0 && edge !== null && made !== null && made === round.stated?.total;
  if (!once || round.steps.filter(isFabric).length < 2) return outcome;
  const left = obstacles.filter(({ kind }) => kind !== 'no-amount');
  return left.length === obstacles.length ? outcome : { ...outcome, obstacles: left };
}

/** "Row 3: sc 6, ch 1, turn" on a round of 12: the first row that is turned leaves the rest of the round. */
function leavesRound(round: Round, before: Round | undefined): Round {
  if (round.kind !== 'row' || before?.kind !== 'round' || !before.labelled) return round;
  if (round.steps.some(({ kind }) => kind === 'flat')) return round;
  const turn = round.steps.find(({ kind }) => kind === 'turn');
  return turn ? { ...round, steps: [...round.steps, { kind: 'leave', count: null, span: turn.span }] } : round;
}

function withSteps(round: Round, steps: readonly Step[] | undefined): Round {
  return steps ? { ...round, steps } : round;
}

/** "Ch 3 (counts as dc)" said once in a round holds for the chains of that length after it. */
function rememberChains(steps: readonly Step[], rule: Map<number, boolean>): void {
  for (const step of steps)
    if (step.kind === 'chain' && step.counts !== null && !rule.has(step.count)) rule.set(step.count, step.counts);
}

/** Rounds that are each worked into the one before; a new run begins where a round brings its own ground. */
function runsOf(rounds: readonly Round[]): Round[][] {
  const runs: Round[][] = [];
  for (const round of rounds) {
    const last = runs.at(-1);
    const before = last?.at(-1);
    if (!last || bringsGround(round) || (before && chainAlone(before))) runs.push([round]);
    else last.push(round);
  }
  return runs;
}

function verdictOf(round: Round, outcome: Outcome, blamed: boolean): Verdict {
  if (isUnread(round) || outcome.obstacles.some(({ kind }) => kind === 'unread')) return 'unreadable';
  if (outcome.made === null) return 'on-trust';
  if (outcome.obstacles.some(({ kind }) => kind === 'no-amount')) return 'off';
  if (blamed || outcome.misfits.length > 0) return 'off';
  if (!outcome.starts && outcome.edge === null) return round.stated ? 'on-trust' : 'counted';
  return round.stated ? 'agrees' : 'counted';
}
