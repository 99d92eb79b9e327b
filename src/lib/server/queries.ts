import { and, asc, count, desc, eq, inArray } from 'drizzle-orm';
import * as z from 'zod/mini';
import { placeAt, type Held } from '../../core/index.js';
import {
  eventSchema,
  querySchema,
  type HistoryEvent,
  type Query,
  type QueryMade,
  type queryChangeSchema,
  type QueryState,
} from '../queries.js';
import type { Database, OpenDatabase, Writing } from './db/client.js';
import { drafts, events, patterns, queries } from './db/schema.js';
import { isThere } from './patterns.js';
import { parsed, readable } from './readable.js';

export type QueryOutcome =
  | { readonly kind: 'changed'; readonly query: Query }
  /** Somebody else has changed it first. */
  | { readonly kind: 'conflict'; readonly current: Query }
  | { readonly kind: 'gone' };

type Change = z.infer<typeof queryChangeSchema>;

/** What the history says of a state that a query has come into. */
const DONE: Readonly<Record<QueryState, string>> = {
  open: 'back',
  sent: 'sent',
  answered: 'answered',
  settled: 'settled',
  withdrawn: 'withdrawn',
};

/** Who is at work on a pattern, and who has written it, as the history calls them. */
export interface Names {
  readonly namesFor: (id: string) => Promise<{ readonly editor: string; readonly designer: string }>;
}

/** The questions to the designer of each pattern, and the history of what became of them. */
export class QueryStore {
  readonly #database: OpenDatabase;
  readonly #names: Names;

  constructor(database: OpenDatabase, names: Names) {
    this.#database = database;
    this.#names = names;
  }

  /** All queries of a pattern, by number. */
  async of(id: string): Promise<Query[]> {
    return queriesIn(this.#database.db, id);
  }

  /** How many queries of a pattern are in each state. */
  async states(id: string): Promise<Partial<Record<QueryState, number>>> {
    const rows = await this.#database.db
      .select({ state: queries.state, times: count() })
      .from(queries)
      .where(eq(queries.patternId, id))
      .groupBy(queries.state);
    return Object.fromEntries(rows.map(({ state, times }) => [state, times]));
  }

  /** What has happened to a pattern and its queries, the first first. */
  async history(id: string): Promise<HistoryEvent[]> {
    const rows = await this.#database.db
      .select({ query: events.query, what: events.what, who: events.who, said: events.said, at: events.at })
      .from(events)
      .where(eq(events.patternId, id))
      .orderBy(asc(events.id));
    return readable(rows, eventSchema, 'the history');
  }

  /** Makes a query, once for each `ref`, and once for each finding that is not settled yet; null where there is no such pattern. */
  async make(id: string, made: QueryMade): Promise<Query | null> {
    const { editor } = await this.#names.namesFor(id);
    return this.#database.write(async (db) => {
      const [pattern] = (await isThere(db, id))
        ? await db.select({ text: patterns.text }).from(patterns).where(eq(patterns.id, id))
        : [];
      if (!pattern) return null;
      const all = await queriesIn(db, id);
      const known = await this.#known(db, id, made, all);
      if (known) return known;
      const { ref, at: asked, ...words } = made;
      const number = (all.at(-1)?.number ?? 0) + 1;
      const at = Date.now();
      const place = asked && placeIn(pattern.text, asked);
      const draft = await newestDraft(db, id);
      await db
        .insert(queries)
        .values({ patternId: id, number, state: 'open', place: JSON.stringify(place), draft, ref, at, ...words });
      await noteIn(db, id, { query: number, what: 'made', who: editor, said: '', at });
      return (await queriesIn(db, id)).find((query) => query.number === number) ?? null;
    });
  }

  /** Changes the words of a query, or its state; refuses where somebody else has changed it since. */
  async change(id: string, number: number, { base, said, ...change }: Change): Promise<QueryOutcome> {
    const names = await this.#names.namesFor(id);
    return this.#database.write(async (db): Promise<QueryOutcome> => {
      const now = (await queriesIn(db, id)).find((query) => query.number === number);
      if (!now) return { kind: 'gone' };
      if (isDone(now, change, said)) return { kind: 'changed', query: now };
      if (now.revision !== base) return { kind: 'conflict', current: now };
      const answer = change.state === 'answered' ? said : now.answer;
      const next: Query = {
        ...now,
        text: change.text ?? now.text,
        proposal: change.proposal ?? now.proposal,
        state: change.state ?? now.state,
        answer,
        // What has been decided on a query has been decided on the newest draft.
        draft: change.state ? await newestDraft(db, id) : now.draft,
        revision: base + 1,
      };
      await db
        .update(queries)
        .set({
          text: next.text,
          proposal: next.proposal,
          state: next.state,
          answer,
          draft: next.draft,
          revision: next.revision,
        })
        .where(and(eq(queries.patternId, id), eq(queries.number, number)));
      if (change.state) {
        const who = change.state === 'answered' ? names.designer : names.editor;
        await noteIn(db, id, { query: number, what: DONE[change.state], who, said, at: Date.now() });
      }
      return { kind: 'changed', query: next };
    });
  }

  async #known(db: Writing, id: string, { ref, finding }: QueryMade, all: readonly Query[]): Promise<Query | null> {
    const [row] = await db
      .select({ number: queries.number })
      .from(queries)
      .where(and(eq(queries.patternId, id), eq(queries.ref, ref)));
    const open = (query: Query) => query.state !== 'settled' && query.state !== 'withdrawn';
    return (
      all.find(({ number }) => number === row?.number) ??
      (finding === '' ? null : (all.find((query) => query.finding === finding && open(query)) ?? null))
    );
  }
}

/** The number of the newest draft; 0 where none is kept. */
async function newestDraft(db: Pick<Database, 'select'>, id: string): Promise<number> {
  const [last] = await db
    .select({ number: drafts.number })
    .from(drafts)
    .where(eq(drafts.patternId, id))
    .orderBy(desc(drafts.number))
    .limit(1);
  return last?.number ?? 0;
}

/** Whether a change has been made already: it was sent once more after an answer that never arrived. */
function isDone(now: Query, change: Omit<Change, 'base' | 'said'>, said: string): boolean {
  return (
    (change.text === undefined || change.text === now.text) &&
    (change.proposal === undefined || change.proposal === now.proposal) &&
    (change.state === undefined || (change.state === now.state && (change.state !== 'answered' || said === now.answer)))
  );
}

/** Marks queries as sent, as a part of a transaction. */
export async function sendIn(
  db: Writing,
  id: string,
  numbers: readonly number[],
  who: string,
  at: number,
): Promise<void> {
  if (numbers.length === 0) return;
  for (const query of await queriesIn(db, id)) {
    if (!numbers.includes(query.number)) continue;
    await db
      .update(queries)
      .set({ state: 'sent', revision: query.revision + 1 })
      .where(and(eq(queries.patternId, id), inArray(queries.number, [query.number])));
    await noteIn(db, id, { query: query.number, what: 'sent', who, said: '', at });
  }
}

/** Writes down that something has happened, as a part of a transaction. */
export async function noteIn(db: Writing, patternId: string, event: HistoryEvent): Promise<void> {
  await db.insert(events).values({ patternId, ...event });
}

export async function queriesIn(db: Pick<Database, 'select'>, id: string): Promise<Query[]> {
  const rows = await db.select().from(queries).where(eq(queries.patternId, id)).orderBy(asc(queries.number));
  return readable(
    rows.map((row) => ({ ...row, place: parsed(row.place) })),
    querySchema,
    'queries',
  );
}

/** Words where they stood; where the text has changed since, where they stand alone, or nowhere any more. */
function placeIn(text: string, { from, words }: { from: number; words: string }): Held {
  if (text.startsWith(words, from)) return placeAt(text, from, from + words.length);
  const at = text.indexOf(words);
  if (at >= 0 && !text.includes(words, at + 1)) return placeAt(text, at, at + words.length);
  return {
    ...placeAt(words, 0, words.length),
    from: Math.min(from, text.length),
    to: Math.min(from, text.length),
    holds: false,
  };
}
