import { randomInt, randomUUID } from 'node:crypto';
import { and, desc, eq, lte } from 'drizzle-orm';
import * as z from 'zod/mini';
import {
  FAULT_KINDS,
  faultKindSchema,
  LEVEL_RANGES,
  levelSchema,
  plantedFaultSchema,
  schoolSchema,
  type Level,
  type Marked,
} from '../../../core/index.js';
import {
  tallySchema,
  workSchema,
  type KindEntry,
  type Outcome,
  type PracticeEntry,
  type PracticeSheet,
  type Tally,
  type Wish,
  type Work,
} from '../../training.js';
import type { Counting } from '../counting/counting.js';
import type { OpenDatabase } from '../db/client.js';
import { practiceCards, practices } from '../db/schema.js';
import type { PatternStore } from '../patterns.js';
import { parsed, readable } from '../readable.js';
import { Refused } from '../refused.js';
import { after, cardSchema, type Seen } from './repetition.js';

const MOST_SHOWN = 200;
const NOT_YOURS = 'This practice pattern is not there, or not yours.';
const HIGHEST_SEED = 2_000_000;

type Row = typeof practices.$inferSelect;

/** Practice patterns, person by person, and what each of them knows of each kind of fault. */
export class TrainingStore {
  readonly #database: OpenDatabase;
  readonly #patterns: PatternStore;
  readonly #counting: Counting;

  constructor(database: OpenDatabase, patterns: PatternStore, counting: Counting) {
    this.#database = database;
    this.#patterns = patterns;
    this.#counting = counting;
  }

  /**
   * Makes a practice pattern. Kinds of fault that are due are planted first.
   * @param person their account; empty for whoever works alone
   * @returns its id
   * @throws Refused where it can't be made as it is wished for; says why
   */
  async begin(person: string, { what, level, school, terms, from }: Wish): Promise<string> {
    const seed = randomInt(1, HIGHEST_SEED);
    const asked = { level, seed, school, terms };
    const made =
      what === 'terms'
        ? await this.#counting.have('turning', asked)
        : await this.#counting.have('practice', {
            ...asked,
            kinds: await this.#due(person),
            text: from === null ? null : await this.#own(from),
          });
    if (made.kind === 'refused') throw new Refused(422, made.why);
    const id = randomUUID();
    const work: Work = { marks: [], answer: '', seconds: 0 };
    await this.#database.write((db) =>
      db.insert(practices).values({
        id,
        person,
        what,
        level,
        school: made.school ?? '',
        terms: made.terms,
        text: made.text,
        faults: JSON.stringify(made.faults),
        work: JSON.stringify(work),
        at: Date.now(),
      }),
    );
    return id;
  }

  async #own(id: string): Promise<string> {
    const pattern = await this.#patterns.get(id);
    if (!pattern) throw new Refused(404, 'This pattern is no longer on the shelf.');
    return pattern.text;
  }

  /** What is to be practised again, the longest overdue first. */
  async #due(person: string) {
    const rows = await this.#database.db
      .select({ kind: practiceCards.kind })
      .from(practiceCards)
      .where(and(eq(practiceCards.person, person), lte(practiceCards.dueAt, Date.now())))
      .orderBy(practiceCards.dueAt);
    return readable(
      rows.map(({ kind }) => kind),
      faultKindSchema,
      'a kind of fault',
    );
  }

  async #row(person: string, id: string): Promise<Row | null> {
    const [row] = await this.#database.db
      .select()
      .from(practices)
      .where(and(eq(practices.id, id), eq(practices.person, person)));
    return row ?? null;
  }

  /** A practice pattern to be worked on, or as it was worked through; null where there is none of this person. */
  async sheet(person: string, id: string): Promise<PracticeSheet | null> {
    const row = await this.#row(person, id);
    if (!row) return null;
    const { what, terms, text } = row;
    const level = levelOf(row);
    const work = workOf(row);
    return {
      id,
      what,
      level,
      terms,
      text,
      work,
      told: what === 'faults' && LEVEL_RANGES[level].told ? faultsOf(row).length : null,
      outcome: row.endedAt === null ? null : await this.#outcome(row, work),
    };
  }

  async #outcome(row: Row, { marks, answer }: Work): Promise<Outcome> {
    const { what, text, terms } = row;
    if (what === 'faults')
      return { what, marked: await this.#counting.have('marked', { text, faults: faultsOf(row), marks }) };
    const made = await this.#counting.have('turned', {
      text,
      to: terms === 'us' ? 'uk' : 'us',
      // Nothing was written: it stands as it did.
      answer: answer === '' ? text : answer,
    });
    if (made.kind === 'refused') throw new Refused(422, made.why);
    return { what, turned: made.turned };
  }

  /** Keeps what was done so far. @throws Refused where there is none of this person that is still worked on */
  async note(person: string, id: string, work: Work): Promise<void> {
    const row = await this.#row(person, id);
    if (!row) throw new Refused(404, NOT_YOURS);
    if (row.endedAt !== null) throw new Refused(409, 'This practice pattern has been handed in.');
    await this.#database.write((db) =>
      db
        .update(practices)
        .set({ work: JSON.stringify(work) })
        .where(eq(practices.id, id)),
    );
  }

  /** Hands it in: it is marked, and what was missed comes again sooner. Once handed in it stays as it was. @throws Refused */
  async end(person: string, id: string, work: Work): Promise<void> {
    const row = await this.#row(person, id);
    if (!row) throw new Refused(404, NOT_YOURS);
    if (row.endedAt !== null) return;
    const outcome = await this.#outcome(row, work);
    const now = Date.now();
    const cards = outcome.what === 'faults' ? await this.#cards(person) : new Map<string, never>();
    const met =
      outcome.what === 'faults'
        ? outcome.marked.faults.map((one) => ({ kind: one.fault.kind, seen: seenOf(one) }))
        : [];
    const values = met.map(({ kind, seen }) => {
      const card = after(cards.get(kind) ?? null, seen, now);
      return { person, kind, card: JSON.stringify(card), dueAt: card.due };
    });
    await this.#database.write(async (db) => {
      await db
        .update(practices)
        .set({
          work: JSON.stringify(work),
          mark: Math.round(1000 * (outcome.what === 'faults' ? outcome.marked.mark : outcome.turned.mark)),
          tally: JSON.stringify(tallyOf(outcome)),
          endedAt: now,
        })
        .where(eq(practices.id, id));
      for (const value of values)
        await db
          .insert(practiceCards)
          .values(value)
          .onConflictDoUpdate({ target: [practiceCards.person, practiceCards.kind], set: value });
    });
  }

  async #cards(person: string) {
    const rows = await this.#database.db.select().from(practiceCards).where(eq(practiceCards.person, person));
    return new Map(
      rows.flatMap(({ kind, card }) =>
        readable([parsed(card)], cardSchema, 'what is known of a kind of fault').map((one) => [kind, one] as const),
      ),
    );
  }

  /** What somebody has worked through, the last first, and how they do with each kind of fault. */
  async progress(person: string): Promise<{ entries: readonly PracticeEntry[]; kinds: readonly KindEntry[] }> {
    const rows = await this.#database.db
      .select()
      .from(practices)
      .where(eq(practices.person, person))
      .orderBy(desc(practices.at))
      .limit(MOST_SHOWN);
    const cards = await this.#cards(person);
    const tallies = rows.map((row) => readTally(row.tally));
    const times = (which: 'found' | 'missed', kind: string) =>
      tallies.reduce((all, tally) => all + (tally?.[which].filter((one) => one === kind).length ?? 0), 0);
    return {
      entries: rows.map((row, i): PracticeEntry => {
        const tally = tallies[i];
        return {
          id: row.id,
          what: row.what,
          level: levelOf(row),
          school: z.nullable(schoolSchema).parse(row.school || null),
          terms: row.terms,
          title: row.text.split('\n')[0] ?? '',
          mark: row.mark === null ? null : row.mark / 1000,
          seconds: workOf(row).seconds,
          found: tally?.found.length ?? 0,
          missed: tally?.missed.length ?? 0,
          blamed: tally?.blamed ?? 0,
          at: row.endedAt ?? row.at,
        };
      }),
      kinds: FAULT_KINDS.map(({ id, words }) => ({
        kind: id,
        words,
        found: times('found', id),
        missed: times('missed', id),
        dueAt: cards.get(id)?.due ?? null,
      })),
    };
  }

  /** Throws one away that was not handed in. @throws Refused where there is none, or it was */
  async drop(person: string, id: string): Promise<void> {
    const row = await this.#row(person, id);
    if (!row) throw new Refused(404, NOT_YOURS);
    if (row.endedAt !== null) throw new Refused(409, 'What has been handed in stays in the list.');
    await this.#database.write((db) => db.delete(practices).where(eq(practices.id, id)));
  }
}

const levelOf = ({ level }: Row): Level => levelSchema.parse(level);
const workOf = ({ work }: Row): Work => workSchema.parse(parsed(work));
const faultsOf = ({ faults }: Row) => z.array(plantedFaultSchema).parse(parsed(faults));
const readTally = (tally: string | null): Tally | null => (tally === null ? null : tallySchema.parse(parsed(tally)));

function seenOf({ met, named, righted }: Marked['faults'][number]): Seen {
  if (!met) return 'missed';
  return named ? (righted === true ? 'righted' : 'named') : 'met';
}

function tallyOf(outcome: Outcome): Tally {
  if (outcome.what === 'terms') return { found: [], missed: [], blamed: outcome.turned.changed.length };
  const { faults, blamed } = outcome.marked;
  const kinds = (met: boolean) => faults.filter((one) => (one.met !== null) === met).map(({ fault }) => fault.kind);
  return { found: kinds(true), missed: kinds(false), blamed: blamed.length };
}
