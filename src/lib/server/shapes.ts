import { eq } from 'drizzle-orm';
import { NO_SETTINGS, shapeSettingsSchema, type ShapeSettings } from '../../core/index.js';
import type { OpenDatabase } from './db/client.js';
import { shapes } from './db/schema.js';
import type { PatternStore } from './patterns.js';
import { parsed, readable } from './readable.js';

/** What was set of hook, yarn and gauge for a pattern, beside what its text says. */
export class ShapeStore {
  readonly #database: OpenDatabase;
  readonly #patterns: PatternStore;

  constructor(database: OpenDatabase, patterns: PatternStore) {
    this.#database = database;
    this.#patterns = patterns;
  }

  /** What was set; nothing where nothing has been. */
  async of(id: string): Promise<ShapeSettings> {
    const [row] = await this.#database.db.select().from(shapes).where(eq(shapes.patternId, id));
    const [settings] = row ? readable([parsed(row.settings)], shapeSettingsSchema, 'hook, yarn and gauge') : [];
    return settings ?? NO_SETTINGS;
  }

  /** Keeps what was set; false where there is no such pattern. */
  async set(id: string, settings: ShapeSettings): Promise<boolean> {
    if (!(await this.#patterns.get(id))) return false;
    const row = { patternId: id, settings: JSON.stringify(settings), at: Date.now() };
    await this.#database.write((db) =>
      db.insert(shapes).values(row).onConflictDoUpdate({ target: shapes.patternId, set: row }),
    );
    return true;
  }
}
