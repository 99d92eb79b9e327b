import { answering, done, Refused } from '../../../../../../lib/server/answers.js';
import { stores } from '../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Withdraws a call: its address leads nowhere from now on. */
export const DELETE: RequestHandler = answering(async ({ params }) => {
  if (!(await (await stores()).calls.withdraw(params.id, Number(params.number))))
    throw new Refused(404, 'There is no such test call, or it was withdrawn before.');
  return done();
});
