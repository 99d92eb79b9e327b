import { createHash } from 'node:crypto';
import { and, desc, eq, isNull } from 'drizzle-orm';
import * as z from 'zod/mini';
import { draftSchema, type Draft, type KnownFile } from '../patterns.js';
import type { OpenDatabase, Writing } from './db/client.js';
import { drafts, originals, patterns } from './db/schema.js';
import type { Taken } from './documents/document.js';
import { insertPattern, saveIn } from './patterns.js';
import { parsed, readable } from './readable.js';

/** A file with what it was read as. */
export interface Arrived {
  /** What the file is called; empty for what was pasted. */
  readonly file: string;
  readonly bytes: Uint8Array;
  readonly taken: Taken;
}

const originalRow = z.object({ file: z.string(), bytes: z.instanceof(Uint8Array) });

/** What has come of each pattern: its drafts, with the files themselves. */
export class DraftStore {
  readonly #database: OpenDatabase;
  readonly #changed: (id: string) => void;

  /** @param changed is told of each pattern whose figures are to be counted anew. */
  constructor(database: OpenDatabase, changed: (id: string) => void = () => undefined) {
    this.#database = database;
    this.#changed = changed;
  }

  /**
   * Shelves a new pattern with what has come as its first draft.
   * @param name what it is called; without one it has the name of the file, or the first line of the text.
   * @param demoKey set for a pattern of the demo.
   */
  async takeIn(arrived: Arrived, name = arrived.file.replace(/\.\w{2,8}$/, ''), demoKey?: string): Promise<string> {
    const id = await this.#database.write(async (db) => {
      const entry = { name, text: arrived.taken.text, ...(demoKey === undefined ? {} : { demoKey }) };
      const pattern = await insertPattern(db, entry);
      await insertDraft(db, pattern, 1, arrived);
      return pattern;
    });
    this.#changed(id);
    return id;
  }

  /** Goes on with a further draft of a pattern, which becomes its text; false where there is no such pattern. */
  async goOn(id: string, arrived: Arrived): Promise<boolean> {
    const done = await this.#database.write(async (db) => {
      const [now] = await db
        .select({ revision: patterns.revision })
        .from(patterns)
        .where(and(eq(patterns.id, id), isNull(patterns.deletedAt)));
      if (!now) return false;
      const [last] = await db
        .select({ number: drafts.number })
        .from(drafts)
        .where(eq(drafts.patternId, id))
        .orderBy(desc(drafts.number))
        .limit(1);
      await insertDraft(db, id, (last?.number ?? 0) + 1, arrived);
      await saveIn(db, id, arrived.taken.text, now.revision);
      return true;
    });
    if (done) this.#changed(id);
    return done;
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
        at: drafts.at,
      })
      .from(drafts)
      .where(eq(drafts.patternId, id))
      .orderBy(desc(drafts.number));
    const read = rows.map((row) => ({ ...row, notes: parsed(row.notes), left: parsed(row.left) }));
    return readable(read, draftSchema, 'drafts');
  }

  /** A file as it came; null where there is none. */
  async original(id: string, number: number): Promise<{ file: string; bytes: Uint8Array } | null> {
    const [row] = await this.#database.db
      .select({ file: drafts.file, bytes: originals.bytes })
      .from(drafts)
      .innerJoin(originals, eq(originals.draftId, drafts.id))
      .where(and(eq(drafts.patternId, id), eq(drafts.number, number)));
    return row ? (readable([row], originalRow, 'originals')[0] ?? null) : null;
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

async function insertDraft(db: Writing, patternId: string, number: number, arrived: Arrived): Promise<void> {
  const { file, bytes, taken } = arrived;
  const [draft] = await db
    .insert(drafts)
    .values({
      patternId,
      number,
      file,
      kind: taken.kind,
      size: bytes.length,
      hash: hashOf(bytes),
      text: taken.text,
      notes: JSON.stringify(taken.notes),
      left: JSON.stringify(taken.left),
      at: Date.now(),
    })
    .returning({ id: drafts.id });
  if (draft) await db.insert(originals).values({ draftId: draft.id, bytes: Buffer.from(bytes) });
}

function hashOf(bytes: Uint8Array): string {
  return createHash('sha256').update(bytes).digest('hex');
}
