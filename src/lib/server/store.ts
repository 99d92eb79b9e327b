import path from 'node:path';
import { describeFailure, openDatabase } from './db/client.js';
import { readEnvironment } from './environment.js';
import { PatternStore } from './patterns.js';

let opened: Promise<PatternStore> | null = null;

/** The store of this process; opened, and its tables brought up to date, at the first call. */
export function store(): Promise<PatternStore> {
  opened ??= openDatabase(readEnvironment(process.env), path.resolve('drizzle')).then(
    (database) => new PatternStore(database),
  );
  return opened;
}

/** What to answer when the database fails: a sentence, and that nothing was changed. */
export function troubleOf(error: unknown): { message: string } {
  return { message: `Not saved: ${describeFailure(error)}` };
}
