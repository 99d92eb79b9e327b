import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import type { Client, InStatement, ResultSet } from '@libsql/client';
import { eq, lt } from 'drizzle-orm';
import type { Writing } from './types.js';
import { failuresIn } from './failures.js';
import { commits } from './schema.js';

/** A service that does not answer is asked again for so long; milliseconds. */
const LONGEST = 20_000;
/** An answer is waited for so long; milliseconds. */
const ONE_ANSWER = 10_000;
/** So long it is remembered what was carried out; milliseconds. */
const REMEMBERED = 60 * 60 * 1000;

/** What is heard where a service can't be reached, has lost a connection, or is led by another now. */
const UNREACHED =
  /fetch failed|ECONN|EPIPE|ETIMEDOUT|UND_ERR|socket hang up|other side closed|HRANA_(?:CLOSED|PROTO)_ERROR|SERVER_ERROR|STREAM_EXPIRED|TRANSACTION_CLOSED|TimeoutError|aborted|terminated/i;

/** Asks a service, and gives it up where it takes too long. */
export const asking: typeof fetch = (request, init) =>
  fetch(request, { ...init, signal: AbortSignal.timeout(ONE_ANSWER) });

/** Does something again while a service can't be reached. */
async function again<T>(work: () => Promise<T>): Promise<T> {
  const end = Date.now() + LONGEST;
  for (let pause = 50; ; pause = Math.min(1000, pause * 2)) {
    try {
      return await work();
    } catch (error) {
      if (!UNREACHED.test(failuresIn(error)) || Date.now() + pause > end) throw error;
      await wait(pause);
    }
  }
}

/** A client that reads again what did not arrive. What writes is left to `surely`. */
export function reading(client: Client): Client {
  return executing(client, (statement) =>
    onlyReads(statement) ? again(() => client.execute(statement)) : client.execute(statement),
  );
}

/** Whether a statement changes nothing. */
export function onlyReads(statement: InStatement): boolean {
  return /^\s*(?:select|with|pragma)\b/i.test(typeof statement === 'string' ? statement : statement.sql);
}

/** A client that carries out single statements in another way. */
export function executing(client: Client, execute: (statement: InStatement) => Promise<ResultSet>): Client {
  return new Proxy(client, {
    get(of, name) {
      if (name === 'execute') return execute;
      const value: unknown = Reflect.get(of, name, of);
      return typeof value === 'function' ? (value.bind(of) as unknown) : value;
    },
  });
}

/**
 * Writes in one transaction, once, however often it must be tried: where the connection breaks nobody knows whether the commit
 * was carried out, so each transaction notes its own name, and whoever tries again looks for it first. The transaction that was
 * under way holds up the next one until it is carried out or gone.
 * @param wholly carries out a transaction
 */
export async function surely<T>(
  work: (db: Writing) => Promise<T>,
  wholly: <Given>(work: (db: Writing) => Promise<Given>) => Promise<Given>,
): Promise<T> {
  const id = randomUUID();
  let given: { readonly of: T } | null = null;
  return again(() =>
    wholly(async (db) => {
      if (given) {
        const [there] = await db.select().from(commits).where(eq(commits.id, id));
        if (there) return given.of;
      }
      const now = Date.now();
      given = { of: await work(db) };
      await db.delete(commits).where(lt(commits.at, now - REMEMBERED));
      await db.insert(commits).values({ id, at: now });
      return given.of;
    }),
  );
}
