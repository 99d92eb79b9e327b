import { answering, bytesOf, done, Refused } from '../../../../../../../lib/server/answers.js';
import { through, TO_A_TEST } from '../../../../../../../lib/server/addressDoor.js';
import { stores } from '../../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Takes a photograph up. */
export const PUT: RequestHandler = answering(async (event) => {
  const { bench } = await stores();
  const { secret, token, photograph } = event.params;
  if (!/^[\w-]{8,40}$/.test(photograph)) throw new Refused(400, 'A photograph can’t have this name.');
  const bytes = await bytesOf(event.request);
  const kept = await through<'kept' | 'full'>(event, TO_A_TEST, () =>
    bench.photograph(secret, token, photograph, bytes),
  );
  if (kept === 'full') throw new Refused(413, 'This test has no room for more of your photographs.');
  return done();
});
