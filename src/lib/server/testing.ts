import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { CallStore } from './calls.js';
import type { Counting } from './counting/counting.js';
import { countingHere } from './counting/here.js';
import { openDatabase, type OpenDatabase } from './db/client.js';
import type { Documents } from './documents/aside.js';
import { takenFrom } from './documents/index.js';
import { DraftStore } from './drafts.js';
import { LetterStore } from './letters.js';
import { PatternStore } from './patterns.js';
import { OUTBOX } from './post.js';
import { publishingHere } from './publishing/here.js';
import { QueryStore } from './queries.js';
import { Recounts } from './recounts.js';
import { releaseStores } from './releaseStores.js';
import { RuleStore } from './rules.js';
import { ShapeStore } from './shapes.js';
import { ShelfStore } from './shelf.js';
import type { Stores } from './store.js';
import { StyleStore } from './style.js';
import { TermsStore } from './terms.js';

/** All stores on a database of their own, for a test. */
export interface Rig extends Stores {
  readonly folder: string;
  readonly file: string;
  readonly database: OpenDatabase;
  /** Waits until all figures are counted. */
  readonly counted: () => Promise<void>;
  readonly end: () => Promise<void>;
}

/** Reads documents in the test's own process. */
const readHere: Documents = { take: takenFrom, close: () => Promise.resolve() };

export const MIGRATIONS = path.resolve('drizzle');

export async function makeRig(counting: Counting = countingHere): Promise<Rig> {
  const folder = mkdtempSync(path.join(tmpdir(), 'dostik-'));
  const file = path.join(folder, 'data', 'test.db');
  const database = await openDatabase({ DATABASE_URL: `file:${file}` }, MIGRATIONS);
  const rules = new RuleStore(database);
  const recounts = new Recounts(database, rules, counting);
  const patterns = new PatternStore(database, recounts.ask);
  const letters = new LetterStore(database, OUTBOX);
  const drafts = new DraftStore(database, patterns, counting, recounts.ask);
  const queries = new QueryStore(database, letters);
  const terms = new TermsStore(database, patterns, counting, recounts.ask);
  const style = new StyleStore(database);
  const sources = { patterns, terms, queries, letters, drafts, style, counting };
  return {
    ...releaseStores(database, sources, publishingHere),
    folder,
    file,
    database,
    patterns,
    shapes: new ShapeStore(database, patterns),
    calls: new CallStore(database, patterns, counting, publishingHere),
    shelf: new ShelfStore(database),
    style,
    drafts,
    letters,
    queries,
    documents: readHere,
    counting,
    rules,
    recounts,
    terms,
    counted: () => recounts.idle(30_000),
    end: async () => {
      await recounts.idle(30_000);
      database.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
