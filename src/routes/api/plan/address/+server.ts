import { answering, done, Refused } from '../../../../lib/server/answers.js';
import { stores } from '../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Makes a new address for the calendar; the one before leads nowhere any more. */
export const POST: RequestHandler = answering(async () => {
  await (await stores()).addresses.renew({ purpose: 'calendar' });
  return done();
});

/** Withdraws the address of the calendar. */
export const DELETE: RequestHandler = answering(async () => {
  if (!(await (await stores()).addresses.withdraw({ purpose: 'calendar' })))
    throw new Refused(404, 'There is no such address, or it was withdrawn before.');
  return done();
});
