import { createClient } from '@libsql/client';
import type { Server } from '../../e2e/server.js';
import type { Press } from './press.js';

/** Ends the server at once, as a crash would, so often while people work, and starts it again each time. */
export async function strike(server: Server, times: number, every: number): Promise<void> {
  for (let i = 0; i < times; i += 1) {
    await new Promise((resolve) => setTimeout(resolve, every * (0.5 + Math.random())));
    await server.kill();
    await server.start();
  }
}

/** What was confirmed to somebody and is not there; and what SQLite says of the file where it is not whole. */
export async function lostOf(server: Server, press: Press): Promise<string[]> {
  const lost: string[] = [];
  for (const [id, { confirmed, sent }] of press.kept.texts) {
    const text = await press.textAt(id);
    // What was sent and not confirmed may have arrived.
    if (text !== confirmed && !sent.has(text)) lost.push(`the text of ${id}`);
  }
  for (const [path, steps] of press.kept.steps) {
    const there = await press.stepsAt(path);
    for (const step of steps) if (!there.has(step)) lost.push(`step ${step}`);
  }
  const client = createClient({ url: `file:${server.database}` });
  const { rows } = await client.execute('PRAGMA integrity_check');
  client.close();
  if (rows[0]?.[0] !== 'ok') lost.push(`the database is damaged: ${JSON.stringify(rows)}`);
  return lost;
}
