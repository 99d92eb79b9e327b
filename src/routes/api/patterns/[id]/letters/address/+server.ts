import { answering, done, GONE, Refused } from '../../../../../../lib/server/answers.js';
import { stores } from '../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Makes a new address for the designer; the one before leads nowhere any more. */
export const POST: RequestHandler = answering(async ({ params }) => {
  if (!(await (await stores()).designers.readdress(params.id))) throw new Refused(404, GONE);
  return done();
});

/** Withdraws the address of the designer. */
export const DELETE: RequestHandler = answering(async ({ params }) => {
  if (!(await (await stores()).addresses.withdraw({ purpose: 'letter', patternId: params.id })))
    throw new Refused(404, 'There is no such address, or it was withdrawn before.');
  return done();
});
