import { answering, done, numberIn, Refused } from '../../../../../../lib/server/answers.js';
import { stores } from '../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Takes an erratum back. */
export const DELETE: RequestHandler = answering(async ({ params: { id, number } }) => {
  if (!(await (await stores()).errata.remove(id, numberIn(number))))
    throw new Refused(404, 'There is no such erratum, or a version has taken it in.');
  return done();
});
