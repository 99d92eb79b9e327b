import { and, count, desc, eq, inArray, isNotNull, isNull, max, sql, type SQL } from 'drizzle-orm';
import * as z from 'zod/mini';
import { momentSchema, patternSchema, summarySchema, UNTITLED, type AwayEntry, type ShelfEntry } from '../patterns.js';
import { localDay } from '../plan.js';
import { type NextDate } from '../plan/words.js';
import type { Look } from '../shelf/arranging.js';
import { STRETCH, type ShelfFirst, type ShelfPage } from '../shelf/page.js';
import type { OpenDatabase } from './db/client.js';
import { editions, letters, patterns, queries } from './db/schema.js';
import { parsed, readable } from './readable.js';
import { withWord, wordsIn } from './words.js';

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

/** So many are offered to be practised on. */
const MOST_CLEAN = 50;

/** What stands on the shelf, and what was put away. */
export class ShelfStore {
  readonly #database: OpenDatabase;
  readonly #dates: () => Promise<readonly NextDate[]>;

  /** @param dates what each pattern on the plan has to reach next, late ones first */
  constructor(database: OpenDatabase, dates: () => Promise<readonly NextDate[]>) {
    this.#database = database;
    this.#dates = dates;
  }

  /** What the Shelf opens with: the first stretch of what is looked for. */
  async first(look: Look): Promise<ShelfFirst> {
    const dates = await this.#dates();
    const [page, { counting, ...tally }, away] = await Promise.all([
      this.page(look, 0, STRETCH, dates),
      this.#tally(),
      this.awayCount(),
    ]);
    const today = localDay(Date.now());
    const due = {
      late: dates.filter(({ late }) => late > 0).length,
      today: dates.filter((date) => date.due === today).length,
    };
    return { ...page, look, tally, counting, away, due };
  }

  /** A stretch of the patterns that are looked for, in the order asked for; what is equal stays in the order of the last change. */
  async page(look: Look, from: number, most = STRETCH, known?: readonly NextDate[]): Promise<ShelfPage> {
    const { db } = this.#database;
    const dates = known ?? (await this.#dates());
    const order = look.sort === 'dates' ? inOrderOf(dates) : ORDER[look.sort];
    const fitting = sql`${FACTS} SELECT id, name, count(*) OVER () AS total FROM facts WHERE ${fits(look)} ORDER BY ${order}, updated_at DESC, name`;
    const [ids, total] =
      look.sort === 'name'
        ? byNameFrom(await db.all<Fitting>(fitting), from, most)
        : idsOf(await db.all<Fitting>(sql`${fitting} LIMIT ${most} OFFSET ${from}`));
    const rows = ids.length === 0 ? [] : await this.#entries(ids);
    const kept = new Map(rows.map((row) => [row.id, row]));
    const next = new Map(dates.map((date) => [date.id, date]));
    const [asked, lines] = await Promise.all([this.#asked(ids), this.#found(ids, look)]);
    return {
      total,
      entries: ids.flatMap((id) => {
        const row = kept.get(id);
        const [found, date] = [lines.get(id), next.get(id)];
        const more = { ...(found === undefined ? {} : { found }), ...(date === undefined ? {} : { next: date }) };
        return row ? [{ ...shelfEntry(row, asked), ...more }] : [];
      }),
    };
  }

  /** How many patterns there are of each kind that can be shown, and how many are still being counted. */
  async #tally(): Promise<Record<Look['show'] | 'counting', number>> {
    const kinds = { ...FITS, counting: sql`counted IS NOT revision` };
    const sums = Object.entries(kinds).map(([kind, fit]) => sql`coalesce(sum(${fit}), 0) AS ${sql.identifier(kind)}`);
    const [row] = await this.#database.db.all(sql`${FACTS} SELECT ${sql.join(sums, sql`, `)} FROM facts`);
    return tallyRow.parse(row);
  }

  /** Where a word that is looked for stands in the text, of patterns that are not called so: the line around it. */
  async #found(ids: readonly string[], { words }: Look): Promise<ReadonlyMap<string, string>> {
    const sought = wordsIn(words);
    if (sought.length === 0 || ids.length === 0) return new Map();
    const at = (word: string) => sql`instr(lower(text), ${word})`;
    const lines = new Map<string, string>();
    for (const word of sought) {
      const rows = await this.#database.db.all<{ id: string; before: string; behind: string }>(
        sql`SELECT id, substr(text, max(1, ${at(word)} - ${AROUND}), min(${AROUND}, ${at(word)} - 1)) AS before, substr(text, ${at(word)}, ${2 * AROUND}) AS behind FROM patterns WHERE id IN ${ids} AND ${at(word)} > 0 AND instr(lower(name), ${word}) = 0`,
      );
      for (const { id, before, behind } of rows)
        if (!lines.has(id)) lines.set(id, `${before.split('\n').at(-1) ?? ''}${behind.split('\n')[0] ?? ''}`.trim());
    }
    return lines;
  }

  /** A pattern as it stands on the shelf; null where it doesn't. */
  async entry(id: string): Promise<ShelfEntry | null> {
    const [row] = await this.#entries([id]);
    return row ? shelfEntry(row, await this.#asked([id])) : null;
  }

  /** The names of the patterns on the shelf, the last changed first. */
  async names(): Promise<{ id: string; name: string }[]> {
    return this.#database.db
      .select({ id: patterns.id, name: patterns.name })
      .from(patterns)
      .where(isNull(patterns.deletedAt))
      .orderBy(desc(patterns.updatedAt), patterns.name);
  }

  /** The patterns in which nothing is wrong as far as they are counted, the last changed first. */
  async clean(): Promise<{ id: string; name: string }[]> {
    return this.#database.db.all(
      sql`${FACTS} SELECT id, name FROM facts WHERE kind = 'object' AND rounds > 0 AND errors + warnings = 0 ORDER BY updated_at DESC LIMIT ${MOST_CLEAN}`,
    );
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

  /** What is asked of the designers, by pattern. */
  async #asked(ids: readonly string[]): Promise<Asked> {
    const { db } = this.#database;
    const states = await db
      .select({ id: queries.patternId, state: queries.state, times: count() })
      .from(queries)
      .where(and(inArray(queries.state, ['open', 'sent', 'answered']), inArray(queries.patternId, [...ids])))
      .groupBy(queries.patternId, queries.state);
    const sent = await db
      .select({ id: letters.patternId, at: max(letters.at) })
      .from(letters)
      .where(inArray(letters.patternId, [...ids]))
      .groupBy(letters.patternId);
    const counts = new Map<string, Record<string, number>>();
    for (const { id: of, state, times } of states) counts.set(of, { ...counts.get(of), [state]: times });
    return { counts, sent: new Map(sent.map(({ id: of, at }) => [of, at])) };
  }

  #entries(ids: readonly string[]) {
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
      .where(and(isNull(patterns.deletedAt), inArray(patterns.id, [...ids])));
  }
}

/** So many letters are shown around a word that was found. */
const AROUND = 60;

/**
 * What is known of each pattern on the shelf, to be looked through: all of it stands in the index `patterns_told`, made in
 * the migration of that name, so that no text is read for it.
 */
const FACTS = sql`WITH asked AS (
  SELECT pattern_id, sum(state = 'open') AS ask, sum(state = 'sent') AS out, sum(state = 'answered') AS answered
  FROM queries WHERE state IN ('open', 'sent', 'answered') GROUP BY pattern_id
), facts AS (
  SELECT id, name, designer, updated_at, created_at, revision, counted, editions.\`to\` AS edition,
    coalesce(ask, 0) AS ask, coalesce(out, 0) AS out, coalesce(answered, 0) AS answered,
    told_errors AS errors, told_warnings AS warnings, told_rounds AS rounds, told_ticked AS ticked,
    told_terms AS terms, told_kind AS kind
  FROM patterns INDEXED BY patterns_told
  LEFT JOIN asked ON asked.pattern_id = patterns.id
  LEFT JOIN editions ON editions.pattern_id = patterns.id
  WHERE deleted_at IS NULL
)`;

const TICKED = sql`(rounds > 0 AND ticked = rounds)`;
const NEW = sql`(NOT ${TICKED} AND revision = 1 AND ticked = 0)`;
/** How far the work on a pattern is is told by `stageOf` too, for one that is at hand. */
const FITS: Readonly<Record<Look['show'], SQL>> = {
  all: sql`1`,
  new: NEW,
  hand: sql`(NOT ${TICKED} AND NOT ${NEW})`,
  ticked: TICKED,
  // Too much to be counted, or not to be read, is to be mended as well.
  mend: sql`(errors + warnings > 0 OR (kind IS NOT 'object' AND counted = revision))`,
  ask: sql`(ask > 0)`,
  out: sql`(out > 0)`,
  answered: sql`(answered > 0)`,
  editions: sql`(edition IS NOT NULL)`,
};

const ORDER: Readonly<Record<Exclude<Look['sort'], 'dates'>, SQL>> = {
  changed: sql`updated_at DESC`,
  taken: sql`created_at DESC`,
  open: sql`errors DESC, errors + warnings DESC`,
  // Put in order where they are read: numbers in names as numbers.
  name: sql`updated_at DESC`,
};

/** Patterns with a date first, in the order of those; the others behind them. */
function inOrderOf(dates: readonly NextDate[]): SQL {
  const ids = JSON.stringify(dates.map(({ id }) => id));
  return sql`coalesce((SELECT key FROM json_each(${ids}) WHERE value = facts.id), ${dates.length})`;
}

/** What a pattern must be like that is looked for: every word of it stands in its name, its designer's, or its text. */
function fits({ words, show, terms }: Look): SQL {
  const named = (word: string) =>
    sql`(instr(lower(name), ${word}) > 0 OR instr(lower(designer), ${word}) > 0 OR ${withWord(word)})`;
  const all = [FITS[show], ...(terms === 'any' ? [] : [sql`terms = ${terms}`]), ...wordsIn(words).map(named)];
  return sql.join(all, sql` AND `);
}

interface Fitting {
  readonly id: string;
  readonly name: string;
  readonly total: number;
}

function idsOf(rows: readonly Fitting[]): [ids: string[], total: number] {
  return [rows.map(({ id }) => id), rows[0]?.total ?? 0];
}

const byName = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });
/** A stretch of them by name, numbers in names in their order. */
function byNameFrom(rows: readonly Fitting[], from: number, most: number): [ids: string[], total: number] {
  const sorted = rows.toSorted((a, b) => byName.compare(a.name, b.name));
  return [idsOf(sorted.slice(from, from + most))[0], rows.length];
}

const number = z.number();
const tallyRow = z.object({
  all: number,
  new: number,
  hand: number,
  mend: number,
  ask: number,
  out: number,
  answered: number,
  ticked: number,
  editions: number,
  counting: number,
});

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
