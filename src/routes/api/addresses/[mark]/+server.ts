import { answering, done, Refused } from '../../../../lib/server/answers.js';
import { stores } from '../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Withdraws an address: it leads nowhere from now on. */
export const DELETE: RequestHandler = answering(async ({ params }) => {
  if (!(await (await stores()).addresses.withdrawMarked(params.mark)))
    throw new Refused(404, 'There is no such address, or it was withdrawn before.');
  return done();
});
