import {
  consequence,
  isoOf,
  mondayOf,
  movedTo,
  planned,
  STAGE_IDS,
  tasksUntil,
  type Consequence,
  type Day,
  type Planned,
  type PlannedPattern,
  type StageId,
  type Task,
} from '../../core/index.js';
import { plannedOf, termsOf, type PlanEntry, type PlanGiven, type PlanRow } from '../plan.js';
import { troubleIn } from '../client.js';

/** What a plan asks of the outside. */
export interface PlanOptions {
  readonly put: (id: string, entry: PlanEntry) => Promise<void>;
  readonly say: (words: string) => void;
}

/** A stage that is being moved, and not kept yet. */
export interface Moving {
  readonly id: string;
  readonly stage: StageId;
  readonly day: Day;
}

/** Weeks that are shown before today, and behind the last date. */
const BEFORE = 14;
const BEHIND = 14;
/** So far is shown at the least: a screen full; days. */
const FEWEST_AHEAD = 185;
const WEEK = 7;

/** Lists with their dates: where one is in them, and what is moved. */
export class PlanSession {
  readonly #options: PlanOptions;
  rows = $state.raw<readonly PlanRow[]>([]);
  #given = $state.raw<PlanGiven>({
    rows: [],
    settings: { days: {}, workdays: [0], holidays: [], absences: [], hoursAWeek: 1 },
    learnt: {},
    today: '1970-01-01',
  });
  /** The pattern and the stage that one is at. */
  at = $state<string | null>(null);
  stage = $state<StageId>('checked');
  moving = $state.raw<Moving | null>(null);
  /** Only what this person does is listed; empty for all. */
  person = $state('');

  readonly terms = $derived(termsOf(this.#given));
  readonly planned: readonly Planned[] = $derived(this.rows.map(plannedOf));
  readonly plans: readonly PlannedPattern[] = $derived(planned(this.planned, this.terms));
  readonly #byId: Readonly<Record<string, PlannedPattern>> = $derived(
    Object.fromEntries(this.plans.map((plan) => [plan.id, plan])),
  );
  /** The row that one is at; null where there is none. */
  readonly row: PlanRow | null = $derived(this.rows.find(({ id }) => id === this.at) ?? null);
  /** The pattern that a stage of is moved, as it would stand then. */
  readonly preview: PlannedPattern | null = $derived.by(() => {
    const { moving } = this;
    const one = moving && this.planned.find(({ id }) => id === moving.id);
    return one ? (planned([{ ...movedTo(one, moving.stage, moving.day), after: [] }], this.terms)[0] ?? null) : null;
  });
  readonly told: Consequence | null = $derived(
    this.moving ? consequence(this.planned, this.terms, this.moving.id, this.moving.stage, this.moving.day) : null,
  );
  /** The first and the last day that are shown: a Monday and a Sunday. */
  readonly span: { readonly from: Day; readonly to: Day } = $derived.by(() => {
    const days = this.plans.flatMap(({ stages, likely }) => [
      likely,
      ...stages.filter(({ done }) => done === null).flatMap(({ from, due }) => [from, due]),
    ]);
    const { today } = this.terms;
    return {
      from: mondayOf(Math.min(today - BEFORE, ...days)),
      to: mondayOf(Math.max(today + FEWEST_AHEAD, ...days) + BEHIND) + WEEK - 1,
    };
  });
  readonly today: readonly Task[] = $derived(this.#tasks(0));
  /** What comes after today, until Sunday. */
  readonly week: readonly Task[] = $derived.by(() => {
    const { today } = this.terms;
    return this.#tasks(mondayOf(today) + WEEK - 1 - today).filter(({ due }) => due > today);
  });
  /** Who has something to do, in the order of the alphabet. */
  readonly people: readonly string[] = $derived(
    tasksUntil(this.planned, this.plans, Number.MAX_SAFE_INTEGER)
      .map(({ person }) => person)
      .filter((person, i, all) => all.indexOf(person) === i)
      .sort((a, b) => a.localeCompare(b)),
  );

  constructor(given: PlanGiven, options: PlanOptions) {
    this.#options = options;
    this.take(given);
  }

  /** Takes up what the server says now. */
  take(given: PlanGiven): void {
    this.#given = given;
    this.rows = given.rows;
    if (!given.rows.some(({ id }) => id === this.at)) this.at = given.rows[0]?.id ?? null;
  }

  #tasks(ahead: number): Task[] {
    const all = tasksUntil(this.planned, this.plans, this.terms.today + ahead);
    return this.person === '' ? all : all.filter(({ person }) => person === this.person);
  }

  /** How a pattern stands, with what is being moved. */
  planOf(id: string): PlannedPattern | null {
    return this.moving?.id === id ? this.preview : (this.#byId[id] ?? null);
  }

  /** Goes to a pattern, and to its next stage. What was moved and not kept is taken back. */
  goTo(id: string, stage?: StageId): void {
    if (this.moving && (this.moving.id !== id || this.moving.stage !== stage)) this.moving = null;
    this.at = id;
    this.stage = stage ?? this.plans.find((plan) => plan.id === id)?.next?.id ?? 'out';
  }

  stepRow(by: 1 | -1): void {
    const at = this.rows.findIndex(({ id }) => id === this.at);
    const next = this.rows[at + by];
    if (next) this.goTo(next.id);
  }

  stepStage(by: 1 | -1): void {
    const next = STAGE_IDS[STAGE_IDS.indexOf(this.stage) + by];
    if (next !== undefined && this.at !== null) this.goTo(this.at, next);
  }

  /** To the next pattern that is late, or will be (-1: the one before). */
  toLate(by: 1 | -1): void {
    const late = this.plans.map(({ late: days, slips, id }) => (days > 0 || slips > 0 ? id : null));
    const at = this.rows.findIndex(({ id }) => id === this.at);
    for (let i = at + by; i >= 0 && i < late.length; i += by) {
      const id = late[i];
      if (id) {
        this.goTo(id);
        return;
      }
    }
  }

  /** Moves the stage that one is at by so many days, to be kept or taken back. */
  shift(days: number): void {
    const id = this.at;
    const base = id === null ? null : this.plans.find((plan) => plan.id === id);
    const stage = base?.stages.find((one) => one.id === this.stage);
    if (!id || !stage || stage.done !== null) return;
    const from = this.moving?.id === id && this.moving.stage === this.stage ? this.moving.day : stage.due;
    this.moveTo(id, this.stage, from + days);
  }

  /** Moves a stage to a day, to be kept or taken back. What was reached stays where it was. */
  moveTo(id: string, stage: StageId, day: Day): void {
    const base = this.plans.find((plan) => plan.id === id)?.stages.find((one) => one.id === stage);
    if (!base || base.done !== null) return;
    const { moving } = this;
    // The mouse tells of every pixel, and a day is several of them.
    if (moving?.id === id && moving.stage === stage && moving.day === day) return;
    this.at = id;
    this.stage = stage;
    this.moving = base.due === day ? null : { id, stage, day };
  }

  /** Keeps what was moved. */
  async keep(): Promise<void> {
    const { moving } = this;
    const row = moving && this.rows.find(({ id }) => id === moving.id);
    if (!row) return;
    const { moved } = movedTo(plannedOf(row), moving.stage, moving.day);
    this.moving = null;
    await this.change(row.id, {
      moved: Object.fromEntries(Object.entries(moved).map(([id, day]) => [id, isoOf(day)])),
    });
  }

  /** A stage that was moved falls to where it falls by itself. */
  async letGo(id: string, stage: StageId): Promise<void> {
    const row = this.rows.find((one) => one.id === id);
    if (!row?.moved[stage]) return;
    await this.change(id, {
      moved: Object.fromEntries(Object.entries(row.moved).filter(([other]) => other !== stage)),
    });
  }

  /** Changes what is settled of a pattern: shown at once, and taken back where it can't be kept. */
  async change(id: string, change: Partial<PlanEntry>): Promise<void> {
    const before = this.rows;
    const row = before.find((one) => one.id === id);
    if (!row) return;
    const { list, release, editor, hours, after, done, moved } = { ...row, ...change };
    const entry: PlanEntry = { list, release, editor, hours, after, done, moved };
    this.rows = before.map((one) => (one.id === id ? { ...one, ...entry } : one));
    try {
      await this.#options.put(id, entry);
    } catch (error) {
      this.rows = before;
      this.#options.say(`The date was not kept. ${troubleIn(error)}`);
    }
  }
}
