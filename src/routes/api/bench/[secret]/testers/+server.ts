import { json } from '@sveltejs/kit';
import { joinSchema, type Joined } from '../../../../../lib/bench.js';
import { answering, bodyOf, Refused } from '../../../../../lib/server/answers.js';
import { through, TO_A_TEST } from '../../../../../lib/server/addressDoor.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Takes part in a test under a name. */
export const POST: RequestHandler = answering(async (event) => {
  const { bench } = await stores();
  const { name } = await bodyOf(event.request, joinSchema);
  event.locals.deed = { about: name };
  const joined = await through<Joined | 'taken' | 'full'>(event, TO_A_TEST, () =>
    bench.join(event.params.secret, name, event.locals.person?.id ?? null),
  );
  if (joined === 'taken')
    throw new Refused(409, `Somebody is called ${name} in this test already: add something to it.`);
  if (joined === 'full') throw new Refused(409, 'This test has as many testers as it can have.');
  return json(joined);
});
