import { eq, sql } from 'drizzle-orm';
import type { LibSQLDatabase } from 'drizzle-orm/libsql';
import { hashed } from '../hashed.js';
import { addresses, testers, testPhotographs, testSteps } from './schema.js';

/** So long is a secret; what it hashes to is longer. */
const PLAIN = 24;

/** Hashes the secrets that an earlier version kept as they are, as a part of a transaction. */
export async function hashPlainSecrets(db: Pick<LibSQLDatabase, 'run' | 'select' | 'update'>): Promise<void> {
  const plain = (column: typeof addresses.hash | typeof testers.token) => sql`length(${column}) = ${PLAIN}`;
  for (const { hash } of await db.select({ hash: addresses.hash }).from(addresses).where(plain(addresses.hash)))
    await db
      .update(addresses)
      .set({ hash: hashed(hash) })
      .where(eq(addresses.hash, hash));
  const tokens = await db.select({ token: testers.token }).from(testers).where(plain(testers.token));
  if (tokens.length === 0) return;
  // What points to a tester is looked at when everything is written.
  await db.run(sql`PRAGMA defer_foreign_keys = ON`);
  for (const { token } of tokens) {
    const hash = hashed(token);
    await db.update(testers).set({ token: hash }).where(eq(testers.token, token));
    for (const table of [testSteps, testPhotographs])
      await db.update(table).set({ tester: hash }).where(eq(table.tester, token));
  }
}
