import { json } from '@sveltejs/kit';
import { answering } from '../../../../lib/server/answers.js';
import { through, TO_A_TEST } from '../../../../lib/server/addressDoor.js';
import { stores } from '../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** The draft that is tested, and what is wanted of its testers. */
export const GET: RequestHandler = answering(async (event) => {
  const { bench } = await stores();
  return json(await through(event, TO_A_TEST, () => bench.call(event.params.secret)));
});
