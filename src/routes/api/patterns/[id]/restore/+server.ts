import { answering, done, Refused } from '../../../../../lib/server/answers.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Takes back a pattern that was put away. */
export const POST: RequestHandler = answering(async ({ params }) => {
  if (!(await (await stores()).patterns.setAway(params.id, false)))
    throw new Refused(404, 'This pattern is not known.');
  return done();
});
