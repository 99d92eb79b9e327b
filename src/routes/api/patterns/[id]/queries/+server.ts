import { json } from '@sveltejs/kit';
import { queryMadeSchema } from '../../../../../lib/queries.js';
import { answering, bodyOf, GONE, Refused } from '../../../../../lib/server/answers.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

export const GET: RequestHandler = answering(async ({ params }) => json(await (await stores()).queries.of(params.id)));

/** Makes a query; one that is asked for again, or for a finding that has one, is the one that is there. */
export const POST: RequestHandler = answering(async ({ params, request }) => {
  const made = await (await stores()).queries.make(params.id, await bodyOf(request, queryMadeSchema));
  if (!made) throw new Refused(404, GONE);
  return json(made);
});
