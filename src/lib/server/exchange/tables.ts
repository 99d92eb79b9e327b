import { getTableColumns, type Table } from 'drizzle-orm';
import type { Row } from '../../exchange.js';
import * as schema from '../db/schema.js';

/** A table of the workspace, and how its rows hang together with others. */
export interface Kept {
  readonly name: string;
  readonly table: Table;
  /** The column by which its rows belong to a pattern; null for what belongs to the house. */
  readonly of: string | null;
  /** A number of its own that another workspace may have given to something else. */
  readonly counts?: string;
  /** Whether its column `hash` names a file that is kept apart. */
  readonly filed?: true;
}

/** All tables, each behind those that it points to. */
export const TABLES: readonly Kept[] = [
  { name: 'patterns', table: schema.patterns, of: 'id' },
  { name: 'drafts', table: schema.drafts, of: 'patternId', counts: 'id', filed: true },
  { name: 'ownChanges', table: schema.ownChanges, of: 'patternId' },
  { name: 'queries', table: schema.queries, of: 'patternId' },
  { name: 'events', table: schema.events, of: 'patternId', counts: 'id' },
  { name: 'letters', table: schema.letters, of: 'patternId', counts: 'id' },
  { name: 'shapes', table: schema.shapes, of: 'patternId' },
  { name: 'calls', table: schema.calls, of: 'patternId' },
  { name: 'testers', table: schema.testers, of: 'patternId' },
  { name: 'testSteps', table: schema.testSteps, of: 'patternId', counts: 'id' },
  { name: 'testPhotographs', table: schema.testPhotographs, of: 'patternId', filed: true },
  { name: 'ticks', table: schema.ticks, of: 'patternId' },
  { name: 'dismissals', table: schema.dismissals, of: 'patternId' },
  { name: 'versions', table: schema.versions, of: 'patternId', counts: 'id' },
  { name: 'saves', table: schema.saves, of: 'patternId' },
  { name: 'termDecisions', table: schema.termDecisions, of: 'patternId' },
  { name: 'editions', table: schema.editions, of: 'patternId' },
  { name: 'photographs', table: schema.photographs, of: 'patternId', counts: 'id', filed: true },
  { name: 'confirmations', table: schema.confirmations, of: 'patternId' },
  { name: 'trusts', table: schema.trusts, of: 'patternId' },
  { name: 'releases', table: schema.releases, of: 'patternId' },
  { name: 'releaseFiles', table: schema.releaseFiles, of: 'patternId', filed: true },
  { name: 'errata', table: schema.errata, of: 'patternId' },
  { name: 'plans', table: schema.plans, of: 'patternId' },
  { name: 'ruleSettings', table: schema.ruleSettings, of: 'scope' },
  { name: 'workspace', table: schema.workspace, of: null },
];

/** Where an archive holds what is no text, by its SHA-256. */
export const FILES = 'files/';

/** The columns of a table, by the names that the program has for them. */
export function columnsOf({ table }: Kept): readonly string[] {
  return Object.keys(getTableColumns(table));
}

/** What a cell says, as far as it is words or a number. */
export function wordsOf(cell: Row[string] | undefined): string {
  return typeof cell === 'string' || typeof cell === 'number' ? String(cell) : '';
}
