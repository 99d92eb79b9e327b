import { json } from '@sveltejs/kit';
import { severalSchema } from '../../../lib/patterns.js';
import { answering, bodyOf, GONE, queryOf, Refused } from '../../../lib/server/answers.js';
import { stores } from '../../../lib/server/store.js';
import { lookFrom } from '../../../lib/shelf/arranging.js';
import { stretchSchema } from '../../../lib/shelf/page.js';
import type { RequestHandler } from './$types.js';

/** A further stretch of the shelf, as it is looked through. */
export const GET: RequestHandler = answering(async ({ url }) => {
  const { from, most } = queryOf(url, stretchSchema);
  return json(await (await stores()).shelf.page(lookFrom(url.searchParams), from, most));
});

/** Puts patterns away, or takes them back; tells how many of them that was done to. */
export const PUT: RequestHandler = answering(async ({ request, locals }) => {
  const { ids, away } = await bodyOf(request, severalSchema);
  const changed = await (await stores()).shelf.setAway(ids, away);
  locals.deed = { patterns: ids, as: away ? 'away' : 'back' };
  if (changed === 0) throw new Refused(404, away ? GONE : 'This pattern is not known.');
  return json({ changed });
});
