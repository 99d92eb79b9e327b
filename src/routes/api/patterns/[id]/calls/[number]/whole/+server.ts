import { json } from '@sveltejs/kit';
import { answering, numberIn, Refused } from '../../../../../../../lib/server/answers.js';
import { stores } from '../../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Everything that came of a call, step by step; the tokens of the testers are theirs. */
export const GET: RequestHandler = answering(async ({ params }) => {
  const whole = await (await stores()).results.whole(params.id, numberIn(params.number));
  if (!whole) throw new Refused(404, 'There is no such test call.');
  const testers = whole.testers.map(({ name, at, steps }) => ({ name, at, steps }));
  return json({ ...whole, testers });
});
