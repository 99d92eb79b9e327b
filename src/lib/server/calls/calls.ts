import { and, count, desc, eq, max } from 'drizzle-orm';
import { callSchema, type Call, type Wanted } from '../../bench.js';
import { holds } from '../../addresses.js';
import type { AddressStore } from '../addresses.js';
import type { Counting } from '../counting/counting.js';
import type { OpenDatabase } from '../db/client.js';
import { calls, testers } from '../db/schema.js';
import type { PatternStore } from '../patterns.js';
import { parsed, readable } from '../readable.js';

/** Test calls, as an editor makes them. */
export class CallStore {
  readonly #database: OpenDatabase;
  readonly #patterns: PatternStore;
  readonly #counting: Counting;
  readonly #addresses: AddressStore;

  constructor(database: OpenDatabase, patterns: PatternStore, counting: Counting, addresses: AddressStore) {
    this.#database = database;
    this.#patterns = patterns;
    this.#counting = counting;
    this.#addresses = addresses;
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
        revision,
        text,
        course: JSON.stringify(course),
        wanted: JSON.stringify(wanted),
        at: Date.now(),
      });
      await this.#addresses.make(db, benchOf(id, number));
      return number;
    });
  }

  /** The calls of a pattern, the last first, and how the address of each stands. */
  async of(id: string): Promise<Call[]> {
    const rows = await this.#database.db
      .select({
        number: calls.number,
        wanted: calls.wanted,
        revision: calls.revision,
        testers: count(testers.token),
        at: calls.at,
      })
      .from(calls)
      .leftJoin(testers, and(eq(testers.patternId, calls.patternId), eq(testers.call, calls.number)))
      .where(eq(calls.patternId, id))
      .groupBy(calls.number)
      .orderBy(desc(calls.number));
    const standing = await Promise.all(rows.map(({ number }) => this.#addresses.standing(benchOf(id, number))));
    return readable(
      rows.map((row, i) => ({ ...row, wanted: parsed(row.wanted), address: standing[i] ?? null })),
      callSchema,
      'test calls',
    );
  }

  /** A new address for a call; the one before leads nowhere any more. False where there is no such call. */
  async readdress(id: string, number: number): Promise<boolean> {
    return this.#database.write(async (db) => {
      const there = await db
        .select({ number: calls.number })
        .from(calls)
        .where(and(eq(calls.patternId, id), eq(calls.number, number)));
      if (there.length === 0) return false;
      await this.#addresses.make(db, benchOf(id, number));
      return true;
    });
  }

  /** Its address leads nowhere from now on; what has come stays. False where there is none that does. */
  withdraw(id: string, number: number): Promise<boolean> {
    return this.#addresses.withdraw(benchOf(id, number));
  }

  /** How many testers there are in the newest call that is open; null where none is. */
  async standing(id: string): Promise<number | null> {
    const open = (await this.of(id)).find(({ address }) => address !== null && holds(address));
    return open?.testers ?? null;
  }
}

function benchOf(patternId: string, call: number) {
  return { purpose: 'bench', patternId, call } as const;
}
