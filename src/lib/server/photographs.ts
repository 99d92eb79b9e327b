import { and, asc, eq, inArray, isNull } from 'drizzle-orm';
import { photographSchema, type Photograph, type PhotographAdded } from '../release.js';
import type { OpenDatabase } from './db/client.js';
import { photographs } from './db/schema.js';
import type { Files } from './files/files.js';
import { isThere } from './patterns.js';
import type { Publishing } from './publishing/aside.js';
import type { Picture } from './publishing/form.js';
import { readable } from './readable.js';

/** So many go with one pattern. */
const MOST = 24;

/** The photographs that go out with a pattern. */
export class PhotographStore {
  readonly #database: OpenDatabase;
  readonly #files: Files;
  readonly #publishing: Publishing;

  constructor(database: OpenDatabase, files: Files, publishing: Publishing) {
    this.#database = database;
    this.#files = files;
    this.#publishing = publishing;
  }

  /** Those of a pattern, in order, without their bytes. */
  async of(id: string): Promise<Photograph[]> {
    const rows = await this.#database.db
      .select({ id: photographs.id, alt: photographs.alt, width: photographs.width, height: photographs.height })
      .from(photographs)
      .where(and(eq(photographs.patternId, id), isNull(photographs.removedAt)))
      .orderBy(asc(photographs.id));
    return readable(rows, photographSchema, 'photographs');
  }

  /** Some photographs with their bytes, in the order of their ids, taken out or not. */
  async pictures(id: string, ids: readonly number[]): Promise<Picture[]> {
    if (ids.length === 0) return [];
    const rows = await this.#database.db
      .select()
      .from(photographs)
      .where(and(eq(photographs.patternId, id), inArray(photographs.id, [...ids])))
      .orderBy(asc(photographs.id));
    return Promise.all(
      rows.map(async ({ hash, type, width, height, alt }) => ({
        bytes: await this.#files.get(hash),
        type,
        width,
        height,
        alt,
      })),
    );
  }

  /**
   * Takes a photograph in, made smaller where it is larger than a page needs; null where there is no such pattern, or no room.
   * @throws NotTaken where it is no picture.
   */
  async add(id: string, bytes: Uint8Array): Promise<PhotographAdded | null> {
    const { smaller, bytes: made, ...shape } = await this.#publishing.photograph(bytes);
    const hash = await this.#files.keep(made);
    const added = await this.#database.write(async (db) => {
      if (!(await isThere(db, id))) return null;
      const there = await db
        .select({ id: photographs.id })
        .from(photographs)
        .where(and(eq(photographs.patternId, id), isNull(photographs.removedAt)));
      if (there.length >= MOST) return null;
      const row = { ...shape, hash, patternId: id, alt: '', at: Date.now() };
      const [inserted] = await db.insert(photographs).values(row).returning({ id: photographs.id });
      return inserted ?? null;
    });
    return added && { id: added.id, alt: '', width: shape.width, height: shape.height, smaller };
  }

  /** Says what is to be seen; false where there is no such photograph. */
  async describe(id: string, photograph: number, alt: string): Promise<boolean> {
    return this.#change(id, photograph, { alt });
  }

  /** Takes a photograph out of what goes out next; versions keep it. */
  async remove(id: string, photograph: number): Promise<boolean> {
    return this.#change(id, photograph, { removedAt: Date.now() });
  }

  async #change(id: string, photograph: number, to: { alt: string } | { removedAt: number }): Promise<boolean> {
    const changed = await this.#database.write((db) =>
      db
        .update(photographs)
        .set(to)
        .where(and(eq(photographs.patternId, id), eq(photographs.id, photograph), isNull(photographs.removedAt)))
        .returning({ id: photographs.id }),
    );
    return changed.length > 0;
  }
}
