import { and, eq, inArray, isNull, max, min, sql } from 'drizzle-orm';
import * as z from 'zod/mini';
import { filled, hoursOf, learntFrom, Workdays, dayOf, isoOf, type Day, type StageId } from '../../../core/index.js';
import {
  localDay,
  nextDates,
  planEntrySchema,
  planSettingsSchema,
  termsOf,
  USUAL_SETTINGS,
  type PlanEntry,
  type PlanGiven,
  type PlanRow,
  type PlanSettings,
} from '../../plan.js';
import { type NextDate } from '../../plan/words.js';
import type { OpenDatabase } from '../db/client.js';
import {
  calls,
  confirmations,
  drafts,
  events,
  letters,
  patterns,
  plans,
  queries,
  releases,
  ticks,
  workspace,
} from '../db/schema.js';
import { parsed, readable } from '../readable.js';

const NAME = 'plan';
/** The line of the checklist by which testers are through. */
const TESTED = 'tested';
/** So many patterns that are out tell how long things take: the last ones. */
const MOST_LEARNT = 60;

type Moments = Partial<Record<StageId, number | null>>;

/** Lists with their dates: what was settled of each pattern on them, and what its history tells. */
export class PlanStore {
  readonly #database: OpenDatabase;
  readonly #now: () => number;

  constructor(database: OpenDatabase, now: () => number = Date.now) {
    this.#database = database;
    this.#now = now;
  }

  async settings(): Promise<PlanSettings> {
    const [row] = await this.#database.db.select().from(workspace).where(eq(workspace.name, NAME));
    const [settings] = row ? readable([parsed(row.value)], planSettingsSchema, 'the plan') : [];
    return settings ?? USUAL_SETTINGS;
  }

  async set(settings: PlanSettings): Promise<void> {
    const row = { name: NAME, value: JSON.stringify(settings), at: this.#now() };
    await this.#database.write((db) =>
      db.insert(workspace).values(row).onConflictDoUpdate({ target: workspace.name, set: row }),
    );
  }

  /** Puts a pattern on a list, or changes what is settled of it; false where there is no such pattern. */
  async put(id: string, entry: PlanEntry): Promise<boolean> {
    return this.#database.write(async (db) => {
      const there = await db
        .select({ id: patterns.id })
        .from(patterns)
        .where(and(eq(patterns.id, id), isNull(patterns.deletedAt)));
      if (there.length === 0) return false;
      const row = {
        ...entry,
        after: JSON.stringify(entry.after.filter((other) => other !== id)),
        done: JSON.stringify(entry.done),
        moved: JSON.stringify(entry.moved),
        patternId: id,
        at: this.#now(),
      };
      await db.insert(plans).values(row).onConflictDoUpdate({ target: plans.patternId, set: row });
      return true;
    });
  }

  /** Takes a pattern off its list; false where it was on none. */
  async remove(id: string): Promise<boolean> {
    const gone = await this.#database.write((db) => db.delete(plans).where(eq(plans.patternId, id)).returning());
    return gone.length > 0;
  }

  /** All that the plan is made from. */
  async given(): Promise<PlanGiven> {
    const rows = await this.#database.db
      .select({ plan: plans, name: patterns.name, designer: patterns.designer, summary: patterns.summary })
      .from(plans)
      .innerJoin(patterns, eq(patterns.id, plans.patternId))
      .where(isNull(patterns.deletedAt))
      .orderBy(plans.release, patterns.name);
    const reached = await this.#reached(rows.map(({ plan }) => plan.patternId));
    const hours = await this.#hours(rows.map(({ plan }) => plan.patternId));
    const settings = await this.settings();
    const today = localDay(this.#now());
    const terms = termsOf({ settings, learnt: {}, today });
    return {
      rows: rows.flatMap(({ plan, name, designer, summary }): PlanRow[] => {
        const read = {
          ...plan,
          after: parsed(plan.after),
          done: parsed(plan.done),
          moved: parsed(plan.moved),
        };
        return readable([read], planEntrySchema, 'the plan').map((entry) => ({
          ...entry,
          id: plan.patternId,
          name,
          designer,
          reached: isos(reached.get(plan.patternId) ?? {}),
          found: hours.get(plan.patternId) ?? null,
          expected: expectedOf(summary),
        }));
      }),
      settings,
      learnt: learntFrom(await this.#histories(), new Workdays(terms.calendar)),
      today,
    };
  }

  /** The next date of each pattern on the plan that is not out, late ones first. */
  async next(): Promise<readonly NextDate[]> {
    const planned = await this.#database.db.$count(plans);
    return planned === 0 ? [] : nextDates(await this.given());
  }

  /** The patterns that are on no list yet, the last changed first. */
  async unlisted(): Promise<{ id: string; name: string }[]> {
    return this.#database.db.all(
      sql`SELECT id, name FROM patterns WHERE deleted_at IS NULL AND id NOT IN (SELECT pattern_id FROM plans) AND id NOT IN (SELECT pattern_id FROM editions) ORDER BY updated_at DESC LIMIT 500`,
    );
  }

  /** Hours that the toy has taken who tested it to its end: the middle of them. */
  async #hours(ids: readonly string[]): Promise<ReadonlyMap<string, number>> {
    if (ids.length === 0) return new Map();
    const rows = await this.#database.db.all<{ id: string; hours: number }>(
      sql`SELECT pattern_id AS id, sum(json_extract(content, '$.spent')) / 3600000.0 AS hours FROM test_steps WHERE pattern_id IN ${[...ids]} GROUP BY pattern_id, tester HAVING sum(json_extract(content, '$.what.kind') = 'finished') > 0 ORDER BY hours`,
    );
    const hours = new Map<string, number[]>();
    for (const { id, hours: took } of rows) hours.set(id, [...(hours.get(id) ?? []), took]);
    return new Map([...hours].map(([id, all]) => [id, Math.round(10 * (all[Math.floor(all.length / 2)] ?? 0)) / 10]));
  }

  /** The histories of the patterns that are out, the last ones. */
  async #histories(): Promise<Partial<Record<StageId, Day>>[]> {
    const out = await this.#database.db
      .select({ id: releases.patternId, at: min(releases.at) })
      .from(releases)
      .groupBy(releases.patternId)
      .orderBy(sql`min(${releases.at}) DESC`)
      .limit(MOST_LEARNT);
    // What nobody noted is not learnt from: only what was reached is.
    return [...(await this.#moments(out.map(({ id }) => id))).values()].map(inDays);
  }

  /** The stages that each pattern has reached. */
  async #reached(ids: readonly string[]): Promise<ReadonlyMap<string, Partial<Record<StageId, Day>>>> {
    return new Map([...(await this.#moments(ids))].map(([id, moments]) => [id, filled(inDays(moments))]));
  }

  /** When each stage was reached, by pattern, as its history tells. */
  async #moments(ids: readonly string[]): Promise<ReadonlyMap<string, Moments>> {
    if (ids.length === 0) return new Map();
    const { db } = this.#database;
    const own = [...ids];
    const moments = new Map<string, Moments>(own.map((id) => [id, {}]));
    const note = (stage: StageId, rows: readonly { id: string; at: number | null }[]) => {
      for (const { id, at } of rows) {
        const known = moments.get(id);
        if (known && at !== null) known[stage] = at;
      }
    };
    const [made, first, ticked, asked, open, answered, called, tested, signed] = await Promise.all([
      db.select({ id: patterns.id, at: patterns.createdAt }).from(patterns).where(inArray(patterns.id, own)),
      db
        .select({ id: drafts.patternId, at: min(drafts.at) })
        .from(drafts)
        .where(inArray(drafts.patternId, own))
        .groupBy(drafts.patternId),
      db
        .select({ id: ticks.patternId, at: max(ticks.at), summary: patterns.summary })
        .from(ticks)
        .innerJoin(patterns, eq(patterns.id, ticks.patternId))
        .where(inArray(ticks.patternId, own))
        .groupBy(ticks.patternId),
      db
        .select({ id: letters.patternId, at: min(letters.at) })
        .from(letters)
        .where(inArray(letters.patternId, own))
        .groupBy(letters.patternId),
      db
        .select({ id: queries.patternId })
        .from(queries)
        .where(and(inArray(queries.patternId, own), inArray(queries.state, ['open', 'sent'])))
        .groupBy(queries.patternId),
      db
        .select({ id: events.patternId, at: max(events.at) })
        .from(events)
        .where(and(inArray(events.patternId, own), inArray(events.what, ['answered', 'settled'])))
        .groupBy(events.patternId),
      db
        .select({ id: calls.patternId, at: min(calls.at) })
        .from(calls)
        .where(inArray(calls.patternId, own))
        .groupBy(calls.patternId),
      db
        .select({ id: confirmations.patternId, at: confirmations.at })
        .from(confirmations)
        .where(and(inArray(confirmations.patternId, own), eq(confirmations.line, TESTED))),
      db
        .select({ id: releases.patternId, at: min(releases.at) })
        .from(releases)
        .where(inArray(releases.patternId, own))
        .groupBy(releases.patternId),
    ]);
    const waiting = new Set(open.map(({ id }) => id));
    note('in', made);
    note('in', first);
    note(
      'checked',
      ticked.filter(({ summary }) => isTicked(summary)),
    );
    note('asked', asked);
    note(
      'answered',
      answered.filter(({ id }) => !waiting.has(id)),
    );
    note('called', called);
    note('tested', tested);
    // Both editions are frozen as a version is signed, and it is out.
    for (const stage of ['signed', 'editions', 'out'] as const) note(stage, signed);
    return moments;
  }
}

const sizeOf = z.object({ stitches: z.int(), parts: z.int() });

/** Hours that a toy takes by what was counted; null where it was not. */
function expectedOf(summary: string): number | null {
  const read = sizeOf.safeParse(parsed(summary));
  return read.success && read.data.stitches > 0 ? hoursOf(read.data.stitches, read.data.parts) : null;
}

const ticksOf = z.object({ rounds: z.number(), ticked: z.number() });

/** Whether every round has its tick, by the figures of the shelf. */
function isTicked(summary: string): boolean {
  const read = ticksOf.safeParse(parsed(summary));
  return read.success && read.data.rounds > 0 && read.data.ticked >= read.data.rounds;
}

function inDays(moments: Moments): Partial<Record<StageId, Day>> {
  return Object.fromEntries(
    Object.entries(moments).flatMap(([id, at]) => {
      const day = at === null ? null : dayOf(localDay(at));
      return day === null ? [] : [[id, day]];
    }),
  );
}

const isos = (days: Partial<Record<StageId, Day>>): Partial<Record<StageId, string>> =>
  Object.fromEntries(Object.entries(days).map(([id, day]) => [id, isoOf(day)]));
