import { json } from '@sveltejs/kit';
import { answering, Refused } from '../../../../../../../lib/server/answers.js';
import { stores } from '../../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Everything that came of a call. */
export const GET: RequestHandler = answering(async ({ params }) => {
  const results = await (await stores()).calls.results(params.id, Number(params.number));
  if (!results) throw new Refused(404, 'There is no such test call.');
  return json(results);
});
