import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Backups } from './backups/backups.js';
import type { Counting } from './counting/counting.js';
import { countingHere } from './counting/here.js';
import { openDatabase, type OpenDatabase, type Opening } from './db/client.js';
import { StandIn } from './db/testing/standIn.js';
import type { Documents } from './documents/aside.js';
import { takenFrom } from './documents/index.js';
import { filesAt, type Files } from './files/files.js';
import { filesBeside } from './files/where.js';
import { OUTBOX } from './post.js';
import type { ShelfEntry } from '../patterns.js';
import { USUAL } from '../shelf/arranging.js';
import { publishingHere } from './publishing/here.js';
import { storesOver, type Stores } from './storesOver.js';

/** All stores on a database of their own, for a test. */
export interface Rig extends Stores {
  readonly folder: string;
  readonly file: string;
  readonly database: OpenDatabase;
  /** Where its files are kept. */
  readonly kept: Files;
  /** The service that the database is; null where it is a file. */
  readonly standIn: StandIn | null;
  /** What stands on the shelf, the last changed first. */
  readonly shelved: () => Promise<readonly ShelfEntry[]>;
  /** Waits until all figures are counted. */
  readonly counted: () => Promise<void>;
  readonly end: () => Promise<void>;
}

/** Reads documents in the test's own process. */
const readHere: Documents = { take: takenFrom, close: () => Promise.resolve() };

export const MIGRATIONS = path.resolve('drizzle');

/** Tests are carried out over a service elsewhere, of which `StandIn` takes the place: `npm run test:service`. */
const ON_A_SERVICE = process.env['DOSTIK_TEST_SERVICE'] === 'yes';

/** What a rig has instead of the usual. */
export interface RigParts {
  readonly counting?: Counting;
  /** Whether the database is a service elsewhere, instead of a file. */
  readonly service?: boolean;
  /** Where the database is, instead of one of its own. */
  readonly opening?: Opening;
  /** Where files are kept, instead of in a folder beside the database. */
  readonly files?: Files;
}

export async function makeRig(parts: RigParts = {}): Promise<Rig> {
  const { counting = countingHere, service = ON_A_SERVICE, opening, files } = parts;
  const folder = mkdtempSync(path.join(tmpdir(), 'dostik-'));
  const file = path.join(folder, 'data', 'test.db');
  if (service) mkdirSync(path.dirname(file));
  const standIn = service && !opening ? new StandIn(file) : null;
  const own = opening ?? { DATABASE_URL: (await standIn?.start()) ?? `file:${file}` };
  const database = await openDatabase(own, MIGRATIONS);
  const kept = files ?? filesAt(filesBeside(`file:${file}`));
  const all = storesOver(database, {
    files: kept,
    counting,
    documents: readHere,
    publishing: publishingHere,
    post: OUTBOX,
    key: 'a secret for tests that is long enough',
    backups: new Backups(
      { DATABASE_URL: `file:${file}`, DOSTIK_FILES: filesBeside(`file:${file}`), DOSTIK_BACKUPS_KEPT: 14 },
      path.resolve('dist/dostik.cjs'),
    ),
  });
  return {
    ...all,
    folder,
    file,
    database,
    kept,
    standIn,
    shelved: async () => (await all.shelf.page(USUAL, 0, 1000)).entries,
    counted: () => all.recounts.idle(120_000),
    end: async () => {
      await all.recounts.idle(120_000);
      database.close();
      standIn?.stop();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
