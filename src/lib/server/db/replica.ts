import { chmod, mkdir } from 'node:fs/promises';
import path from 'node:path';
import { createClient, type Client } from '@libsql/client';
import { log } from '../log.js';
import { describeFailure } from './failures.js';
import { executing, onlyReads } from './service.js';

/** Every so often what other machines have written is fetched, besides the rest; seconds. */
const FOLLOWED = 2;

export interface Replica {
  readonly client: Client;
  /** Fetches what was written. */
  readonly follow: () => Promise<void>;
  readonly close: () => void;
}

/**
 * A service's database with a copy of it on this machine (an embedded replica), which is read. What writes goes to the service;
 * the copy follows before that is confirmed, so that whoever has saved reads what was saved. Following holds up this process
 * for a round trip, as the client does it. Where it fails what was written is confirmed all the same, and is read a little later.
 * @param service by SQL over HTTP; it alone carries out transactions
 */
export async function replicated(
  service: Client,
  file: string,
  { url, authToken }: { readonly url: string; readonly authToken: string | undefined },
): Promise<Replica> {
  await mkdir(path.dirname(path.resolve(file)), { recursive: true, mode: 0o700 });
  const copy = createClient({
    url: `file:${file}`,
    syncUrl: url,
    syncInterval: FOLLOWED,
    ...(authToken ? { authToken } : {}),
  });
  await copy.sync();
  await chmod(file, 0o600);
  const follow = async () => {
    try {
      await copy.sync();
    } catch (error) {
      log.error(`The copy ${file} could not follow the database: ${describeFailure(error)}`);
    }
  };
  const client = executing(service, async (statement) => {
    if (onlyReads(statement)) return copy.execute(statement);
    const result = await service.execute(statement);
    await follow();
    return result;
  });
  return { client, follow, close: () => copy.close() };
}
