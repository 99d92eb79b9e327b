import { and, asc, eq } from 'drizzle-orm';
import type { Erratum } from '../../core/index.js';
import { erratumKeptSchema, type ErratumAsked, type ErratumKept, type ErratumTried } from '../release.js';
import type { Database, OpenDatabase, Writing } from './db/client.js';
import { errata } from './db/schema.js';
import { isThere } from './patterns.js';
import { parsed, readable } from './readable.js';

/** Mistakes that were found in versions. */
export class ErrataStore {
  readonly #database: OpenDatabase;

  constructor(database: OpenDatabase) {
    this.#database = database;
  }

  async of(id: string): Promise<ErratumKept[]> {
    return errataIn(this.#database.db, id);
  }

  /** Keeps a mistake with its correction, as it was tried; null where there is no such pattern. */
  async add(id: string, asked: ErratumAsked, tried: ErratumTried): Promise<number | null> {
    return this.#database.write(async (db) => {
      if (!(await isThere(db, id))) return null;
      const all = await errataIn(db, id);
      const number = Math.max(0, ...all.map((one) => one.number)) + 1;
      const { version, line, note, source } = asked;
      const { part, round, words, after } = tried;
      const row = { number, version, line, note, source, part, round, count: after?.made ?? null, at: Date.now() };
      await db.insert(errata).values({ ...row, patternId: id, words: JSON.stringify(words) });
      return number;
    });
  }

  /** Takes an erratum back, as long as no version has taken it in; false where there is none such. */
  async remove(id: string, number: number): Promise<boolean> {
    const gone = await this.#database.write((db) =>
      db
        .delete(errata)
        .where(and(eq(errata.patternId, id), eq(errata.number, number), eq(errata.takenIn, '')))
        .returning({ number: errata.number }),
    );
    return gone.length > 0;
  }
}

async function errataIn(db: Pick<Database, 'select'>, id: string): Promise<ErratumKept[]> {
  const rows = await db.select().from(errata).where(eq(errata.patternId, id)).orderBy(asc(errata.number));
  return readable(
    rows.map((row) => ({ ...row, words: parsed(row.words) })),
    erratumKeptSchema,
    'errata',
  );
}

/** Notes that a version has taken errata in, as a part of a transaction. */
export async function takeIn(db: Writing, id: string, numbers: readonly number[], version: string): Promise<void> {
  for (const number of numbers)
    await db
      .update(errata)
      .set({ takenIn: version })
      .where(and(eq(errata.patternId, id), eq(errata.number, number)));
}

/** Errata in the words of one vocabulary. */
export function erratumIn(kept: ErratumKept, terms: 'us' | 'uk'): Erratum {
  const { words, ...rest } = kept;
  return { ...rest, ...words[terms] };
}

/** Whether a text has the words of a correction, whatever stands around them. */
export function isRight(text: string, { words }: ErratumKept): boolean {
  const flat = (line: string) => line.replace(/\s+/g, ' ').trim();
  const whole = flat(text);
  return whole.includes(flat(words.us.right)) || whole.includes(flat(words.uk.right));
}
