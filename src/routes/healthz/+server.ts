import { json } from '@sveltejs/kit';
import { answering } from '../../lib/server/answers.js';
import { stores } from '../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Whether the server can read what is kept, and write: 200, or a status and words that say it can't. For who watches it. */
export const GET: RequestHandler = answering(async () => {
  const { house, trouble } = await stores();
  await house.look();
  const message = await trouble();
  return message === null ? json({ ok: true }) : json({ message }, { status: 503 });
});
