import { mkdir } from 'node:fs/promises';
import path from 'node:path';
import { createClient, type Client } from '@libsql/client';
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import type { Environment } from '../environment.js';
import * as schema from './schema.js';

export type Database = LibSQLDatabase<typeof schema>;

export interface OpenDatabase {
  readonly db: Database;
  /** Runs one write after the other: two at once in one process would fail as busy. */
  write<T>(work: () => Promise<T>): Promise<T>;
  close(): void;
}

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
    if (file) await mkdir(path.dirname(path.resolve(file)), { recursive: true });
    client = createClient(
      DATABASE_AUTH_TOKEN ? { url: DATABASE_URL, authToken: DATABASE_AUTH_TOKEN } : { url: DATABASE_URL },
    );
    if (file) await client.execute('PRAGMA journal_mode = WAL');
    await client.execute('PRAGMA foreign_keys = ON');
  } catch (error) {
    throw new Error(`The database ${DATABASE_URL} can't be opened: ${describeFailure(error)}`, { cause: error });
  }
  const db = drizzle(client, { schema });
  try {
    await migrate(db, { migrationsFolder: migrations });
  } catch (error) {
    client.close();
    throw new Error(`The database ${DATABASE_URL} can't be brought up to date: ${describeFailure(error)}`, {
      cause: error,
    });
  }
  let last: Promise<unknown> = Promise.resolve();
  return {
    db,
    write(work) {
      const next = last.then(work, work);
      last = next.catch(() => undefined);
      return next;
    },
    close: () => client.close(),
  };
}

/** A failure of the database in words, with what to do. Drizzle keeps the driver's code on the cause. */
export function describeFailure(error: unknown): string {
  const codes: string[] = [];
  const messages: string[] = [];
  for (let cause: unknown = error; cause instanceof Error; cause = cause.cause) {
    messages.push(cause.message);
    if ('code' in cause && typeof cause.code === 'string') codes.push(cause.code);
  }
  const all = [...codes, ...messages].join(' ');
  if (/SQLITE_FULL|ENOSPC|disk is full/i.test(all)) return 'the disk is full. Make room, then save again.';
  if (/SQLITE_READONLY|readonly/i.test(all)) return 'the file is read-only. Give the server the right to write it.';
  if (/EACCES|EPERM|SQLITE_CANTOPEN|ENOTDIR|EROFS|unable to open/i.test(all))
    return 'the file or its folder is not there or may not be written. Check the path and its rights.';
  if (/SQLITE_BUSY|locked/i.test(all)) return 'another program has it locked. Close that program, then try again.';
  if (/SQLITE_NOTADB|SQLITE_CORRUPT|not a database|malformed/i.test(all))
    return 'the file is not a database, or it is damaged. Name another file, or bring back a copy.';
  if (/ENOTFOUND|ECONNREFUSED|fetch failed/i.test(all)) return 'its server does not answer. Check the address.';
  return `${messages.at(-1) ?? 'an unknown failure'}.`;
}
