import type { CountedRound } from '../counting/counted.js';
import type { Worked } from '../counting/outcome.js';
import type { Amount, Step } from '../pattern/instruction.js';
import { marksIn } from '../explaining/account.js';
import type { Round } from '../pattern/pattern.js';

/** No round is followed stitch by stitch further than this; runs of like stitches. */
const MOST_RUNS = 600;

/**
 * What a round does, whatever its words and its terms: the stitches one after the other in runs of like ones, the loops
 * they go into, how many rounds of them there are, and the figures. Two rounds with the same meaning make the same fabric.
 * @returns null where that can't be told.
 */
export function meaningOf(counted: CountedRound): string | null {
  const { round, verdict, outcome } = counted;
  if (verdict === 'unreadable') return null;
  const { worked } = counted.trace();
  const runs = runsOf(worked, baseOf(worked) ?? 'step1');
  if (!runs || runs.length === 0) return null;
  const stitches = runs.map(({ what, times }) => (times === 1 ? what : `${what}*${times}`)).join(' ');
  return `${round.numbers.length || 1}|${stitches}|${outcome.into ?? '-'}>${outcome.made ?? '-'}`;
}

interface Run {
  readonly what: string;
  times: number;
}

/** What was worked, in runs; null where that is too long to be followed. */
function runsOf(worked: readonly Worked[], base: string): Run[] | null {
  const runs: Run[] = [];
  for (const { step, times, body } of worked) {
    const inside = step.kind === 'repeat' ? runsOf(body, base) : runOf(step, base);
    if (!inside) return null;
    const [only] = inside;
    if (inside.length === 1 && only) add(runs, only.what, only.times * times);
    else {
      if (inside.length * times > MOST_RUNS) return null;
      for (let pass = 0; pass < times; pass += 1) for (const run of inside) add(runs, run.what, run.times);
    }
    if (runs.length > MOST_RUNS) return null;
  }
  return runs;
}

function add(runs: Run[], what: string, times: number): void {
  const last = runs.at(-1);
  if (last?.what === what) last.times += times;
  else runs.push({ what, times });
}

function runOf(step: Worked['step'], base: string): Run[] {
  const what = said(step, base);
  return what === null ? [] : [{ what, times: 1 }];
}

/** The stitch that a bare increase or decrease is of: the first that is named. */
function baseOf(worked: readonly Worked[]): string | null {
  for (const { step, body } of worked) {
    const found = step.kind === 'work' ? (step.stitch === 'slip' ? null : step.stitch) : baseOf(body);
    if (found) return found;
  }
  return null;
}

/** One step as it is worked once; null for what alters no fabric: joining, turning, colours. */
function said(step: Worked['step'], base: string): string | null {
  switch (step.kind) {
    case 'work':
      return `${step.stitch ?? base}${step.per}/${step.over}${step.place.kind === 'edge' ? '' : `@${step.place.kind}`}`;
    case 'group':
      return `[${step.members.map(({ stitch, per }) => `${stitch ?? base}${per}`).join(' ')}]`;
    case 'skip':
      return `skip${step.count}`;
    case 'leave':
      return `leave${step.count ?? ''}`;
    case 'chain':
      return `chain${step.count}`;
    case 'loops':
      return `in-${step.loops}`;
    case 'free-loops':
      return `free-${step.loops ?? 'any'}`;
    default:
      return null;
  }
}

/**
 * What the words of a round ask for, whatever edge they stand on: as its meaning, but "around" stays "around".
 * @param body the words of the round; signs of its hand that may mean anything are told with what they ask for.
 * @returns null where not all of it was understood, or it names other rounds.
 */
export function recipeOf(round: Round, body: string): string | null {
  if (round.unread.length > 0 || round.reference !== null) return null;
  const runs = asked(round.steps, baseOfSteps(round.steps) ?? 'step1');
  if (!runs || runs.length === 0) return null;
  const marks = marksIn(body).map(({ mark }) => mark);
  return [...runs.map(({ what, times }) => (times === 1 ? what : `${what}*${times}`)), ...marks].join(' ');
}

/** What steps ask for, in runs; null where that is too long to be followed. */
function asked(steps: readonly Step[], base: string): Run[] | null {
  const runs: Run[] = [];
  for (const step of steps) {
    const inside = step.kind === 'repeat' ? asked(step.body, base) : runOf(step, base);
    if (!inside) return null;
    const amount = 'amount' in step ? step.amount : null;
    const times = amount?.kind === 'times' ? amount.times : 1;
    const [only] = inside;
    if (amount && amount.kind !== 'times')
      add(runs, `(${inside.map(({ what, times: each }) => `${what}*${each}`).join(' ')})${open(amount)}`, 1);
    else if (inside.length === 1 && only) add(runs, only.what, only.times * times);
    else if (inside.length * times > MOST_RUNS) return null;
    else for (let pass = 0; pass < times; pass += 1) for (const run of inside) add(runs, run.what, run.times);
    if (runs.length > MOST_RUNS) return null;
  }
  return runs;
}

function open(amount: Exclude<Amount, { kind: 'times' }>): string {
  return amount.kind === 'fill' ? `~${amount.leave}` : amount.kind === 'until-made' ? `>${amount.count}` : '?';
}

function baseOfSteps(steps: readonly Step[]): string | null {
  for (const step of steps) {
    const found =
      step.kind === 'work'
        ? step.stitch === 'slip'
          ? null
          : step.stitch
        : step.kind === 'repeat'
          ? baseOfSteps(step.body)
          : null;
    if (found) return found;
  }
  return null;
}
