import type { LibSQLDatabase } from 'drizzle-orm/libsql';
import type * as schema from './schema.js';

export type Database = LibSQLDatabase<typeof schema>;
/** A transaction; what is written through it is kept as a whole, or not at all. */
export type Writing = Parameters<Parameters<Database['transaction']>[0]>[0];
