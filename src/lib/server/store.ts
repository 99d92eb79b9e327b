import path from 'node:path';
import { Backups } from './backups/backups.js';
import { countingAside } from './counting/counting.js';
import { openDatabase, type OpenDatabase } from './db/client.js';
import { documentsAside } from './documents/aside.js';
import { readEnvironment } from './environment.js';
import { filesAt } from './files/files.js';
import { moveBytes } from './files/moved.js';
import { secretOf } from './people/secret.js';
import { OUTBOX, smtpPost } from './post.js';
import { publishingAside } from './publishing/aside.js';
import { storesOver, type Stores } from './storesOver.js';

let opened: Promise<Stores> | null = null;
let database: OpenDatabase | null = null;

/** The stores of this process; opened, and the tables brought up to date, at the first call. */
export function stores(): Promise<Stores> {
  return (opened ??= open());
}

/**
 * Closes the database once all is written that anybody has asked for, as the server is told to end. What is not counted yet is
 * found stale at the next start; the processes beside this one end with it.
 */
export async function closeStores(): Promise<void> {
  await database?.write(() => Promise.resolve());
  database?.close();
}

async function open(): Promise<Stores> {
  const environment = readEnvironment(process.env);
  database = await openDatabase(environment, path.resolve('drizzle'));
  const files = filesAt(environment.DOSTIK_FILES);
  await moveBytes(database, files);
  const all = storesOver(database, {
    files,
    counting: countingAside(),
    documents: documentsAside(path.resolve('dist/documents.mjs')),
    publishing: publishingAside(path.resolve('dist/publishing.mjs')),
    post: environment.SMTP_URL === undefined ? OUTBOX : smtpPost(environment.SMTP_URL),
    key: await secretOf(environment.DOSTIK_SECRET, environment.DATABASE_URL),
    backups: new Backups(environment, path.resolve('dist/dostik.cjs')),
  });
  all.backups.daily();
  await all.recounts.askStale();
  return all;
}
