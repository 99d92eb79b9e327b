import { createHmac, randomBytes } from 'node:crypto';
import { and, asc, desc, eq, gt, isNull } from 'drizzle-orm';
import { alias } from 'drizzle-orm/sqlite-core';
import type { Address, AddressStanding, Purpose } from '../addresses.js';
import type { Database, OpenDatabase, Writing } from './db/client.js';
import { addresses, patterns, people } from './db/schema.js';
import { hashed } from './hashed.js';

const DAY = 24 * 60 * 60 * 1000;
/** How long an address holds; milliseconds. A toy is made in weeks, a letter answered in weeks, and a calendar followed for long. */
const HOLDS: Readonly<Record<Purpose, number>> = {
  join: 7 * DAY,
  bench: 90 * DAY,
  letter: 60 * DAY,
  calendar: 730 * DAY,
};
/** That it was used is written down again after so long; milliseconds. */
const NOTED_AFTER = 10 * 60 * 1000;

/** What an address is for: whose password, which call, which letter, or the dates of the plan. */
export type AddressFor =
  | { readonly purpose: 'join'; readonly personId: string }
  | { readonly purpose: 'bench'; readonly patternId: string; readonly call: number }
  | { readonly purpose: 'letter'; readonly patternId: string }
  | { readonly purpose: 'calendar' };

/** Why an address leads nowhere: there is none, or it was withdrawn, or its time is over. */
export type Nowhere = 'none' | 'withdrawn' | 'over';

type Row = typeof addresses.$inferSelect;

/** Addresses that hold a secret: who has one may do what it is for, without an account. */
export class AddressStore {
  readonly #database: OpenDatabase;
  readonly #key: string;

  /** @param key that secrets are made with; with another one those that are out still hold, and can't be shown any more */
  constructor(database: OpenDatabase, key: string) {
    this.#database = database;
    this.#key = key;
  }

  /** Makes an address, as a part of a transaction; one for the same before it leads nowhere any more. */
  async make(db: Writing, wanted: AddressFor, at = Date.now()): Promise<{ secret: string; endsAt: number }> {
    await db.delete(addresses).where(sameAs(wanted));
    const salt = randomBytes(12).toString('base64url');
    const secret = this.#secret(wanted.purpose, salt);
    const endsAt = at + HOLDS[wanted.purpose];
    await db.insert(addresses).values({ hash: hashed(secret), salt, endsAt, at, ...wanted });
    return { secret, endsAt };
  }

  /** Makes an address that is for the whole house, by itself. */
  async renew(wanted: AddressFor): Promise<void> {
    await this.#database.write((db) => this.make(db, wanted));
  }

  /** 144 bits that nobody guesses, and that are not in the database. */
  #secret(purpose: Purpose, salt: string): string {
    return createHmac('sha256', this.#key).update(`${purpose} ${salt}`).digest('base64url').slice(0, 24);
  }

  /** How the addresses for something stand, those that hold first; the secret of each, where it can be made again. */
  async standing(wanted: AddressFor): Promise<AddressStanding | null> {
    const [row] = await this.#database.db.select().from(addresses).where(sameAs(wanted)).orderBy(desc(addresses.at));
    return row ? this.#standing(row) : null;
  }

  #standing({ hash, purpose, salt, endsAt, withdrawnAt, usedAt, at }: Row): AddressStanding {
    const secret = this.#secret(purpose, salt);
    return { secret: hashed(secret) === hash ? secret : null, endsAt, withdrawnAt, usedAt, at };
  }

  /** What an address of one purpose leads to; that it was used is noted. */
  async opened(purpose: Purpose, secret: string): Promise<Row | Nowhere> {
    const row = await found(this.#database.db, purpose, secret);
    if (typeof row === 'string') return row;
    const now = Date.now();
    if (now - (row.usedAt ?? 0) > NOTED_AFTER)
      await this.#database.write((db) => db.update(addresses).set({ usedAt: now }).where(eq(addresses.hash, row.hash)));
    return row;
  }

  /** It leads nowhere from now on. False where there is none that holds. */
  async withdraw(wanted: AddressFor): Promise<boolean> {
    return this.#withdraw(and(sameAs(wanted), isNull(addresses.withdrawnAt)));
  }

  /** The same for one of the list, by its mark. */
  async withdrawMarked(mark: string): Promise<boolean> {
    return this.#withdraw(and(eq(addresses.hash, mark), isNull(addresses.withdrawnAt)));
  }

  async #withdraw(which: ReturnType<typeof and>): Promise<boolean> {
    const set = await this.#database.write((db) =>
      db.update(addresses).set({ withdrawnAt: Date.now() }).where(which).returning({ hash: addresses.hash }),
    );
    return set.length > 0;
  }

  /** All addresses that are out, those that hold first, the newest first. */
  async all(now = Date.now()): Promise<Address[]> {
    const own = alias(people, 'own');
    const rows = await this.#database.db
      .select({ row: addresses, pattern: patterns.name, designer: patterns.designer, person: own.name })
      .from(addresses)
      .leftJoin(patterns, eq(patterns.id, addresses.patternId))
      .leftJoin(own, eq(own.id, addresses.personId))
      .where(isNull(patterns.deletedAt))
      .orderBy(desc(addresses.at), asc(addresses.hash));
    const all = rows.map(({ row, pattern, designer, person }): Address => {
      const { hash, purpose, call, endsAt, withdrawnAt, usedAt, at } = row;
      const who = purpose === 'join' ? (person ?? '') : purpose === 'letter' ? (designer ?? '') : '';
      return { mark: hash, purpose, who, pattern: pattern ?? '', call, endsAt, withdrawnAt, usedAt, at };
    });
    const holds = ({ endsAt, withdrawnAt }: Address) => withdrawnAt === null && endsAt > now;
    return [...all.filter(holds), ...all.filter((one) => !holds(one))];
  }
}

/** What an address of one purpose leads to, as it is kept. */
async function found(db: Pick<Database, 'select'>, purpose: Purpose, secret: string): Promise<Row | Nowhere> {
  const [row] = await db
    .select()
    .from(addresses)
    .where(and(eq(addresses.hash, hashed(secret)), eq(addresses.purpose, purpose)));
  if (!row) return 'none';
  if (row.withdrawnAt !== null) return 'withdrawn';
  return row.endsAt > Date.now() ? row : 'over';
}

/** Takes an address up for good, as a part of a transaction: it leads nowhere any more. Null where it led nowhere. */
export async function usedUp(db: Writing, purpose: Purpose, secret: string): Promise<Row | null> {
  const [row] = await db
    .delete(addresses)
    .where(
      and(
        eq(addresses.hash, hashed(secret)),
        eq(addresses.purpose, purpose),
        gt(addresses.endsAt, Date.now()),
        isNull(addresses.withdrawnAt),
      ),
    )
    .returning();
  return row ?? null;
}

function sameAs(wanted: AddressFor) {
  return and(
    eq(addresses.purpose, wanted.purpose),
    wanted.purpose === 'join' ? eq(addresses.personId, wanted.personId) : undefined,
    'patternId' in wanted ? eq(addresses.patternId, wanted.patternId) : undefined,
    wanted.purpose === 'bench' ? eq(addresses.call, wanted.call) : undefined,
  );
}
