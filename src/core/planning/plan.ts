import { NeverThere, Workdays, type Day, type WorkCalendar } from './days.js';
import { STAGES, STAGE_IDS, testDays, type StageId } from './stages.js';

/** Days of stages, of some of them or all. */
export type StageDays = Partial<Readonly<Record<StageId, Day>>>;

/** A pattern on a list, with what is known and what was settled of it. */
export interface Planned {
  readonly id: string;
  readonly name: string;
  /** The day on which it is to come out. */
  readonly release: Day;
  /** Who does the editor's part; empty where that is not settled. */
  readonly editor: string;
  readonly designer: string;
  /** Hours that the toy takes; null where that is not known. */
  readonly hours: number | null;
  /** Patterns that come out before it, by their ids. */
  readonly after: readonly string[];
  /** When stages were reached. */
  readonly done: StageDays;
  /** Days to which stages were moved by hand. */
  readonly moved: StageDays;
}

/** What all of a plan goes by. */
export interface PlanTerms {
  readonly calendar: WorkCalendar;
  /** How long each stage takes from the one before, in its own days. */
  readonly days: Readonly<Record<StageId, number>>;
  readonly hoursAWeek: number;
  readonly today: Day;
}

export interface PlannedStage {
  readonly id: StageId;
  /** When work on it begins, and when it has to be reached for all to come out in time. */
  readonly from: Day;
  readonly due: Day;
  /** When it was reached; null where it was not yet. */
  readonly done: Day | null;
  /** When it will be, if work on it goes on from today. */
  readonly likely: Day;
}

export interface PlannedPattern {
  readonly id: string;
  readonly stages: readonly PlannedStage[];
  /** The first stage that was not reached; null where all are. */
  readonly next: PlannedStage | null;
  /** The day on which it will come out, if work on it goes on from today. */
  readonly likely: Day;
  /** By how many days of the calendar its next stage is overdue; 0 where it is not. */
  readonly late: number;
  /** By how many days of the calendar it will come out too late, if work goes on from today; 0 where it comes in time. */
  readonly slips: number;
  /** Why it can't be planned as it is wanted, each a sentence; planned as far as it goes. */
  readonly problems: readonly string[];
}

/**
 * All patterns of a list with their dates: backwards from each release, and forwards from today.
 * Patterns that wait for each other in a circle are told, and planned as if they did not.
 */
export function planned(patterns: readonly Planned[], terms: PlanTerms): readonly PlannedPattern[] {
  const workdays = new Workdays(terms.calendar);
  const byId = new Map(patterns.map((one) => [one.id, one]));
  const circles = circlesIn(patterns);
  const results = new Map<string, PlannedPattern>();
  const resultOf = (one: Planned): PlannedPattern => {
    const known = results.get(one.id);
    if (known) return known;
    const circle = circles.get(one.id);
    const before = circle ? [] : one.after.flatMap((id) => byId.get(id) ?? []);
    const made = patternPlan(
      one,
      terms,
      workdays,
      before.map(resultOf),
      circle?.map((id) => byId.get(id)?.name ?? ''),
    );
    results.set(one.id, made);
    return made;
  };
  return patterns.map(resultOf);
}

/** The circle that each pattern stands in, by ids; patterns in none are left out. */
function circlesIn(patterns: readonly Planned[]): ReadonlyMap<string, readonly string[]> {
  const after = new Map(patterns.map((one) => [one.id, one.after]));
  const circles = new Map<string, readonly string[]>();
  for (const { id } of patterns) {
    // From each pattern back to itself, the shortest way.
    const ways: string[][] = [[id]];
    const seen = new Set<string>();
    for (let way = ways.shift(); way; way = ways.shift()) {
      const last = way.at(-1) ?? id;
      for (const next of after.get(last) ?? []) {
        if (next === id) circles.set(id, way);
        else if (after.has(next) && !seen.has(next)) ways.push([...way, next]);
        seen.add(next);
      }
      if (circles.has(id)) break;
    }
  }
  return circles;
}

function patternPlan(
  one: Planned,
  terms: PlanTerms,
  workdays: Workdays,
  before: readonly PlannedPattern[],
  circle: readonly string[] | undefined,
): PlannedPattern {
  const { today } = terms;
  const problems: string[] = [];
  const away = new Set<string>();
  const steps = STAGES.map((stage) => {
    const person = stage.by === 'editor' ? one.editor : '';
    const own =
      stage.id === 'tested' && one.hours !== null ? testDays(one.hours, terms.hoursAWeek) : terms.days[stage.id];
    const step = (from: Day, direction: 1 | -1): Day => {
      if (stage.counts === 'calendar') return from + direction * own;
      try {
        return workdays.from(from, direction * own, person);
      } catch (error) {
        if (!(error instanceof NeverThere)) throw error;
        away.add(error.message);
        return from + direction * own;
      }
    };
    return { id: stage.id, step };
  });
  const due = duesOf(one, steps);
  const likely = likelyOf(one, steps, today);
  const stages = steps.map(({ id, step }, i): PlannedStage => ({
    id,
    due: due[i] ?? one.release,
    from: i === 0 ? (due[0] ?? one.release) : Math.max(due[i - 1] ?? 0, step(due[i] ?? one.release, -1)),
    done: one.done[id] ?? null,
    likely: likely[i] ?? today,
  }));
  const next = stages.find(({ done }) => done === null) ?? null;
  const waits = Math.max(0, ...before.map((other) => other.likely));
  const last = Math.max(likely.at(-1) ?? today, next ? waits : 0);
  const release = stages.at(-1)?.due ?? one.release;
  for (const sentence of away)
    problems.push(`${sentence} It is planned as if they worked; let somebody else do it, or move it.`);
  if (circle)
    problems.push(`It waits for itself: ${[...circle, circle[0]].join(', which waits for ')}. Take one of them out.`);
  if (next && one.release < today) problems.push('Its release date has passed, and it is not out.');
  if (release > one.release)
    problems.push(`Where its stages were moved to it comes out ${daysIn(release - one.release)} after its date.`);
  return {
    id: one.id,
    stages,
    next,
    likely: last,
    late: next ? Math.max(0, today - next.due) : 0,
    slips: next ? Math.max(0, last - one.release) : 0,
    problems,
  };
}

interface StageStep {
  readonly id: StageId;
  /** The day on which this stage is reached from the one before (1), or the other way round (-1). */
  readonly step: (from: Day, direction: 1 | -1) => Day;
}

/**
 * Backwards from the release; what was moved stays where it was put, and what comes behind it gives way. What comes before it
 * gives way to an earlier day, and stays where it is before a later one: nothing of it rests on that.
 */
function duesOf({ release, moved }: Planned, steps: readonly StageStep[]): Day[] {
  const dues: Day[] = [];
  let at = release;
  for (let i = steps.length - 1; i >= 0; i -= 1) {
    const id = STAGE_IDS[i];
    const day = (id === undefined ? undefined : moved[id]) ?? at;
    dues[i] = day;
    const from = Math.min(day, at);
    at = steps[i]?.step(from, -1) ?? from;
  }
  // Nothing is reached before what it rests on.
  for (let i = 1; i < steps.length; i += 1) {
    const before = dues[i - 1] ?? 0;
    if (movedAt(moved, i - 1) || before > (dues[i] ?? 0))
      dues[i] = Math.max(dues[i] ?? 0, steps[i]?.step(before, 1) ?? before);
  }
  return dues;
}

/** Whether a stage, or one before it, was moved by hand. */
const movedAt = (moved: StageDays, i: number): boolean =>
  STAGE_IDS.slice(0, i + 1).some((id) => moved[id] !== undefined);

/** Forwards: what was reached is as it was, and the rest follows from today at the earliest. */
function likelyOf({ done }: Planned, steps: readonly StageStep[], today: Day): Day[] {
  const likely: Day[] = [];
  steps.forEach(({ id, step }, i) => {
    const reached = done[id];
    const before = likely[i - 1];
    likely[i] = reached ?? Math.max(today, before === undefined ? today : step(before, 1));
  });
  return likely;
}

const daysIn = (count: number): string => (count === 1 ? 'a day' : `${count} days`);

/** What was reached, with the stages before it that nobody noted: they were reached by then as well. */
export function filled(done: StageDays): StageDays {
  const all: Partial<Record<StageId, Day>> = {};
  let later: Day | undefined;
  for (const id of [...STAGE_IDS].reverse()) {
    const day = done[id];
    if (day !== undefined) later = later === undefined ? day : Math.min(later, day);
    const reached = day ?? later;
    if (reached !== undefined) all[id] = reached;
  }
  return all;
}

/** What moving a stage would do, said before it is done. */
export interface Consequence {
  /** The stages that stand elsewhere then, with both days. */
  readonly moves: readonly {
    readonly pattern: string;
    readonly stage: StageId;
    readonly from: Day;
    readonly to: Day;
  }[];
  /** By how many days of the calendar the release would be later than its date. */
  readonly slips: number;
  /** Patterns that wait for it, and could come out later for that. */
  readonly waiting: readonly string[];
}

/** What comes of moving a stage of a pattern to a day; all other patterns stay as they are. */
export function consequence(
  patterns: readonly Planned[],
  terms: PlanTerms,
  id: string,
  stage: StageId,
  day: Day,
): Consequence {
  const one = patterns.find((pattern) => pattern.id === id);
  if (!one) return { moves: [], slips: 0, waiting: [] };
  const alone = (pattern: Planned) => planned([{ ...pattern, after: [] }], terms)[0];
  const [before, after] = [alone(one), alone(movedTo(one, stage, day))];
  const moves = (after?.stages ?? []).flatMap(({ id: other, due }, i) => {
    const was = before?.stages[i]?.due ?? due;
    return was === due ? [] : [{ pattern: id, stage: other, from: was, to: due }];
  });
  const out = after?.stages.at(-1)?.due ?? one.release;
  return {
    moves,
    slips: Math.max(0, out - one.release),
    waiting: patterns.filter((pattern) => pattern.after.includes(id) && pattern.release < out).map(({ name }) => name),
  };
}

/** A pattern with a stage moved by hand; stages behind it that were moved to days before that give way. */
export function movedTo(one: Planned, stage: StageId, day: Day): Planned {
  const at = STAGE_IDS.indexOf(stage);
  const kept = Object.entries(one.moved).filter(([id, other]) =>
    STAGE_IDS.indexOf(id as StageId) < at ? other < day : other > day,
  );
  return { ...one, moved: { ...Object.fromEntries(kept), [stage]: day } };
}

/** Something that is to be done, and by when. */
export interface Task {
  readonly pattern: string;
  readonly name: string;
  readonly stage: StageId;
  /** Who does it; empty where that is not settled. */
  readonly person: string;
  readonly due: Day;
}

/** The next stage of each pattern that has to be reached by a day, the longest overdue first. */
export function tasksUntil(patterns: readonly Planned[], plans: readonly PlannedPattern[], until: Day): Task[] {
  return patterns
    .flatMap((one, i): Task[] => {
      const next = plans[i]?.next;
      if (!next || next.due > until) return [];
      const by = STAGES.find(({ id }) => id === next.id)?.by;
      const person = by === 'editor' ? one.editor : by === 'designer' ? one.designer : 'Testers';
      return [{ pattern: one.id, name: one.name, stage: next.id, person, due: next.due }];
    })
    .sort((a, b) => a.due - b.due || a.name.localeCompare(b.name));
}
