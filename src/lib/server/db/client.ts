import { setTimeout as wait } from 'node:timers/promises';
import { createClient, type Client } from '@libsql/client';
import { sql } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import { backupsBeside } from '../backups/copies.js';
import type { Environment } from '../environment.js';
import { cannotWrite, describeFailure, failuresIn, sentenceOf } from './failures.js';
import { beforeOpening, CONNECTIONS, DatabaseFile, makePrivate, openAll } from './file.js';
import { hashPlainSecrets } from './plainSecrets.js';
import * as schema from './schema.js';
import { replicated, type Replica } from './replica.js';
import { asking, reading, surely } from './service.js';
import type { Database, Writing } from './types.js';

export type { Database, Writing };

export interface OpenDatabase {
  /** For reading. */
  readonly db: Database;
  /**
   * Writes in one transaction, one after the other: two at once in one process would fail as busy. Another process that
   * writes at the same time is waited for.
   * @throws Missing where the file is no longer there afterwards.
   */
  write<T>(work: (db: Writing) => Promise<T>): Promise<T>;
  /**
   * Why nothing can be written, as a sentence for people; null where it can. What was read before, and all else that is kept,
   * can be read all the same. Where the last write failed it is tried whether one goes through again.
   */
  readonly trouble: () => Promise<string | null>;
  close(): void;
}

/** What is asked of the environment to open a database. */
export type Opening = Pick<
  Environment,
  'DATABASE_URL' | 'DATABASE_AUTH_TOKEN' | 'DATABASE_REPLICA' | 'DOSTIK_BACKUPS'
> &
  Partial<Pick<Environment, 'DOSTIK_BACKUPS_KEPT'>>;
const KEPT = 14;

/** SQLite itself waits so long for another process, holding up everything else here; milliseconds. */
const SHORT_WAIT = 50;
/** So long a write is tried again before it is given up; milliseconds. */
const LONG_WAIT = 10_000;

/**
 * Opens the database, brings its tables up to date and makes ready to write.
 * @throws Error with a sentence for people where it can't be opened or written.
 */
export async function openDatabase(
  { DATABASE_URL, DATABASE_AUTH_TOKEN, DATABASE_REPLICA, DOSTIK_BACKUPS, DOSTIK_BACKUPS_KEPT = KEPT }: Opening,
  migrations: string,
): Promise<OpenDatabase> {
  const file = DATABASE_URL.startsWith('file:') ? DATABASE_URL.slice('file:'.length) : null;
  if (file) await beforeOpening(file, DOSTIK_BACKUPS ?? backupsBeside(file), DOSTIK_BACKUPS_KEPT, migrations);
  let client: Client;
  /** After connections were closed, which keep a statement that could not be carried out. */
  const ready = async () => {
    client.reconnect();
    if (file) await openAll(client).catch(() => undefined);
  };
  try {
    if (file) await makePrivate(file);
    client = connected(DATABASE_URL, DATABASE_AUTH_TOKEN);
    if (file) await patiently(ready, () => client.execute('PRAGMA journal_mode = WAL'));
  } catch (error) {
    throw new Error(`The database ${DATABASE_URL} can't be opened: ${describeFailure(error)}`, { cause: error });
  }
  const direct = file ? client : reading(client);
  const db = drizzle(direct, { schema });
  let replica: Replica | null = null;
  try {
    await patiently(ready, () => migrate(db, { migrationsFolder: migrations }));
    await patiently(ready, () => db.transaction(hashPlainSecrets));
    if (file) await openAll(client);
    else if (DATABASE_REPLICA)
      replica = await replicated(direct, DATABASE_REPLICA, { url: DATABASE_URL, authToken: DATABASE_AUTH_TOKEN });
  } catch (error) {
    client.close();
    throw new Error(`The database ${DATABASE_URL} can't be brought up to date: ${describeFailure(error)}`, {
      cause: error,
    });
  }
  const kept = file ? await DatabaseFile.of(file) : null;
  let last: Promise<unknown> = Promise.resolve();
  /** The last write failed, and not by what was to be written. */
  let failed = false;
  const write: OpenDatabase['write'] = (work) => {
    const next = last.then(async () => {
      try {
        // Nothing is begun where it could not be kept: another connection would make an empty file in the place of one that is gone.
        await kept?.present();
        const written = file
          ? await patiently(ready, () => wholly(db, work))
          : await surely(work, (once) => patiently(ready, () => wholly(db, once)));
        await kept?.logged();
        await replica?.follow();
        failed = false;
        return written;
      } catch (error) {
        failed = cannotWrite(error);
        throw error;
      }
    });
    last = next.catch(() => undefined);
    return next;
  };
  return {
    db: replica ? drizzle(replica.client, { schema }) : db,
    write,
    async trouble() {
      try {
        await kept?.present();
        // What is written is what stands there: whether the disk takes it is all that is asked.
        if (failed) await write((tx) => tx.run(sql`UPDATE __drizzle_migrations SET created_at = created_at`));
        return null;
      } catch (error) {
        return sentenceOf(error);
      }
    },
    close() {
      replica?.close();
      client.close();
    },
  };
}

function connected(url: string, authToken = ''): Client {
  const own = url.startsWith('file:') ? { concurrency: CONNECTIONS } : { fetch: asking, authToken };
  return createClient({ url, timeout: SHORT_WAIT, ...own });
}

/**
 * Writes in one transaction. What went wrong in it is told: a full disk ends a transaction by itself, and that it can't be taken
 * back then, as Drizzle does, would be all that is said.
 */
async function wholly<T>(db: Database, work: (db: Writing) => Promise<T>): Promise<T> {
  const why: { error?: unknown } = {};
  try {
    return await db.transaction(async (tx) => {
      try {
        return await work(tx);
      } catch (error) {
        why.error = error;
        throw error;
      }
    });
  } catch (error) {
    throw why.error ?? error;
  }
}

/**
 * Tries again while another process has the database locked, with new connections: one that was refused keeps the statement
 * that it could not carry out, and then can't commit any other.
 */
async function patiently<T>(anew: () => Promise<void>, work: () => Promise<T>): Promise<T> {
  const end = Date.now() + LONG_WAIT;
  for (;;) {
    try {
      return await work();
    } catch (error) {
      if (!/SQLITE_BUSY|database is locked/i.test(failuresIn(error)) || Date.now() > end) throw error;
      await wait(20 + Math.random() * 60);
      await anew();
    }
  }
}
