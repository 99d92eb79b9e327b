import { json } from '@sveltejs/kit';
import { queryChangeSchema } from '../../../../../../lib/queries.js';
import { answering, bodyOf, numberIn, Refused } from '../../../../../../lib/server/answers.js';
import { stores } from '../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Changes the words or the state of a query; 409 with the query as it is where somebody else was first. */
export const PATCH: RequestHandler = answering(async ({ params, request }) => {
  const change = await bodyOf(request, queryChangeSchema);
  const outcome = await (await stores()).queries.change(params.id, numberIn(params.number), change);
  if (outcome.kind === 'gone') throw new Refused(404, 'There is no such query on this pattern.');
  if (outcome.kind === 'conflict') return json({ current: outcome.current }, { status: 409 });
  return json(outcome.query);
});
