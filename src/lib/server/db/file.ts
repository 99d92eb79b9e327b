import { chmod, mkdir, open, stat } from 'node:fs/promises';
import path from 'node:path';
import { createClient, type Client } from '@libsql/client';
import { readMigrationFiles } from 'drizzle-orm/migrator';
import { backUp, damageOf, newestGood } from '../backups/copies.js';
import { Missing } from './failures.js';

/** So much is asked at once; more waits. */
export const CONNECTIONS = 8;

/**
 * Looks whether a database is whole, and copies it before its tables are brought up to date.
 * @throws Error that says what is damaged, and which backup is good.
 */
export async function beforeOpening(file: string, backups: string, kept: number, migrations: string): Promise<void> {
  const there = await stat(file).catch(() => null);
  if (!there?.isFile() || there.size === 0) return;
  const wrong = await damageOf(file, { indexes: false });
  // What can't be opened at all is told when it is opened.
  if (wrong !== null && !/unable to open|readonly|denied|busy|locked/i.test(wrong)) {
    const good = await newestGood(backups);
    throw new Error(
      good
        ? `The file ${file} is not a database, or it is damaged (${wrong}). The newest backup that can be read is ${good.file}, of ${new Date(good.at).toISOString()}: "npx dostik restore ${good.file} --database ${file}" puts it in its place, and keeps the damaged file.`
        : `The file ${file} is not a database, or it is damaged (${wrong}), and there is no backup in ${backups} that can be read. It was left as it is: name another file, or bring back a copy.`,
    );
  }
  if (await behind(file, migrations)) await backUp(file, backups, 'update', kept);
}

/** Whether tables are there that are not up to date. */
async function behind(file: string, migrations: string): Promise<boolean> {
  const client = createClient({ url: `file:${file}` });
  try {
    const { rows } = await client.execute('SELECT count(*) FROM __drizzle_migrations');
    return Number(rows[0]?.[0]) < readMigrationFiles({ migrationsFolder: migrations }).length;
  } catch {
    // There are no tables yet.
    return false;
  } finally {
    client.close();
  }
}

/** What is kept is nobody else's business: the file is its owner's alone, and so is a folder that is made for it. */
export async function makePrivate(file: string): Promise<void> {
  await mkdir(path.dirname(path.resolve(file)), { recursive: true, mode: 0o700 });
  // Only where there is none: closing a file lets go of all locks that this process has on it, those of SQLite too, which does
  // not notice. Another program that ends would then take the log away, and what is written afterwards with it.
  const made = await open(file, 'wx', 0o600).catch((error: unknown) => {
    if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
  });
  await made?.close();
  // Files of a database that was there before; SQLite gives those that it makes anew the rights of the first.
  for (const end of ['', '-wal', '-shm']) {
    const mode = await stat(file + end).then(
      (found) => found.mode,
      () => 0,
    );
    if ((mode & 0o077) !== 0) await chmod(file + end, mode & 0o700).catch(() => undefined);
  }
}

/**
 * Opens all connections that there will be. One that is opened later would make an empty file in the place of one that is gone,
 * and nothing could be read any more.
 */
export async function openAll(client: Client): Promise<void> {
  const asked = Array.from({ length: CONNECTIONS }, () => client.execute('SELECT count(*) FROM sqlite_schema'));
  await Promise.all(asked);
}

/** A database file, as it was when it was opened. */
export class DatabaseFile {
  readonly #file: string;
  readonly #first: { readonly ino: number; readonly dev: number };

  private constructor(file: string, first: { readonly ino: number; readonly dev: number }) {
    this.#file = file;
    this.#first = first;
  }

  static async of(file: string): Promise<DatabaseFile> {
    return new DatabaseFile(file, await stat(file));
  }

  /** @throws Missing where it is not there any more, or another stands in its place. */
  async present(): Promise<void> {
    const now = await stat(this.#file).catch(() => null);
    if (now?.ino !== this.#first.ino || now.dev !== this.#first.dev)
      throw new Missing(this.#file, now === null ? 'gone' : 'replaced');
  }

  /** What was written stands in the log until it is taken over into the file. @throws Missing where that is gone. */
  async logged(): Promise<void> {
    await this.present();
    if ((await stat(`${this.#file}-wal`).catch(() => null)) === null) throw new Missing(this.#file, 'unlogged');
  }
}
