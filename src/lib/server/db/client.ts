import { chmod, mkdir, open, stat } from 'node:fs/promises';
import path from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { createClient, type Client } from '@libsql/client';
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import type { Environment } from '../environment.js';
import * as schema from './schema.js';

export type Database = LibSQLDatabase<typeof schema>;
/** A transaction; what is written through it is kept as a whole, or not at all. */
export type Writing = Parameters<Parameters<Database['transaction']>[0]>[0];

export interface OpenDatabase {
  /** For reading. */
  readonly db: Database;
  /**
   * Writes in one transaction, one after the other: two at once in one process would fail as busy. Another process that
   * writes at the same time is waited for.
   * @throws Missing where the file is no longer there afterwards.
   */
  write<T>(work: (db: Writing) => Promise<T>): Promise<T>;
  /** @throws Missing where the file that was opened is not there any more, or another stands in its place. */
  readonly present: () => Promise<void>;
  close(): void;
}

/** The database file was deleted, moved or replaced under the running server. */
export class Missing extends Error {
  constructor(file: string, replaced: boolean) {
    super(
      replaced
        ? `another file stands in the place of the database ${file}, and nothing is written to it. Put the first one back, or restart the server to work with this one.`
        : `the database ${file} is gone: it was moved or deleted. Put it back, or restart the server to begin a new one.`,
    );
  }
}

/** SQLite itself waits so long for another process, holding up everything else here; milliseconds. */
const SHORT_WAIT = 50;
/** So long a write is tried again before it is given up; milliseconds. */
const LONG_WAIT = 10_000;

/**
 * Opens the database, brings its tables up to date and makes ready to write.
 * @throws Error with a sentence for people where it can't be opened or written.
 */
export async function openDatabase(
  { DATABASE_URL, DATABASE_AUTH_TOKEN }: Environment,
  migrations: string,
): Promise<OpenDatabase> {
  const file = DATABASE_URL.startsWith('file:') ? DATABASE_URL.slice('file:'.length) : null;
  let client: Client;
  try {
    if (file) await makePrivate(file);
    client = createClient({
      url: DATABASE_URL,
      timeout: SHORT_WAIT,
      ...(DATABASE_AUTH_TOKEN ? { authToken: DATABASE_AUTH_TOKEN } : {}),
    });
    if (file) await patiently(client, () => client.execute('PRAGMA journal_mode = WAL'));
  } catch (error) {
    throw new Error(`The database ${DATABASE_URL} can't be opened: ${describeFailure(error)}`, { cause: error });
  }
  const db = drizzle(client, { schema });
  try {
    await patiently(client, () => migrate(db, { migrationsFolder: migrations }));
  } catch (error) {
    client.close();
    throw new Error(`The database ${DATABASE_URL} can't be brought up to date: ${describeFailure(error)}`, {
      cause: error,
    });
  }
  const opened = file ? await stat(file) : null;
  const present = async () => {
    if (!file || !opened) return;
    const now = await stat(file).catch(() => null);
    if (now?.ino !== opened.ino || now.dev !== opened.dev) throw new Missing(file, now !== null);
  };
  let last: Promise<unknown> = Promise.resolve();
  return {
    db,
    present,
    write(work) {
      const next = last.then(async () => {
        const written = await patiently(client, () => db.transaction(work));
        await present();
        return written;
      });
      last = next.catch(() => undefined);
      return next;
    },
    close: () => client.close(),
  };
}

/** What is kept is nobody else's business: the file is its owner's alone, and so is a folder that is made for it. */
async function makePrivate(file: string): Promise<void> {
  await mkdir(path.dirname(path.resolve(file)), { recursive: true, mode: 0o700 });
  await (await open(file, 'a', 0o600)).close();
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
 * Tries again while another process has the database locked, with new connections: one that was refused keeps the statement
 * that it could not carry out, and then can't commit any other.
 */
async function patiently<T>(client: Client, work: () => Promise<T>): Promise<T> {
  const end = Date.now() + LONG_WAIT;
  for (;;) {
    try {
      return await work();
    } catch (error) {
      if (!/SQLITE_BUSY|database is locked/i.test(failuresIn(error)) || Date.now() > end) throw error;
      await wait(20 + Math.random() * 60);
      client.reconnect();
    }
  }
}

/** Codes and messages of a failure and of all that caused it: Drizzle keeps the driver's code on the cause. */
function failuresIn(error: unknown): string {
  const all: string[] = [];
  for (let cause: unknown = error; cause instanceof Error; cause = cause.cause) {
    if ('code' in cause && typeof cause.code === 'string') all.push(cause.code);
    all.push(cause.message);
  }
  return all.join(' ');
}

/** A failure of the database in words, with what to do; in lower case, to stand behind a colon. */
export function describeFailure(error: unknown): string {
  if (error instanceof Missing) return error.message;
  const all = failuresIn(error);
  if (/SQLITE_FULL|ENOSPC|disk is full/i.test(all)) return 'the disk is full. Make room, then save again.';
  if (/SQLITE_READONLY|readonly/i.test(all)) return 'the file is read-only. Give the server the right to write it.';
  if (/EACCES|EPERM|SQLITE_CANTOPEN|ENOTDIR|EROFS|EISDIR|unable to open/i.test(all))
    return 'the file or its folder is not there or may not be written. Check the path and its rights.';
  if (/SQLITE_BUSY|locked/i.test(all)) return 'another program has it locked. Close that program, then try again.';
  if (/SQLITE_NOTADB|SQLITE_CORRUPT|not a database|malformed/i.test(all))
    return 'the file is not a database, or it is damaged. Name another file, or bring back a copy.';
  if (/ENOTFOUND|ECONNREFUSED|fetch failed/i.test(all)) return 'its server does not answer. Check the address.';
  return 'it failed in a way that is not known. The words are in what the server writes to its terminal.';
}
