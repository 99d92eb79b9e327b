import { answering, done, Refused } from '../../../../../lib/server/answers.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Takes out a key of one's own: nobody signs in by it any more. */
export const DELETE: RequestHandler = answering(async ({ params, locals }) => {
  const { passkeys } = await stores();
  if (!(await passkeys.remove(locals.person?.id ?? '', params.id)))
    throw new Refused(404, 'There is no such key any more.');
  return done();
});
