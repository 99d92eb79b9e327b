/** Brings the demo patterns into the database that DATABASE_URL names; each of them once. */
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { Backups } from '../src/lib/server/backups/backups.js';
import { countingHere } from '../src/lib/server/counting/here.js';
import { openDatabase } from '../src/lib/server/db/client.js';
import { readEnvironment } from '../src/lib/server/environment.js';
import { filesAt } from '../src/lib/server/files/files.js';
import { moveBytes } from '../src/lib/server/files/moved.js';
import { takenFrom } from '../src/lib/server/documents/index.js';
import { secretOf } from '../src/lib/server/people/secret.js';
import { OUTBOX } from '../src/lib/server/post.js';
import { publishingHere } from '../src/lib/server/publishing/here.js';
import { storesOver } from '../src/lib/server/storesOver.js';
import { correspond } from './demoLetters.js';
import { plan } from './demoPlan.js';
import { release } from './demoRelease.js';
import { test } from './demoTest.js';

/** The demo pattern whose designer has been written to. */
const WRITTEN_ABOUT = 'tugboat';
/** The one that has gone out. */
const RELEASED = 'puffin';
/** The one that is in test. */
const TESTED = 'starfish';

try {
  const environment = readEnvironment(process.env);
  const database = await openDatabase(environment, path.resolve('drizzle'));
  const files = filesAt(environment.DOSTIK_FILES);
  await moveBytes(database, files);
  const stores = storesOver(database, {
    files,
    counting: countingHere,
    documents: { take: takenFrom, close: () => Promise.resolve() },
    publishing: publishingHere,
    post: OUTBOX,
    key: await secretOf(environment.DOSTIK_SECRET, environment.DATABASE_URL),
    backups: new Backups(environment, path.resolve('dist/dostik.cjs')),
  });
  const { patterns, drafts, recounts } = stores;
  const known = await patterns.demoKeys();
  const brought = new Map<string, string>();
  for (const file of readdirSync('demo').sort().reverse()) {
    const demoKey = file.replace(/\.txt$/, '');
    if (known.has(demoKey)) continue;
    const bytes = readFileSync(path.join('demo', file));
    const id = await drafts.takeIn({ file, bytes, taken: await takenFrom(bytes, file) }, '', demoKey);
    brought.set(demoKey, id);
    if (demoKey === WRITTEN_ABOUT) await correspond(id, stores);
    if (demoKey === RELEASED) await release(id, stores);
    if (demoKey === TESTED) await test(id, stores);
  }
  if (brought.size > 0) await plan(brought, stores);
  await recounts.idle(60_000);
  database.close();
} catch (error) {
  console.error(error instanceof Error ? error.message : String(error));
  process.exit(1);
}
