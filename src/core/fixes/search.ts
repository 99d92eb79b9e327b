import type { Fix } from '../checks/rule.js';
import type { CountedPattern, CountedRound } from '../counting/counted.js';
import { madeByKind } from '../counting/kinds.js';
import type { Outcome } from '../counting/outcome.js';
import type { Step } from '../pattern/instruction.js';
import type { Instruction } from '../pattern/pattern.js';
import type { StitchId } from '../vocabulary/stitches.js';
import { countEdit, goesOn, isSound, LONGEST, touchesCount } from './round.js';
import { storiesFor } from './stories.js';
import {
  bracketEdits,
  exchangeEdits,
  smallEdits,
  spellingEdits,
  timesEdits,
  timesSign,
  withinReach,
  type Edit,
} from './edits.js';

/** At most so many ways to put a round right are offered. */
const MOST = 4;
interface Candidate {
  readonly edit: Edit;
  readonly text: string;
  readonly outcome: Outcome;
  readonly cost: number;
}

/**
 * The small changes of a round after which it fits its edge, makes what it states, and lets the next round fit;
 * the likeliest first. Each is worked out with the real counting; nothing is guessed. Pauses after each that was tried.
 */
export function* fixesFor(counted: CountedPattern, index: number): Generator<void, Fix[]> {
  const round = counted.rounds[index];
  if (!round) return [];
  const fixes: Fix[] = [];
  const stated = statedFix(counted, round);
  if (stated && round.blame === 'stated') fixes.push(stated);
  for (const candidate of yield* candidates(counted, index)) fixes.push(fixOf(counted, round, candidate));
  if (stated && round.blame !== 'stated') fixes.push(stated);
  const stories = yield* storiesFor(counted, index);
  return [...fixes.slice(0, MOST - stories.length), ...stories];
}

function* candidates(counted: CountedPattern, index: number): Generator<void, Candidate[]> {
  const round = counted.rounds[index];
  if (!round || round.round.reference) return [];
  const { source, readAgain } = counted.pattern;
  const from = round.round.bodyFrom;
  const text = source.text.slice(from, round.round.span.to);
  if (text.length > LONGEST || round.round.unread.some(({ tooLong }) => tooLong)) return [];
  const found: Candidate[] = [];
  for (const edit of withinReach(editsOf(counted, round, text, from), text.length)) {
    if (touchesCount(round, edit, from)) continue;
    yield;
    const edited = text.slice(0, edit.from) + edit.text + text.slice(edit.to);
    const instruction = readAgain(edited, round.round);
    if (!isSound(instruction) || !suitsBreakdown(instruction)) continue;
    const outcome = round.instead(instruction);
    if (!mends(outcome, instruction, round) || !goesOn(counted, index, outcome.made)) continue;
    found.push({ edit, text: edited, outcome, cost: edit.size - likeness(counted, index, edited) });
  }
  return distinct(found.sort((a, b) => a.cost - b.cost));
}

/** Whether an instruction comes out even, and at the count that is stated, or else the one that the next round needs. */
function mends(outcome: Outcome, { stated }: Instruction, { round, carried }: CountedRound): outcome is Counted {
  if (outcome.misfits.length + outcome.obstacles.length > 0) return false;
  return outcome.made !== null && outcome.made === (stated?.total ?? round.stated?.total ?? carried);
}

type Counted = Outcome & { readonly made: number };

function editsOf(
  { pattern }: CountedPattern,
  { round, outcome }: CountedRound,
  text: string,
  from: number,
): Iterable<Edit> {
  const [problem, other, ...more] = round.brackets;
  if (problem && other?.what === 'never-opened' && more.length === 0) {
    const exchanged = [...exchangeEdits(problem.mark, problem.span.from - from, other.mark)];
    if (exchanged.length > 0) return exchanged;
  }
  if (problem) return bracketEdits(text, problem.mark, problem.span.from - from);
  if (round.unread.length > 0)
    return spellingEdits(
      text,
      round.unread.map(({ span }) => ({ from: span.from - from, to: span.to - from })),
    );
  const bare = outcome.obstacles.find(({ kind }) => kind === 'no-amount');
  if (bare?.kind === 'no-amount') return timesEdits(bare.span.to - from, timesSign(pattern.source.text));
  return smallEdits(text);
}

/** Whether the kinds of stitches are those of "(4 sc, 4 hdc)", as far as the instruction names them with their numbers. */
function suitsBreakdown({ steps, stated }: Instruction): boolean {
  if (!stated || stated.breakdown.length < 2) return true;
  const made = new Map<StitchId, number>();
  const add = (some: readonly Step[], times: number): boolean =>
    some.every((step) => {
      if (step.kind !== 'work' && step.kind !== 'repeat') return step.kind !== 'group';
      if (step.amount?.kind !== 'times') return false;
      const often = times * step.amount.times;
      if (step.kind === 'repeat') return add(step.body, often);
      if (step.stitch === null) return false;
      made.set(step.stitch, (made.get(step.stitch) ?? 0) + often * step.per);
      return true;
    });
  return !add(steps, 1) || stated.breakdown.every(({ stitch, count }) => (made.get(stitch) ?? 0) === count);
}

/**
 * How well an instruction continues its neighbours, from 0 to 1: in the same words as they are, with figures that lie where
 * those of two of them lead to ("sc 2 … sc 3 … sc 4"), or at least close to those of one.
 */
function likeness({ rounds, pattern }: CountedPattern, index: number, text: string): number {
  const shape = shapeOf(text);
  const mine = figuresOf(text);
  const figuresAt = (step: number): readonly number[] | null => {
    const other = rounds[index + step];
    if (!other || other.stretch !== rounds[index]?.stretch) return null;
    const words = pattern.source.text.slice(other.round.bodyFrom, other.round.span.to);
    return shapeOf(words) === shape ? figuresOf(words) : null;
  };
  const near = new Map([-2, -1, 1, 2].map((step) => [step, figuresAt(step)]));
  let best = 0;
  for (const [step, theirs] of near) {
    if (!theirs) continue;
    // The last figure may be the count, which goes up by more.
    const close = mine.slice(0, -1).every((figure, i) => Math.abs(figure - (theirs[i] ?? figure)) <= Math.abs(step));
    best = Math.max(best, close ? CLOSE : ALIKE);
  }
  for (const [first, second, at] of LEADING) {
    const [one, other] = [near.get(first), near.get(second)];
    if (one && other && mine.every((figure, i) => figure === led(one[i], other[i], at))) best = 1;
  }
  return best;
}

const CLOSE = 0.9;
const ALIKE = 0.5;
/** Two neighbours, and where this round lies on the way from the first to the second. */
const LEADING = [
  [-1, 1, 0.5],
  [-2, -1, 2],
  [1, 2, -1],
] as const;

function led(first = 0, second = 0, at: number): number {
  return first + (second - first) * at;
}

function shapeOf(text: string): string {
  return text.toLowerCase().replace(/\d+/g, '#').replace(/\s+/g, ' ').trim();
}

function figuresOf(text: string): number[] {
  return [...text.matchAll(/\d+/g)].map(([figure]) => Number(figure));
}

function distinct(candidates: readonly Candidate[]): Candidate[] {
  const seen = new Set<string>();
  return candidates.filter(({ text }) => {
    if (seen.has(text)) return false;
    seen.add(text);
    return true;
  });
}

/** The stated count changed to what the instruction makes, where it fits and the next round can go on from that. */
function statedFix(counted: CountedPattern, round: CountedRound): Fix | null {
  const { stated } = round.round;
  const { made, misfits } = round.outcome;
  const index = counted.rounds.indexOf(round);
  if (!stated || made === null || misfits.length > 0 || made === stated.total || !goesOn(counted, index, made))
    return null;
  const slip = stated.breakdown.length > 1 ? wrongKind(round) : { figure: stated.total, right: made };
  const edit = slip && countEdit(counted, round, slip.figure, slip.right);
  return edit && { title: `State ${slip.right} instead of ${slip.figure}`, edits: [edit] };
}

/** The one figure of "(20 dc, 4 htr)" that is not what the round makes of its kind; null where several are not. */
function wrongKind(counted: CountedRound): { figure: number; right: number } | null {
  const made = madeByKind(counted);
  const wrong = (counted.round.stated?.breakdown ?? []).filter(
    ({ stitch, count }) => (made.get(stitch) ?? 0) !== count,
  );
  const only = wrong[0];
  return only && wrong.length === 1 ? { figure: only.count, right: made.get(only.stitch) ?? 0 } : null;
}

function fixOf({ pattern }: CountedPattern, { round }: CountedRound, { edit, text, outcome }: Candidate): Fix {
  const from = round.bodyFrom;
  const { into, edge, made } = outcome;
  const uses = into !== null && edge !== null ? `uses all ${edge}, makes ${made}` : `makes ${made}`;
  const was = pattern.source.text.slice(from + edit.from, from + edit.to);
  const place = aroundEdit(text, edit);
  const what =
    edit.kind === 'bracket' && edit.text !== ''
      ? `Add "${edit.text}": ${place}`
      : edit.kind === 'bracket'
        ? `Take out "${was}"`
        : edit.kind === 'times'
          ? `Say how often: ${place}`
          : `${edit.text} instead of ${was}: ${place}`;
  return {
    title: `${what} (${uses})`,
    edits: [{ span: { from: from + edit.from, to: from + edit.to }, text: edit.text }],
  };
}

/** The step that an edit stands in, as it reads then. */
function aroundEdit(text: string, { from, text: inserted, kind }: Edit): string {
  const before = kind === 'exchange' ? from : Math.max(0, from - 1);
  const open = Math.max(...['(', '[', '{', '*'].map((mark) => text.lastIndexOf(mark, before)));
  const closes = [')', ']', '}', ';', '*']
    .map((mark) => text.indexOf(mark, from + inserted.length))
    .filter((at) => at >= 0);
  const inBracket = open >= 0 && !/[)\]}]/.test(text.slice(open, from));
  // The number behind a repeat is shown with what it repeats: "(4 sc, dec) × 6".
  const repeated = /[([{*][^()[\]{}*]*[)\]}*]\s*(?:[x×*]|repeat)?\s*$/.exec(text.slice(0, from));
  if (repeated) return shortened(text.slice(repeated.index, from + inserted.length));
  const start = inBracket ? open : Math.max(0, text.lastIndexOf(',', from - 1) + 1);
  const comma = text.indexOf(',', from + inserted.length);
  const end = inBracket ? Math.min(text.length, ...closes) + 1 : comma < 0 ? Math.min(text.length, from + 30) : comma;
  return shortened(text.slice(start, end));
}

function shortened(text: string): string {
  const words = text.replace(/\s+/g, ' ').trim();
  return words.length > 60 ? `${words.slice(0, 59)}…` : words;
}
