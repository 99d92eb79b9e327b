import { strFromU8, unzip } from 'fflate';
import { getTableColumns, max, sql } from 'drizzle-orm';
import { workspaceSchema, type Brought, type Row } from '../../exchange.js';
import type { OpenDatabase, Writing } from '../db/client.js';
import { EVERYWHERE } from '../db/schema.js';
import { NotTaken } from '../documents/document.js';
import type { Files } from '../files/files.js';
import { parsed } from '../readable.js';
import { INDEX } from './out.js';
import { columnsOf, FILES, TABLES, wordsOf, type Kept } from './tables.js';

const NO_WORKSPACE =
  'This is no workspace of Dostik: take in a .zip that was taken out under Workspace, and was not changed since.';
/** What an archive may hold, unpacked; bytes. */
const MOST = 2_000_000_000;

/**
 * Brings a workspace in. Patterns that are here already stay as they are; what belongs to the house is taken over where
 * nothing is settled here.
 * @throws NotTaken where the archive is none of ours, or is damaged; nothing has been brought in then.
 */
export async function broughtIn(database: OpenDatabase, kept: Files, bytes: Uint8Array): Promise<Brought> {
  const files = await unzipped(bytes);
  const index = files[INDEX];
  const read = workspaceSchema.safeParse(index && parsed(strFromU8(index)));
  if (!read.success) throw new NotTaken(NO_WORKSPACE);
  const tables = new Map(Object.entries(read.data.tables));
  for (const [name, file] of Object.entries(files))
    if (name.startsWith(FILES) && `${FILES}${await kept.keep(file)}` !== name) throw new NotTaken(NO_WORKSPACE);
  return database.write((db) => new Bringing(db, files, tables).all());
}

class Bringing {
  readonly #db: Writing;
  readonly #files: Readonly<Record<string, Uint8Array>>;
  readonly #tables: ReadonlyMap<string, readonly Row[]>;
  /** Of each table that counts its rows: the number that a row had, and the one that it gets. */
  readonly #numbers = new Map<string, Map<number, number>>();

  constructor(db: Writing, files: Readonly<Record<string, Uint8Array>>, tables: ReadonlyMap<string, readonly Row[]>) {
    this.#db = db;
    this.#files = files;
    this.#tables = tables;
  }

  async all(): Promise<Brought> {
    const here = new Set((await this.#column('patterns', 'id')).map(String));
    const all = this.#tables.get('patterns') ?? [];
    const fresh = new Set(all.map(({ id }) => wordsOf(id)).filter((id) => !here.has(id)));
    for (const kept of TABLES) await this.#bring(kept, fresh);
    return { patterns: fresh.size, known: all.length - fresh.size };
  }

  async #bring(kept: Kept, fresh: ReadonlySet<string>): Promise<void> {
    const rows = (this.#tables.get(kept.name) ?? []).filter((row) => this.#belongs(kept, row, fresh));
    if (rows.length === 0) return;
    const numbers = await this.#renumbered(kept, rows);
    for (const row of rows) {
      const values = await this.#values(kept, row, numbers);
      const insert = this.#db.insert(kept.table).values(values);
      // What is settled here stays.
      await (kept.of === null || kept.of === 'scope' ? insert.onConflictDoNothing() : insert);
    }
  }

  #belongs({ name, of }: Kept, row: Row, fresh: ReadonlySet<string>): boolean {
    if (name === 'editions' && !fresh.has(wordsOf(row['sourceId']))) return false;
    if (of === null) return true;
    return fresh.has(wordsOf(row[of])) || (of === 'scope' && row[of] === EVERYWHERE);
  }

  /** New numbers for rows whose own are taken here. */
  async #renumbered({ name, counts, table }: Kept, rows: readonly Row[]): Promise<ReadonlyMap<number, number>> {
    const numbers = new Map<number, number>();
    this.#numbers.set(name, numbers);
    if (counts === undefined) return numbers;
    const column = getTableColumns(table)[counts];
    const [highest] = column ? await this.#db.select({ at: max(column) }).from(table) : [];
    const taken = new Set((await this.#column(name, counts)).map(Number));
    let next = Math.max(Number(highest?.at ?? 0), ...rows.map((row) => Number(row[counts])));
    for (const row of rows) {
      const own = Number(row[counts]);
      numbers.set(own, taken.has(own) ? (next += 1) : own);
    }
    return numbers;
  }

  async #values(kept: Kept, row: Row, numbers: ReadonlyMap<number, number>): Promise<Record<string, unknown>> {
    const values: Record<string, unknown> = {};
    for (const column of columnsOf(kept)) values[column] = this.#value(row[column]);
    if (kept.counts !== undefined) values[kept.counts] = numbers.get(Number(row[kept.counts]));
    if (kept.filed) values['hash'] = this.#filed(row);
    if (kept.name === 'releases') values['content'] = this.#withPhotographs(wordsOf(row['content']));
    if (kept.name === 'patterns' && row['demoKey'] !== null) {
      const known = await this.#column('patterns', 'demoKey');
      if (known.includes(row['demoKey'])) values['demoKey'] = null;
    }
    return values;
  }

  /** Which file of the archive a row goes with; the first versions of Dostik said that in another column for photographs. */
  #filed({ hash, bytes }: Row): string {
    const name = typeof bytes === 'object' && bytes !== null ? bytes.file : `${FILES}${wordsOf(hash)}`;
    if (!this.#files[name]) throw new NotTaken(NO_WORKSPACE);
    return name.slice(FILES.length);
  }

  #value(cell: Row[string] | undefined): string | number | null | Buffer {
    if (cell === undefined || cell === null || typeof cell !== 'object') return cell ?? null;
    const bytes = this.#files[cell.file];
    if (!bytes) throw new NotTaken(NO_WORKSPACE);
    return Buffer.from(bytes);
  }

  /** What a version was made from names photographs by their numbers. */
  #withPhotographs(content: string): string {
    const numbers = this.#numbers.get('photographs');
    const frozen = parsed(content);
    if (!numbers || [...numbers].every(([from, to]) => from === to) || !isWithPhotographs(frozen)) return content;
    return JSON.stringify({ ...frozen, photographs: frozen.photographs.map((one) => numbers.get(one) ?? one) });
  }

  async #column(name: string, column: string): Promise<unknown[]> {
    const kept = TABLES.find((one) => one.name === name);
    const field = kept && getTableColumns(kept.table)[column];
    if (!kept || !field) return [];
    const rows = await this.#db.select({ value: sql`${field}` }).from(kept.table);
    return rows.map(({ value }) => value);
  }
}

function isWithPhotographs(value: unknown): value is { photographs: number[] } {
  return typeof value === 'object' && value !== null && 'photographs' in value && Array.isArray(value.photographs);
}

function unzipped(bytes: Uint8Array): Promise<Record<string, Uint8Array>> {
  let whole = 0;
  return new Promise((resolve, reject) => {
    const filter = ({ originalSize }: { originalSize: number }) => {
      whole += originalSize;
      return whole <= MOST;
    };
    unzip(bytes, { filter }, (error, files) =>
      error || whole > MOST ? reject(new NotTaken(NO_WORKSPACE)) : resolve(files),
    );
  });
}
