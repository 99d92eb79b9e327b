import path from 'node:path';
import { describeFailure, openDatabase } from './db/client.js';
import { readEnvironment } from './environment.js';
import { PatternStore } from './patterns.js';
import { RuleStore } from './rules.js';
import { StyleStore } from './style.js';
import { TermsStore } from './terms.js';

let opened: Promise<{ patterns: PatternStore; terms: TermsStore; rules: RuleStore; style: StyleStore }> | null = null;

/** The store of this process; opened, and its tables brought up to date, at the first call. */
export async function store(): Promise<PatternStore> {
  return (await stores()).patterns;
}

/** As `store`, for what is kept of the two vocabularies. */
export async function termsStore(): Promise<TermsStore> {
  return (await stores()).terms;
}

/** As `store`, for how the rules are set. */
export async function ruleStore(): Promise<RuleStore> {
  return (await stores()).rules;
}

/** As `store`, for the house style. */
export async function styleStore(): Promise<StyleStore> {
  return (await stores()).style;
}

function stores(): NonNullable<typeof opened> {
  opened ??= openDatabase(readEnvironment(process.env), path.resolve('drizzle')).then((database) => {
    const patterns = new PatternStore(database);
    return {
      patterns,
      terms: new TermsStore(database, patterns),
      rules: new RuleStore(database),
      style: new StyleStore(database),
    };
  });
  return opened;
}

/** What to answer when the database fails: a sentence, and that nothing was changed. */
export function troubleOf(error: unknown): { message: string } {
  return { message: `Not saved: ${describeFailure(error)}` };
}
