import { strToU8, zip, type AsyncZippable } from 'fflate';
import { getTableColumns, asc } from 'drizzle-orm';
import type { Row } from '../../exchange.js';
import type { OpenDatabase } from '../db/client.js';
import { hashOf, type Files } from '../files/files.js';
import { columnsOf, FILES, TABLES, wordsOf, type Kept } from './tables.js';

/** Where the tables stand in an archive. */
export const INDEX = 'dostik.json';
/** Written as the time of everything in an archive: the same workspace makes the same bytes. */
const ALWAYS = new Date(2000, 0, 1, 12);

/**
 * The whole workspace in one archive: every row of every table, what is no text in files, and each text to be read at once.
 * @throws Refused where a file is gone or can't be reached.
 */
export async function takenOut({ db }: Pick<OpenDatabase, 'db'>, kept: Files): Promise<Uint8Array> {
  const files: Record<string, Uint8Array> = {};
  const tables: Record<string, Row[]> = {};
  for (const one of TABLES) {
    const order = Object.values(getTableColumns(one.table)).filter((column) => column.dataType !== 'buffer');
    const rows = (await db
      .select()
      .from(one.table)
      .orderBy(...order.map((column) => asc(column)))) as object[];
    const cells = rows.map((row) => rowOf(one, row, files));
    tables[one.name] = cells;
    if (one.filed) for (const { hash } of cells) files[FILES + wordsOf(hash)] ??= await kept.get(wordsOf(hash));
  }
  for (const { id, name, text } of tables['patterns'] ?? [])
    files[`texts/${plainName(wordsOf(name))} ${wordsOf(id).slice(0, 8)}.txt`] = strToU8(wordsOf(text));
  files[INDEX] = strToU8(`${JSON.stringify({ schema: 'dostik.workspace/1', tables }, null, 1)}\n`);
  return zipped(files);
}

function rowOf(kept: Kept, row: object, files: Record<string, Uint8Array>): Row {
  const values = new Map(Object.entries(row));
  return Object.fromEntries(
    columnsOf(kept).map((column): [string, Row[string]] => {
      const value: unknown = values.get(column);
      if (!(value instanceof Uint8Array)) return [column, (value ?? null) as string | number | null];
      const file = `${FILES}${hashOf(value)}`;
      files[file] = new Uint8Array(value);
      return [column, { file }];
    }),
  );
}

function plainName(name: string): string {
  return (
    name
      .replace(/[\\/:*?"<>|\p{Cc}]/gu, ' ')
      .trim()
      .slice(0, 80) || 'Untitled'
  );
}

function zipped(files: Record<string, Uint8Array>): Promise<Uint8Array> {
  const names = Object.keys(files).sort();
  const parts: AsyncZippable = {};
  for (const name of names) {
    const bytes = files[name];
    if (bytes) parts[name] = [bytes, { mtime: ALWAYS, level: name.startsWith(FILES) ? 0 : 6 }];
  }
  return new Promise((resolve, reject) => {
    zip(parts, (error, bytes) => (error ? reject(error) : resolve(bytes)));
  });
}
