import { and, count, desc, eq, inArray, isNotNull, isNull, max } from 'drizzle-orm';
import * as z from 'zod/mini';
import { momentSchema, patternSchema, summarySchema, UNTITLED, type AwayEntry, type ShelfEntry } from '../patterns.js';
import type { OpenDatabase } from './db/client.js';
import { editions, letters, patterns, queries } from './db/schema.js';
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
    const asked = await this.#asked();
    return rows.map((row) => shelfEntry(row, asked));
  }

  /** A pattern as it stands on the shelf; null where it doesn't. */
  async entry(id: string): Promise<ShelfEntry | null> {
    const [row] = await this.#entries(id);
    return row ? shelfEntry(row, await this.#asked(id)) : null;
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

  /** What is asked of the designers, by pattern; or of one. */
  async #asked(id?: string): Promise<Asked> {
    const { db } = this.#database;
    const states = await db
      .select({ id: queries.patternId, state: queries.state, times: count() })
      .from(queries)
      .where(
        and(
          inArray(queries.state, ['open', 'sent', 'answered']),
          id === undefined ? undefined : eq(queries.patternId, id),
        ),
      )
      .groupBy(queries.patternId, queries.state);
    const sent = await db
      .select({ id: letters.patternId, at: max(letters.at) })
      .from(letters)
      .where(id === undefined ? undefined : eq(letters.patternId, id))
      .groupBy(letters.patternId);
    const counts = new Map<string, Record<string, number>>();
    for (const { id: of, state, times } of states) counts.set(of, { ...counts.get(of), [state]: times });
    return { counts, sent: new Map(sent.map(({ id: of, at }) => [of, at])) };
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

interface Asked {
  /** By pattern how many queries are in each state. */
  readonly counts: ReadonlyMap<string, Readonly<Record<string, number>>>;
  /** By pattern when the last letter went out. */
  readonly sent: ReadonlyMap<string, number | null>;
}

/** An entry that can't be read stands there and says so. */
function shelfEntry(row: { id: unknown; name: unknown }, correspondence: Asked): ShelfEntry {
  const id = String(row.id);
  const counts = correspondence.counts.get(id);
  const { open = 0, sent = 0, answered = 0 } = counts ?? {};
  const asked = counts ? { open, sent, answered, sentAt: correspondence.sent.get(id) ?? null } : null;
  const read = entryRow.safeParse(row);
  const summary = read.success ? storedSummary.safeParse(parsed(read.data.summary)) : null;
  if (!read.success || !summary?.success) {
    const name = typeof row.name === 'string' ? row.name : UNTITLED;
    return {
      id,
      name,
      createdAt: 0,
      updatedAt: 0,
      revision: 0,
      terms: 'auto',
      edition: null,
      summary: null,
      asked,
      state: 'unreadable',
    };
  }
  const { counted, summary: _stored, ...entry } = read.data;
  const state = counted !== entry.revision ? 'counting' : summary.data === null ? 'too-much' : 'counted';
  return { ...entry, asked, summary: summary.data, state };
}
