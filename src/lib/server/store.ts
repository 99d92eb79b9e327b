import path from 'node:path';
import { CallStore } from './calls.js';
import { countingAside, type Counting } from './counting/counting.js';
import { openDatabase } from './db/client.js';
import { documentsAside, type Documents } from './documents/aside.js';
import { DraftStore } from './drafts.js';
import { readEnvironment } from './environment.js';
import { LetterStore } from './letters.js';
import { PatternStore } from './patterns.js';
import { OUTBOX, smtpPost } from './post.js';
import { publishingAside } from './publishing/aside.js';
import { QueryStore } from './queries.js';
import { Recounts } from './recounts.js';
import { releaseStores, type ReleaseStores } from './releaseStores.js';
import { RuleStore } from './rules.js';
import { ShapeStore } from './shapes.js';
import { ShelfStore } from './shelf.js';
import { StyleStore } from './style.js';
import { TermsStore } from './terms.js';

/** Everything that is kept, one store a matter, and who counts and reads documents. */
export interface Stores extends ReleaseStores {
  readonly patterns: PatternStore;
  readonly shapes: ShapeStore;
  readonly calls: CallStore;
  readonly shelf: ShelfStore;
  readonly terms: TermsStore;
  readonly rules: RuleStore;
  readonly style: StyleStore;
  readonly recounts: Recounts;
  readonly drafts: DraftStore;
  readonly queries: QueryStore;
  readonly letters: LetterStore;
  readonly counting: Counting;
  readonly documents: Documents;
}

let opened: Promise<Stores & { present: () => Promise<void> }> | null = null;

/**
 * The stores of this process; opened, and the tables brought up to date, at the first call.
 * @throws Missing where the database has gone from under the server.
 */
export async function stores(): Promise<Stores> {
  const all = await (opened ??= open());
  await all.present();
  return all;
}

async function open(): Promise<Stores & { present: () => Promise<void> }> {
  const environment = readEnvironment(process.env);
  const database = await openDatabase(environment, path.resolve('drizzle'));
  const counting = countingAside();
  const rules = new RuleStore(database);
  const recounts = new Recounts(database, rules, counting);
  const patterns = new PatternStore(database, recounts.ask);
  const letters = new LetterStore(
    database,
    environment.SMTP_URL === undefined ? OUTBOX : smtpPost(environment.SMTP_URL),
  );
  await recounts.askStale();
  const drafts = new DraftStore(database, patterns, counting, recounts.ask);
  const queries = new QueryStore(database, letters);
  const terms = new TermsStore(database, patterns, counting, recounts.ask);
  const style = new StyleStore(database);
  const publishing = publishingAside(path.resolve('dist/publishing.mjs'));
  const sources = { patterns, terms, queries, letters, drafts, style, counting };
  return {
    patterns,
    shapes: new ShapeStore(database, patterns),
    calls: new CallStore(database, patterns, counting, publishing),
    shelf: new ShelfStore(database),
    rules,
    recounts,
    drafts,
    letters,
    queries,
    counting,
    documents: documentsAside(path.resolve('dist/documents.mjs')),
    terms,
    style,
    ...releaseStores(database, sources, publishing),
    present: database.present,
  };
}
