import { and, desc, eq, gte, inArray, isNull, lt, or, sql, type SQL } from 'drizzle-orm';
import { DEEDS, type Done, type Matter, type Sought } from '../deeds.js';
import type { Role } from '../people.js';
import type { OpenDatabase, Writing } from './db/client.js';
import { deeds, patterns } from './db/schema.js';

/** The same again within this is one line of the list; milliseconds. */
const SITTING = 15 * 60 * 1000;
/** So long they are kept; milliseconds. */
const KEPT = 400 * 24 * 60 * 60 * 1000;
const DAY = 24 * 60 * 60 * 1000;
/** So many are told at once. */
export const PAGE = 100;
const MOST = 50_000;

/** Something that was done just now, or refused. */
export interface Doing {
  readonly deed: string;
  readonly person: { readonly id: string; readonly name: string; readonly role: Role } | null;
  readonly patternId: string | null;
  readonly about: string;
  readonly place: string;
  readonly refused: boolean;
}

/** Who did what, and when. */
export class DeedStore {
  readonly #database: OpenDatabase;
  #cleared = 0;

  constructor(database: OpenDatabase) {
    this.#database = database;
  }

  /** Notes what was done; the same by the same person within a quarter of an hour is noted as one. */
  async note(all: readonly Doing[], now = Date.now()): Promise<void> {
    await this.#database.write(async (db) => {
      if (now - this.#cleared > DAY) {
        this.#cleared = now;
        await db.delete(deeds).where(lt(deeds.at, now - KEPT));
      }
      for (const one of all) await noteIn(db, one, now);
    });
  }

  /** What is looked for, the last first. @param most so many at the most */
  async list(sought: Sought, most = PAGE): Promise<Done[]> {
    const rows = await this.#database.db
      .select({ deed: deeds, name: patterns.name })
      .from(deeds)
      .leftJoin(patterns, eq(patterns.id, deeds.patternId))
      .where(and(...conditionsOf(sought)))
      .orderBy(desc(deeds.id))
      .limit(Math.min(most, MOST));
    return rows.map(({ deed: { personId: _, patternId, about, ...rest }, name }) => ({
      ...rest,
      about: name ?? about,
      pattern: name === null ? null : patternId,
    }));
  }

  /** The whole of what is looked for, to be taken out. */
  all(sought: Sought): Promise<Done[]> {
    return this.list(sought, MOST);
  }

  /** The names of those who did something. */
  async names(): Promise<string[]> {
    const rows = await this.#database.db.selectDistinct({ who: deeds.who }).from(deeds).orderBy(deeds.who);
    return rows.map(({ who }) => who).filter((who) => who !== '');
  }
}

async function noteIn(db: Writing, { person, ...doing }: Doing, now: number): Promise<void> {
  const same = and(
    eq(deeds.deed, doing.deed),
    person ? eq(deeds.personId, person.id) : isNull(deeds.personId),
    doing.patternId === null ? isNull(deeds.patternId) : eq(deeds.patternId, doing.patternId),
    eq(deeds.about, doing.about),
    eq(deeds.place, doing.place),
    eq(deeds.refused, doing.refused),
    gte(deeds.at, now - SITTING),
  );
  const [last] = await db.select({ id: deeds.id }).from(deeds).where(same).orderBy(desc(deeds.id)).limit(1);
  if (last)
    await db
      .update(deeds)
      .set({ at: now, times: sql`${deeds.times} + 1` })
      .where(eq(deeds.id, last.id));
  else
    await db.insert(deeds).values({
      ...doing,
      personId: person?.id ?? null,
      who: person?.name ?? '',
      role: person?.role ?? null,
      times: 1,
      first: now,
      at: now,
    });
}

const keysOf = (matter: Matter): string[] => Object.keys(DEEDS).filter((key) => DEEDS[key]?.matter === matter);

function conditionsOf({ who, matter, words, from, to, before }: Sought): (SQL | undefined)[] {
  const like = `%${(words ?? '').replace(/[\\%_]/g, '\\$&')}%`;
  const named = (column: typeof deeds.about | typeof patterns.name) => sql`${column} LIKE ${like} ESCAPE '\\'`;
  return [
    who === undefined || who === '' ? undefined : eq(deeds.who, who),
    matter === undefined ? undefined : inArray(deeds.deed, keysOf(matter)),
    words === undefined || words === '' ? undefined : or(named(deeds.about), named(patterns.name)),
    from === undefined ? undefined : gte(deeds.at, Date.parse(from)),
    to === undefined ? undefined : lt(deeds.first, Date.parse(to) + DAY),
    before === undefined ? undefined : lt(deeds.id, before),
  ];
}
