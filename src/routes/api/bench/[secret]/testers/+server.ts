import { json } from '@sveltejs/kit';
import { joinSchema, type Joined } from '../../../../../lib/bench.js';
import { answering, bodyOf, Refused } from '../../../../../lib/server/answers.js';
import { through } from '../../../../../lib/server/benchDoor.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Takes part in a test under a name. */
export const POST: RequestHandler = answering(async (event) => {
  const { calls } = await stores();
  const { name } = await bodyOf(event.request, joinSchema);
  const joined = await through<Joined | 'taken' | 'full'>(event, () => calls.join(event.params.secret, name));
  if (joined === 'taken')
    throw new Refused(409, `Somebody is called ${name} in this test already: add something to it.`);
  if (joined === 'full') throw new Refused(409, 'This test has as many testers as it can have.');
  return json(joined);
});
