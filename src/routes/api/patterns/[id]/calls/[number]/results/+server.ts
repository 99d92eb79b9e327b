import { json } from '@sveltejs/kit';
import { answering, numberIn, Refused } from '../../../../../../../lib/server/answers.js';
import { stores } from '../../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Everything that came of a call. */
export const GET: RequestHandler = answering(async ({ params }) => {
  const results = await (await stores()).results.results(params.id, numberIn(params.number));
  if (!results) throw new Refused(404, 'There is no such test call.');
  return json(results);
});
