/** Brings the demo patterns into the database that DATABASE_URL names; each of them once. */
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { CallStore } from '../src/lib/server/calls.js';
import { countingHere } from '../src/lib/server/counting/here.js';
import { openDatabase } from '../src/lib/server/db/client.js';
import { readEnvironment } from '../src/lib/server/environment.js';
import { takenFrom } from '../src/lib/server/documents/index.js';
import { DraftStore } from '../src/lib/server/drafts.js';
import { LetterStore } from '../src/lib/server/letters.js';
import { PatternStore } from '../src/lib/server/patterns.js';
import { OUTBOX } from '../src/lib/server/post.js';
import { publishingHere } from '../src/lib/server/publishing/here.js';
import { QueryStore } from '../src/lib/server/queries.js';
import { releaseStores } from '../src/lib/server/releaseStores.js';
import { StyleStore } from '../src/lib/server/style.js';
import { TermsStore } from '../src/lib/server/terms.js';
import { correspond } from './demoLetters.js';
import { release } from './demoRelease.js';
import { test } from './demoTest.js';

/** The demo pattern whose designer has been written to. */
const WRITTEN_ABOUT = 'tugboat';
/** The one that has gone out. */
const RELEASED = 'puffin';
/** The one that is in test. */
const TESTED = 'starfish';

try {
  const database = await openDatabase(readEnvironment(process.env), path.resolve('drizzle'));
  const patterns = new PatternStore(database);
  const drafts = new DraftStore(database, patterns, countingHere);
  const letters = new LetterStore(database, OUTBOX);
  const queries = new QueryStore(database, letters);
  const sources = {
    patterns,
    drafts,
    letters,
    queries,
    counting: countingHere,
    terms: new TermsStore(database, patterns, countingHere),
    style: new StyleStore(database),
  };
  const stores = { ...sources, ...releaseStores(database, sources, publishingHere) };
  const known = await patterns.demoKeys();
  for (const file of readdirSync('demo').sort().reverse()) {
    const demoKey = file.replace(/\.txt$/, '');
    if (known.has(demoKey)) continue;
    const bytes = readFileSync(path.join('demo', file));
    const id = await drafts.takeIn({ file, bytes, taken: await takenFrom(bytes, file) }, '', demoKey);
    if (demoKey === WRITTEN_ABOUT) await correspond(id, { patterns, queries, letters });
    if (demoKey === RELEASED) await release(id, stores);
    if (demoKey === TESTED) await test(id, new CallStore(database, patterns, countingHere, publishingHere));
  }
  database.close();
} catch (error) {
  console.error(error instanceof Error ? error.message : String(error));
  process.exit(1);
}
