import { and, desc, eq, inArray, isNotNull, isNull } from 'drizzle-orm';
import * as z from 'zod/mini';
import { momentSchema, patternSchema, summarySchema, UNTITLED, type AwayEntry, type ShelfEntry } from '../patterns.js';
import type { OpenDatabase } from './db/client.js';
import { editions, patterns } from './db/schema.js';
import { parsed, readable } from './readable.js';

const entryRow = z.object({
  id: z.string(),
  name: z.string(),
  createdAt: momentSchema,
  updatedAt: momentSchema,
  revision: z.int(),
  terms: patternSchema.shape.terms,
  edition: z.nullable(z.enum(['us', 'uk'])),
  counted: z.nullable(z.int()),
  summary: z.string(),
});
const storedSummary = z.nullable(summarySchema);
const awayRow = z.object({ id: z.string(), name: z.string(), at: momentSchema });

/** What stands on the shelf, and what was put away. */
export class ShelfStore {
  readonly #database: OpenDatabase;

  constructor(database: OpenDatabase) {
    this.#database = database;
  }

  /** All patterns that are not put away, the last changed first. */
  async list(): Promise<ShelfEntry[]> {
    const rows = await this.#entries().orderBy(desc(patterns.updatedAt), patterns.name);
    return rows.map(shelfEntry);
  }

  /** A pattern as it stands on the shelf; null where it doesn't. */
  async entry(id: string): Promise<ShelfEntry | null> {
    const [row] = await this.#entries(id);
    return row ? shelfEntry(row) : null;
  }

  /** The names of the patterns on the shelf, the last changed first. */
  async names(): Promise<{ id: string; name: string }[]> {
    return this.#database.db
      .select({ id: patterns.id, name: patterns.name })
      .from(patterns)
      .where(isNull(patterns.deletedAt))
      .orderBy(desc(patterns.updatedAt), patterns.name);
  }

  /** The patterns that were put away, the last first. */
  async away(): Promise<AwayEntry[]> {
    const rows = await this.#database.db
      .select({ id: patterns.id, name: patterns.name, at: patterns.deletedAt })
      .from(patterns)
      .where(isNotNull(patterns.deletedAt))
      .orderBy(desc(patterns.deletedAt), patterns.name);
    return readable(rows, awayRow, 'the patterns that were put away');
  }

  /** How many were put away. */
  async awayCount(): Promise<number> {
    return this.#database.db.$count(patterns, isNotNull(patterns.deletedAt));
  }

  /** Puts patterns away, or takes them back, all at once. @returns how many of them there are. */
  async setAway(ids: readonly string[], away: boolean): Promise<number> {
    const changed = await this.#database.write((db) =>
      db
        .update(patterns)
        .set({ deletedAt: away ? Date.now() : null })
        .where(inArray(patterns.id, [...ids]))
        .returning({ id: patterns.id }),
    );
    return changed.length;
  }

  #entries(id?: string) {
    return this.#database.db
      .select({
        id: patterns.id,
        name: patterns.name,
        createdAt: patterns.createdAt,
        updatedAt: patterns.updatedAt,
        revision: patterns.revision,
        terms: patterns.terms,
        edition: editions.to,
        counted: patterns.counted,
        summary: patterns.summary,
      })
      .from(patterns)
      .leftJoin(editions, eq(editions.patternId, patterns.id))
      .where(and(isNull(patterns.deletedAt), id === undefined ? undefined : eq(patterns.id, id)))
      .$dynamic();
  }
}

/** An entry that can't be read stands there and says so. */
function shelfEntry(row: { id: unknown; name: unknown }): ShelfEntry {
  const read = entryRow.safeParse(row);
  const summary = read.success ? storedSummary.safeParse(parsed(read.data.summary)) : null;
  if (!read.success || !summary?.success) {
    const name = typeof row.name === 'string' ? row.name : UNTITLED;
    return {
      id: String(row.id),
      name,
      createdAt: 0,
      updatedAt: 0,
      revision: 0,
      terms: 'auto',
      edition: null,
      summary: null,
      state: 'unreadable',
    };
  }
  const { counted, summary: _stored, ...entry } = read.data;
  const state = counted !== entry.revision ? 'counting' : summary.data === null ? 'too-much' : 'counted';
  return { ...entry, summary: summary.data, state };
}
