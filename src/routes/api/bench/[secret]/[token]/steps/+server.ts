import { json } from '@sveltejs/kit';
import { exchangeSchema, type Exchanged } from '../../../../../../lib/bench.js';
import { answering, bodyOf, Refused } from '../../../../../../lib/server/answers.js';
import { through, TO_A_TEST } from '../../../../../../lib/server/addressDoor.js';
import { stores } from '../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Takes up what a device has noted, and gives what the tester's others have. */
export const POST: RequestHandler = answering(async (event) => {
  const { bench } = await stores();
  const { secret, token } = event.params;
  const asked = await bodyOf(event.request, exchangeSchema);
  const exchanged = await through<Exchanged | 'full'>(event, TO_A_TEST, () => bench.exchange(secret, token, asked));
  if (exchanged === 'full') throw new Refused(413, 'This test has no room for more of what you noted.');
  return json(exchanged);
});
