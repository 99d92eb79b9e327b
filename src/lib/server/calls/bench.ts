import { randomBytes } from 'node:crypto';
import { and, asc, count, desc, eq, gt, isNotNull, isNull, or, sql } from 'drizzle-orm';
import { courseSchema, stepSchema } from '../../../core/index.js';
import { wantedSchema, type BenchCall, type Exchange, type Exchanged, type Joined, type OwnTest } from '../../bench.js';
import { holds } from '../../addresses.js';
import type { AddressStore, Nowhere } from '../addresses.js';
import type { OpenDatabase } from '../db/client.js';
import { calls, ownTests, patterns, testerDevices, testers, testPhotographs, testSteps } from '../db/schema.js';
import type { Files } from '../files/files.js';
import { Spoilt } from '../patterns.js';
import type { Publishing } from '../publishing/aside.js';
import { hashed } from '../hashed.js';
import { parsed, readable } from '../readable.js';

/** So many testers take part in one call, and so much is taken of each. */
const MOST = { testers: 100, steps: 100_000, photographs: 60 } as const;
/** So many steps go down at once. */
const MOST_DOWN = 1000;

/** What came of joining. */
export type Joining = Joined | Nowhere | 'taken' | 'full';

/** What testers are given, and what they send, by the address of their call. */
export class BenchStore {
  readonly #database: OpenDatabase;
  readonly #files: Files;
  readonly #addresses: AddressStore;
  readonly #publishing: Publishing;

  constructor(
    database: OpenDatabase,
    files: Files,
    { addresses, publishing }: { addresses: AddressStore; publishing: Publishing },
  ) {
    this.#database = database;
    this.#files = files;
    this.#addresses = addresses;
    this.#publishing = publishing;
  }

  /** What a tester gets for the address. */
  async call(secret: string): Promise<BenchCall | Nowhere> {
    const row = await this.#row(secret);
    if (typeof row === 'string') return row;
    const [wanted] = readable([parsed(row.wanted)], wantedSchema, 'a test call');
    const [course] = readable([parsed(row.course)], courseSchema, 'a test call');
    if (!wanted || !course) throw new Spoilt();
    return { name: row.name, number: row.number, wanted, course, newer: row.newer, at: row.at };
  }

  async #row(secret: string) {
    const address = await this.#addresses.opened('bench', secret);
    if (typeof address === 'string') return address;
    const [row] = await this.#database.db
      .select({
        id: calls.patternId,
        name: patterns.name,
        number: calls.number,
        wanted: calls.wanted,
        course: calls.course,
        newer: sql<number>`${patterns.revision} > ${calls.revision}`,
        at: calls.at,
      })
      .from(calls)
      .innerJoin(patterns, eq(patterns.id, calls.patternId))
      .where(
        and(
          eq(calls.patternId, address.patternId ?? ''),
          eq(calls.number, address.call ?? 0),
          isNull(patterns.deletedAt),
        ),
      );
    return row ? { ...row, newer: row.newer !== 0 } : 'none';
  }

  /** Takes a tester in by the name they want to be known by. */
  async join(secret: string, name: string, personId: string | null = null): Promise<Joining> {
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
      await db
        .insert(testers)
        .values({ token: hashed(token), patternId: row.id, call: row.number, name, at: Date.now() });
      if (personId !== null) await db.insert(ownTests).values({ personId, tester: hashed(token) });
      return { token, name };
    });
  }

  /** Takes up the steps of a device, each once, and gives those that it has not seen. */
  async exchange(secret: string, token: string, { after, steps }: Exchange): Promise<Exchanged | Nowhere | 'full'> {
    const call = await this.#row(secret);
    if (typeof call === 'string') return call;
    const tester = await this.#tester(call.id, call.number, token);
    if (!tester) return 'none';
    if (steps.length > 0) {
      const taken = await this.#database.write(async (db) => {
        const [kept] = await db.select({ steps: count() }).from(testSteps).where(eq(testSteps.tester, tester.hash));
        if ((kept?.steps ?? 0) + steps.length > MOST.steps) return false;
        const at = Date.now();
        await db
          .insert(testSteps)
          .values(
            steps.map((step) => ({
              patternId: call.id,
              tester: tester.hash,
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
      .where(and(eq(testSteps.tester, tester.hash), gt(testSteps.id, after)))
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
    const hash = hashed(token);
    const [row] = await this.#database.db
      .select({ name: testers.name, hash: testers.token })
      .from(testers)
      .leftJoin(testerDevices, and(eq(testerDevices.tester, testers.token), eq(testerDevices.hash, hash)))
      .where(
        and(
          eq(testers.patternId, id),
          eq(testers.call, call),
          or(eq(testers.token, hash), isNotNull(testerDevices.hash)),
        ),
      );
    return row ?? null;
  }

  /** The tests that somebody with an account has joined, as far as their addresses hold, the last first. */
  async own(personId: string): Promise<OwnTest[]> {
    const rows = await this.#database.db
      .select({ id: testers.patternId, call: testers.call, name: patterns.name, tester: testers.name })
      .from(ownTests)
      .innerJoin(testers, eq(testers.token, ownTests.tester))
      .innerJoin(patterns, eq(patterns.id, testers.patternId))
      .where(and(eq(ownTests.personId, personId), isNull(patterns.deletedAt)))
      .orderBy(desc(testers.at));
    const all = await Promise.all(
      rows.map(async ({ id, call, ...row }) => {
        const address = await this.#addresses.standing({ purpose: 'bench', patternId: id, call });
        return address?.secret && holds(address) ? [{ ...row, secret: address.secret }] : [];
      }),
    );
    return all.flat();
  }

  /** A token for a further device of somebody who has joined a test with their account. */
  async further(secret: string, personId: string): Promise<Joined | Nowhere> {
    const row = await this.#row(secret);
    if (typeof row === 'string') return row;
    const [own] = await this.#database.db
      .select({ tester: testers.token, name: testers.name })
      .from(ownTests)
      .innerJoin(testers, eq(testers.token, ownTests.tester))
      .where(and(eq(ownTests.personId, personId), eq(testers.patternId, row.id), eq(testers.call, row.number)));
    if (!own) return 'none';
    const token = randomBytes(18).toString('base64url');
    await this.#database.write((db) =>
      db.insert(testerDevices).values({ hash: hashed(token), tester: own.tester, at: Date.now() }),
    );
    return { token, name: own.name };
  }

  /**
   * Takes a photograph up, once.
   * @throws NotTaken where it is no picture.
   */
  async photograph(secret: string, token: string, name: string, bytes: Uint8Array): Promise<'kept' | 'full' | Nowhere> {
    const call = await this.#row(secret);
    if (typeof call === 'string') return call;
    const tester = await this.#tester(call.id, call.number, token);
    if (!tester) return 'none';
    const { type, width, height, bytes: made } = await this.#publishing.photograph(bytes);
    const hash = await this.#files.keep(made);
    return this.#database.write(async (db) => {
      const kept = await db
        .select({ name: testPhotographs.name })
        .from(testPhotographs)
        .where(eq(testPhotographs.tester, tester.hash));
      if (kept.some((one) => one.name === name)) return 'kept';
      if (kept.length >= MOST.photographs) return 'full';
      await db.insert(testPhotographs).values({
        patternId: call.id,
        tester: tester.hash,
        name,
        type,
        width,
        height,
        hash,
        at: Date.now(),
      });
      return 'kept';
    });
  }
}
