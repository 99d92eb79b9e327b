import { and, asc, desc, eq, isNull } from 'drizzle-orm';
import * as z from 'zod/mini';
import { draftSchema, draftTextSchema, type Draft, type DraftText, type OwnDecided } from '../drafts.js';
import type { KnownFile, StoredPattern } from '../patterns.js';
import type { Held } from '../../core/index.js';
import { TooMuch, type Counting } from './counting/counting.js';
import type { Work } from './counting/work.js';
import type { OpenDatabase, Writing } from './db/client.js';
import { dismissals, drafts, ownChanges, patterns, ticks } from './db/schema.js';
import type { Taken } from './documents/document.js';
import { hashOf, type Files } from './files/files.js';
import { insertPattern, saveIn, storable, type PatternStore } from './patterns.js';
import { placesIn, setPlaces } from './places.js';
import { parsed, readable } from './readable.js';

/** A file with what it was read as. */
export interface Arrived {
  /** What the file is called; empty for what was pasted. */
  readonly file: string;
  readonly bytes: Uint8Array;
  readonly taken: Taken;
}

const originalRow = z.object({ file: z.string(), hash: z.string() });

/** What has come of each pattern: its drafts, with the files themselves. */
export class DraftStore {
  readonly #database: OpenDatabase;
  readonly #files: Files;
  readonly #patterns: Pick<PatternStore, 'get' | 'notes'>;
  readonly #counting: Counting;
  readonly #changed: (id: string) => void;

  /** @param changed is told of each pattern whose figures are to be counted anew. */
  constructor(
    database: OpenDatabase,
    files: Files,
    store: Pick<PatternStore, 'get' | 'notes'>,
    counting: Counting,
    changed: (id: string) => void = () => undefined,
  ) {
    this.#database = database;
    this.#files = files;
    this.#patterns = store;
    this.#counting = counting;
    this.#changed = changed;
  }

  /**
   * Shelves a new pattern with what has come as its first draft.
   * @param name what it is called; without one it has the name of the file, or the first line of the text.
   * @param demoKey set for a pattern of the demo.
   */
  async takeIn(arrived: Arrived, name = arrived.file.replace(/\.\w{2,8}$/, ''), demoKey?: string): Promise<string> {
    await this.#files.keep(arrived.bytes);
    const id = await this.#database.write(async (db) => {
      const entry = { name, text: arrived.taken.text, ...(demoKey === undefined ? {} : { demoKey }) };
      const pattern = await insertPattern(db, entry);
      await insertDraft(db, pattern, 1, arrived);
      return pattern;
    });
    this.#changed(id);
    return id;
  }

  /**
   * Goes on with a further draft of a pattern, which becomes its text. The working copy that it takes the place of is kept
   * with the draft before; ticks, findings put aside and queries go along where nothing has changed.
   * @returns false where there is no such pattern.
   */
  async goOn(id: string, arrived: Arrived): Promise<boolean> {
    await this.#files.keep(arrived.bytes);
    for (let turn = 1; ; turn += 1) {
      const pattern = await this.#patterns.get(id);
      if (!pattern) return false;
      // It gets a first draft of its own then.
      if ((await this.count(id)) === 0) await this.#files.keep(new TextEncoder().encode(pattern.text));
      const carried = turn > MOST_TURNS ? null : await this.#carried(pattern, arrived.taken.text);
      const done = await this.#database.write((db) => goOnIn(db, pattern, arrived, carried));
      // Another window has saved while the two were being compared.
      if (!done && turn <= MOST_TURNS) continue;
      if (done) this.#changed(id);
      return done;
    }
  }

  /** What was noted on a pattern, as it holds in its next text; null where that is too much to be worked out. */
  async #carried({ id, text: before, terms, hand }: StoredPattern, after: string): Promise<CarriedNotes | null> {
    const { ticks: ticked, dismissals: put } = await this.#patterns.notes(id);
    const places = await placesIn(this.#database.db, id);
    try {
      const carried = await this.#counting.have('carry', {
        before,
        after: storable(after),
        terms,
        hand,
        ticks: ticked,
        aside: put.map(({ key }) => key),
        places: [...places.values()],
      });
      const numbers = [...places.keys()];
      return { ...carried, places: new Map(carried.places.map((place, i) => [numbers[i] ?? 0, place])) };
    } catch (error) {
      if (error instanceof TooMuch) return null;
      throw error;
    }
  }

  /** The drafts of a pattern, the last first; none for one that came before they were kept. */
  async of(id: string): Promise<Draft[]> {
    const rows = await this.#database.db
      .select({
        number: drafts.number,
        file: drafts.file,
        kind: drafts.kind,
        size: drafts.size,
        notes: drafts.notes,
        left: drafts.left,
        sender: drafts.sender,
        at: drafts.at,
      })
      .from(drafts)
      .where(eq(drafts.patternId, id))
      .orderBy(desc(drafts.number));
    const read = rows.map((row) => ({ ...row, notes: parsed(row.notes), left: parsed(row.left) }));
    return readable(read, draftSchema, 'drafts');
  }

  /** The texts of all drafts, the first first, each with the working copy that the next one took the place of. */
  async texts(id: string): Promise<DraftText[]> {
    const rows = await this.#database.db
      .select({ number: drafts.number, text: drafts.text, worked: drafts.worked })
      .from(drafts)
      .where(eq(drafts.patternId, id))
      .orderBy(asc(drafts.number));
    return readable(
      rows.map((row) => ({ ...row, text: storable(row.text) })),
      draftTextSchema,
      'drafts',
    );
  }

  /** Keeps what was decided on something that the editor had changed; false where there is no such draft. */
  async decideOwn(id: string, draft: number, { key, taken }: OwnDecided): Promise<boolean> {
    return this.#database.write(async (db) => {
      const [there] = await db
        .select({ id: drafts.id })
        .from(drafts)
        .where(and(eq(drafts.patternId, id), eq(drafts.number, draft)));
      if (!there) return false;
      const row = { patternId: id, draft, key, taken, at: Date.now() };
      await db.insert(ownChanges).values(row).onConflictDoNothing();
      return true;
    });
  }

  /** Keys of the editor's own changes that have been decided for a draft. */
  async decidedOwn(id: string, draft: number): Promise<string[]> {
    const rows = await this.#database.db
      .select({ key: ownChanges.key })
      .from(ownChanges)
      .where(and(eq(ownChanges.patternId, id), eq(ownChanges.draft, draft)));
    return rows.map(({ key }) => key);
  }

  /** How many drafts have come. */
  async count(id: string): Promise<number> {
    return this.#database.db.$count(drafts, eq(drafts.patternId, id));
  }

  /** A file as it came; null where there is none. */
  async original(id: string, number: number): Promise<{ file: string; bytes: Uint8Array } | null> {
    const [row] = await this.#database.db
      .select({ file: drafts.file, hash: drafts.hash })
      .from(drafts)
      .where(and(eq(drafts.patternId, id), eq(drafts.number, number)));
    const [kept] = row ? readable([row], originalRow, 'drafts') : [];
    return kept ? { file: kept.file, bytes: await this.#files.get(kept.hash) } : null;
  }

  /** The pattern on the shelf that the same file came with before; null where it is new. */
  async known(bytes: Uint8Array): Promise<KnownFile | null> {
    const [row] = await this.#database.db
      .select({ id: patterns.id, name: patterns.name, at: drafts.at })
      .from(drafts)
      .innerJoin(patterns, eq(patterns.id, drafts.patternId))
      .where(and(eq(drafts.hash, hashOf(bytes)), isNull(patterns.deletedAt)))
      .orderBy(desc(drafts.at))
      .limit(1);
    return row ?? null;
  }
}

/** A draft is compared anew so often where somebody saves meanwhile. */
const MOST_TURNS = 3;

/** What goes along into the next draft, with the places of the queries by their numbers. */
type CarriedNotes = Omit<Awaited<ReturnType<Work['carry']>>, 'places'> & { readonly places: ReadonlyMap<number, Held> };

/** Goes on with a draft, as a part of a transaction; false where the text is no longer the one that it was compared with. */
async function goOnIn(
  db: Writing,
  { id, text, revision }: StoredPattern,
  arrived: Arrived,
  carried: CarriedNotes | null,
): Promise<boolean> {
  const [now] = await db
    .select({ revision: patterns.revision, designer: patterns.designer })
    .from(patterns)
    .where(and(eq(patterns.id, id), isNull(patterns.deletedAt)));
  if (now?.revision !== revision) return false;
  const before = await lastDraft(db, id, text);
  await db
    .update(drafts)
    .set({ worked: text })
    .where(and(eq(drafts.patternId, id), eq(drafts.number, before)));
  await insertDraft(db, id, before + 1, arrived, now.designer);
  const places = await placesIn(db, id);
  await saveIn(db, id, arrived.taken.text, revision);
  if (!carried) return true;
  await setPlaces(db, id, places, carried.places);
  const at = Date.now();
  for (const key of carried.ticks) await db.insert(ticks).values({ patternId: id, key, at }).onConflictDoNothing();
  for (const [old, key] of carried.aside) {
    const [put] = await db
      .select({ rule: dismissals.rule, reason: dismissals.reason })
      .from(dismissals)
      .where(and(eq(dismissals.patternId, id), eq(dismissals.key, old)));
    if (put)
      await db
        .insert(dismissals)
        .values({ patternId: id, key, at, ...put })
        .onConflictDoNothing();
  }
  return true;
}

/** The number of the newest draft; a pattern that came before drafts were kept has its text for the first one. */
async function lastDraft(db: Writing, id: string, text: string): Promise<number> {
  const [last] = await db
    .select({ number: drafts.number })
    .from(drafts)
    .where(eq(drafts.patternId, id))
    .orderBy(desc(drafts.number))
    .limit(1);
  if (last) return last.number;
  const taken = { kind: 'text', text, notes: [], left: [] };
  await insertDraft(db, id, 1, { file: '', bytes: new TextEncoder().encode(text), taken });
  return 1;
}

/** Notes a draft whose file is kept already. */
async function insertDraft(
  db: Writing,
  patternId: string,
  number: number,
  arrived: Arrived,
  sender = '',
): Promise<void> {
  const { file, bytes, taken } = arrived;
  await db.insert(drafts).values({
    patternId,
    number,
    file,
    kind: taken.kind,
    size: bytes.length,
    hash: hashOf(bytes),
    text: taken.text,
    notes: JSON.stringify(taken.notes),
    left: JSON.stringify(taken.left),
    sender,
    at: Date.now(),
  });
}
