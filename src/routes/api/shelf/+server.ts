import { json } from '@sveltejs/kit';
import { severalSchema } from '../../../lib/patterns.js';
import { answering, bodyOf, GONE, Refused } from '../../../lib/server/answers.js';
import { stores } from '../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Puts patterns away, or takes them back; tells how many of them that was done to. */
export const PUT: RequestHandler = answering(async ({ request }) => {
  const { ids, away } = await bodyOf(request, severalSchema);
  const changed = await (await stores()).shelf.setAway(ids, away);
  if (changed === 0) throw new Refused(404, away ? GONE : 'This pattern is not known.');
  return json({ changed });
});
