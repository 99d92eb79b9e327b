import { json } from '@sveltejs/kit';
import { furtherSchema } from '../../../../lib/bench.js';
import { through, TO_A_TEST } from '../../../../lib/server/addressDoor.js';
import { answering, bodyOf } from '../../../../lib/server/answers.js';
import { stores } from '../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** The tests that who is signed in has joined. */
export const GET: RequestHandler = answering(async ({ locals: { person } }) =>
  json(person ? await (await stores()).bench.own(person.id) : []),
);

/** Lets a further device go on with one of them. */
export const POST: RequestHandler = answering(async (event) => {
  const { secret } = await bodyOf(event.request, furtherSchema);
  const { bench } = await stores();
  const { person } = event.locals;
  return json(await through(event, TO_A_TEST, async () => (person ? bench.further(secret, person.id) : 'none')));
});
