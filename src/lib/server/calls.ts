import { randomBytes } from 'node:crypto';
import { and, asc, count, desc, eq, gt, isNull, max, sql } from 'drizzle-orm';
import { courseSchema, sideBySide, stepSchema, WEIGHED_BY, type Step } from '../../core/index.js';
import {
  callSchema,
  wantedSchema,
  type BenchCall,
  type Call,
  type Exchange,
  type Exchanged,
  type Joined,
  type Results,
  type Wanted,
} from '../bench.js';
import type { Counting } from './counting/counting.js';
import type { OpenDatabase } from './db/client.js';
import { calls, patterns, testers, testPhotographs, testSteps } from './db/schema.js';
import { Spoilt, type PatternStore } from './patterns.js';
import type { Publishing } from './publishing/aside.js';
import type { Picture } from './publishing/form.js';
import { parsed, readable } from './readable.js';

/** So many testers take part in one call, and so much is taken of each. */
const MOST = { testers: 100, steps: 100_000, photographs: 60 } as const;
/** So many steps go down at once. */
const MOST_DOWN = 1000;

/** So many calls that were laid side by side are remembered. */
const MOST_LAID = 20;

/** Why a call is not answered: there is none, or it was withdrawn. */
export type NoCall = 'none' | 'withdrawn';

/** What came of joining. */
export type Joining = Joined | NoCall | 'taken' | 'full';

/** Test calls, and what testers send. */
export class CallStore {
  readonly #database: OpenDatabase;
  readonly #patterns: PatternStore;
  readonly #counting: Counting;
  readonly #publishing: Publishing;
  readonly #laid = new Map<string, { readonly basis: string; readonly results: Results }>();

  constructor(database: OpenDatabase, patternStore: PatternStore, counting: Counting, publishing: Publishing) {
    this.#database = database;
    this.#patterns = patternStore;
    this.#counting = counting;
    this.#publishing = publishing;
  }

  /** Freezes a pattern as it is for testers to follow; null where there is no such pattern, or it has no rounds. */
  async open(id: string, wanted: Wanted): Promise<number | 'gone' | 'no-rounds'> {
    const pattern = await this.#patterns.get(id);
    if (!pattern) return 'gone';
    const { text, name, terms, hand, revision } = pattern;
    const course = await this.#counting.have('course', { text, name, terms, hand });
    if (course.parts.length === 0) return 'no-rounds';
    return this.#database.write(async (db) => {
      const [last] = await db
        .select({ number: max(calls.number) })
        .from(calls)
        .where(eq(calls.patternId, id));
      const number = (last?.number ?? 0) + 1;
      await db.insert(calls).values({
        patternId: id,
        number,
        secret: randomBytes(18).toString('base64url'),
        revision,
        text,
        course: JSON.stringify(course),
        wanted: JSON.stringify(wanted),
        at: Date.now(),
      });
      return number;
    });
  }

  /** The calls of a pattern, the last first. */
  async of(id: string): Promise<Call[]> {
    const rows = await this.#database.db
      .select({
        number: calls.number,
        secret: calls.secret,
        wanted: calls.wanted,
        revision: calls.revision,
        testers: count(testers.token),
        withdrawnAt: calls.withdrawnAt,
        at: calls.at,
      })
      .from(calls)
      .leftJoin(testers, and(eq(testers.patternId, calls.patternId), eq(testers.call, calls.number)))
      .where(eq(calls.patternId, id))
      .groupBy(calls.number)
      .orderBy(desc(calls.number));
    return readable(
      rows.map((row) => ({ ...row, wanted: parsed(row.wanted) })),
      callSchema,
      'test calls',
    );
  }

  /** Its address leads nowhere from now on; what has come stays. False where there is no such call. */
  async withdraw(id: string, number: number): Promise<boolean> {
    const set = await this.#database.write((db) =>
      db
        .update(calls)
        .set({ withdrawnAt: Date.now() })
        .where(and(eq(calls.patternId, id), eq(calls.number, number), isNull(calls.withdrawnAt)))
        .returning({ number: calls.number }),
    );
    return set.length > 0;
  }

  /** What a tester gets for the address. */
  async call(secret: string): Promise<BenchCall | NoCall> {
    const row = await this.#row(secret);
    if (typeof row === 'string') return row;
    const [wanted] = readable([parsed(row.wanted)], wantedSchema, 'a test call');
    const [course] = readable([parsed(row.course)], courseSchema, 'a test call');
    if (!wanted || !course) throw new Spoilt();
    return { name: row.name, number: row.number, wanted, course, newer: row.newer, at: row.at };
  }

  async #row(secret: string) {
    const [row] = await this.#database.db
      .select({
        id: calls.patternId,
        name: patterns.name,
        number: calls.number,
        wanted: calls.wanted,
        course: calls.course,
        newer: sql<number>`${patterns.revision} > ${calls.revision}`,
        withdrawnAt: calls.withdrawnAt,
        at: calls.at,
      })
      .from(calls)
      .innerJoin(patterns, eq(patterns.id, calls.patternId))
      .where(and(eq(calls.secret, secret), isNull(patterns.deletedAt)));
    if (!row) return 'none';
    return row.withdrawnAt === null ? { ...row, newer: row.newer !== 0 } : 'withdrawn';
  }

  /** Takes a tester in by the name they want to be known by. */
  async join(secret: string, name: string): Promise<Joining> {
    const row = await this.#row(secret);
    if (typeof row === 'string') return row;
    const token = randomBytes(18).toString('base64url');
    return this.#database.write(async (db): Promise<Joining> => {
      const there = await db
        .select({ name: testers.name })
        .from(testers)
        .where(and(eq(testers.patternId, row.id), eq(testers.call, row.number)));
      if (there.some((one) => one.name.toLowerCase() === name.toLowerCase())) return 'taken';
      if (there.length >= MOST.testers) return 'full';
      await db.insert(testers).values({ token, patternId: row.id, call: row.number, name, at: Date.now() });
      return { token, name };
    });
  }

  /** Takes up the steps of a device, each once, and gives those that it has not seen. */
  async exchange(secret: string, token: string, { after, steps }: Exchange): Promise<Exchanged | NoCall | 'full'> {
    const call = await this.#row(secret);
    if (typeof call === 'string') return call;
    const tester = await this.#tester(call.id, call.number, token);
    if (!tester) return 'none';
    if (steps.length > 0) {
      const taken = await this.#database.write(async (db) => {
        const [kept] = await db.select({ steps: count() }).from(testSteps).where(eq(testSteps.tester, token));
        if ((kept?.steps ?? 0) + steps.length > MOST.steps) return false;
        const at = Date.now();
        await db
          .insert(testSteps)
          .values(
            steps.map((step) => ({
              patternId: call.id,
              tester: token,
              step: step.id,
              content: JSON.stringify(step),
              at,
            })),
          )
          .onConflictDoNothing();
        return true;
      });
      if (!taken) return 'full';
    }
    const rows = await this.#database.db
      .select({ id: testSteps.id, content: testSteps.content })
      .from(testSteps)
      .where(and(eq(testSteps.tester, token), gt(testSteps.id, after)))
      .orderBy(asc(testSteps.id))
      .limit(MOST_DOWN + 1);
    const down = rows.slice(0, MOST_DOWN);
    return {
      after: down.at(-1)?.id ?? after,
      steps: readable(
        down.map(({ content }) => parsed(content)),
        stepSchema,
        'steps of a tester',
      ),
      more: rows.length > MOST_DOWN,
      name: tester.name,
      newer: call.newer,
      now: Date.now(),
    };
  }

  async #tester(id: string, call: number, token: string) {
    const [row] = await this.#database.db
      .select({ name: testers.name })
      .from(testers)
      .where(and(eq(testers.token, token), eq(testers.patternId, id), eq(testers.call, call)));
    return row ?? null;
  }

  /**
   * Takes a photograph up, once.
   * @throws NotTaken where it is no picture.
   */
  async photograph(secret: string, token: string, name: string, bytes: Uint8Array): Promise<'kept' | 'full' | NoCall> {
    const call = await this.#row(secret);
    if (typeof call === 'string') return call;
    if (!(await this.#tester(call.id, call.number, token))) return 'none';
    const made = await this.#publishing.photograph(bytes);
    return this.#database.write(async (db) => {
      const kept = await db
        .select({ name: testPhotographs.name })
        .from(testPhotographs)
        .where(eq(testPhotographs.tester, token));
      if (kept.some((one) => one.name === name)) return 'kept';
      if (kept.length >= MOST.photographs) return 'full';
      const { type, width, height } = made;
      await db.insert(testPhotographs).values({
        patternId: call.id,
        tester: token,
        name,
        type,
        width,
        height,
        bytes: Buffer.from(made.bytes),
        at: Date.now(),
      });
      return 'kept';
    });
  }

  /**
   * What came of a call, side by side; null where there is no such call. Who looks at it asks again and again: it is laid
   * anew only when something has come.
   */
  async results(id: string, number: number): Promise<Results | null> {
    const basis = await this.#basis(id);
    const [key, known] = [`${id} ${number}`, this.#laid.get(`${id} ${number}`)];
    if (known?.basis === basis) return known.results;
    const results = await this.#lay(id, number);
    this.#laid.delete(key);
    if (this.#laid.size >= MOST_LAID) this.#laid.delete(this.#laid.keys().next().value ?? '');
    if (results) this.#laid.set(key, { basis, results });
    return results;
  }

  /** Changes with everything that comes of the tests of a pattern. */
  async #basis(id: string): Promise<string> {
    const { db } = this.#database;
    const [steps] = await db
      .select({ last: max(testSteps.id) })
      .from(testSteps)
      .where(eq(testSteps.patternId, id));
    const [people] = await db.select({ all: count() }).from(testers).where(eq(testers.patternId, id));
    const [pictures] = await db.select({ all: count() }).from(testPhotographs).where(eq(testPhotographs.patternId, id));
    return `${steps?.last ?? 0} ${people?.all ?? 0} ${pictures?.all ?? 0}`;
  }

  async #lay(id: string, number: number): Promise<Results | null> {
    const whole = await this.whole(id, number);
    if (!whole) return null;
    const { course, wanted, testers: people } = whole;
    const pictures = await this.#database.db
      .select({
        tester: testPhotographs.tester,
        name: testPhotographs.name,
        width: testPhotographs.width,
        height: testPhotographs.height,
      })
      .from(testPhotographs)
      .where(eq(testPhotographs.patternId, id))
      .orderBy(asc(testPhotographs.at));
    const instructions = course.instructions.map((one) => ({ ...one, ladder: null, slips: [] }));
    return {
      number,
      wanted,
      course: { ...course, instructions },
      all: sideBySide(course, people),
      photographs: people.map(({ token }) =>
        pictures.flatMap(({ tester, ...picture }) => (tester === token ? [picture] : [])),
      ),
    };
  }

  /** Everything that came of a call, step by step; null where there is no such call. */
  async whole(id: string, number: number) {
    const { db } = this.#database;
    const [row] = await db
      .select({ course: calls.course, wanted: calls.wanted })
      .from(calls)
      .where(and(eq(calls.patternId, id), eq(calls.number, number)));
    const [course] = row ? readable([parsed(row.course)], courseSchema, 'a test call') : [];
    const [wanted] = row ? readable([parsed(row.wanted)], wantedSchema, 'a test call') : [];
    if (!course || !wanted) return null;
    const people = await this.#testers(id, number);
    const rows = await db
      .select({ tester: testSteps.tester, content: testSteps.content })
      .from(testSteps)
      .where(eq(testSteps.patternId, id))
      .orderBy(asc(testSteps.id));
    const steps = new Map<string, Step[]>(people.map(({ token }) => [token, []]));
    for (const { tester, content } of rows) {
      // Each was checked when it came: thousands are not checked again.
      const step = parsed(content) as Step | undefined;
      if (step) steps.get(tester)?.push(step);
    }
    return {
      number,
      course,
      wanted,
      testers: people.map((person) => ({ ...person, steps: steps.get(person.token) ?? [] })),
    };
  }

  async #testers(id: string, number: number) {
    return this.#database.db
      .select({ token: testers.token, name: testers.name, at: testers.at })
      .from(testers)
      .where(and(eq(testers.patternId, id), eq(testers.call, number)))
      .orderBy(asc(testers.at), asc(testers.token));
  }

  /** A photograph of the tester at a place among those of a call; null where there is none. */
  async picture(id: string, number: number, place: number, name: string): Promise<Omit<Picture, 'alt'> | null> {
    const tester = (await this.#testers(id, number))[place];
    if (!tester) return null;
    const [row] = await this.#database.db
      .select()
      .from(testPhotographs)
      .where(and(eq(testPhotographs.tester, tester.token), eq(testPhotographs.name, name)));
    return row ? { bytes: new Uint8Array(row.bytes), type: row.type, width: row.width, height: row.height } : null;
  }

  /** What the testers of the newest call weighed, on the middle: grams by yarn in small letters, where enough of them did. */
  async weighed(id: string): Promise<Record<string, number>> {
    const [last] = await this.#database.db
      .select({ number: max(calls.number) })
      .from(calls)
      .where(eq(calls.patternId, id));
    const results = last?.number ? await this.results(id, last.number) : null;
    const yarns = results?.all.yarns ?? [];
    if (!results) return {};
    return Object.fromEntries(
      results.course.yarns.flatMap((name, i) => {
        const yarn = yarns[i];
        return yarn && yarn.count >= WEIGHED_BY ? [[name.toLowerCase(), yarn.middle]] : [];
      }),
    );
  }

  /** How many testers there are in the newest call that is open; null where none is. */
  async standing(id: string): Promise<number | null> {
    const open = (await this.of(id)).find(({ withdrawnAt }) => withdrawnAt === null);
    return open?.testers ?? null;
  }
}
