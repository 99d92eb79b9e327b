import { eq } from 'drizzle-orm';
import { houseStyleSchema, type HouseStyle } from '../../core/index.js';
import type { OpenDatabase } from './db/client.js';
import { workspace } from './db/schema.js';
import { parsed, readable } from './readable.js';

const NAME = 'house style';

/** How this press writes. */
export class StyleStore {
  readonly #database: OpenDatabase;

  constructor(database: OpenDatabase) {
    this.#database = database;
  }

  /** The house style; empty where none has been set. */
  async get(): Promise<HouseStyle> {
    const [row] = await this.#database.db.select().from(workspace).where(eq(workspace.name, NAME));
    const [style] = row ? readable([parsed(row.value)], houseStyleSchema, 'the house style') : [];
    return style ?? {};
  }

  async set(style: HouseStyle): Promise<void> {
    const row = { name: NAME, value: JSON.stringify(style), at: Date.now() };
    await this.#database.write((db) =>
      db.insert(workspace).values(row).onConflictDoUpdate({ target: workspace.name, set: row }),
    );
  }
}
