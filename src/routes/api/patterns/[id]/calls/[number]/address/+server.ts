import { answering, done, numberIn, Refused } from '../../../../../../../lib/server/answers.js';
import { stores } from '../../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Makes a new address for a call; the one before leads nowhere any more. */
export const POST: RequestHandler = answering(async ({ params }) => {
  if (!(await (await stores()).calls.readdress(params.id, numberIn(params.number))))
    throw new Refused(404, 'There is no such test call.');
  return done();
});

/** Withdraws a call: its address leads nowhere from now on. */
export const DELETE: RequestHandler = answering(async ({ params }) => {
  if (!(await (await stores()).calls.withdraw(params.id, numberIn(params.number))))
    throw new Refused(404, 'There is no such test call, or it was withdrawn before.');
  return done();
});
