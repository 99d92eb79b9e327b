import { json } from '@sveltejs/kit';
import { answering } from '../../../../lib/server/answers.js';
import { through } from '../../../../lib/server/benchDoor.js';
import { stores } from '../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** The draft that is tested, and what is wanted of its testers. */
export const GET: RequestHandler = answering(async (event) => {
  const { calls } = await stores();
  return json(await through(event, () => calls.call(event.params.secret)));
});
