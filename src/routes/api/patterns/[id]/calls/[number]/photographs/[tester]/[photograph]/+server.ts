import { answering, numberIn, Refused } from '../../../../../../../../../lib/server/answers.js';
import { stores } from '../../../../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** A photograph that a tester took. */
export const GET: RequestHandler = answering(async ({ params }) => {
  const { id, number, tester, photograph } = params;
  const picture = await (await stores()).results.picture(id, numberIn(number), numberIn(tester), photograph);
  if (!picture) throw new Refused(404, 'There is no such photograph.');
  return new Response(picture.bytes.slice().buffer, { headers: { 'content-type': `image/${picture.type}` } });
});
