import { json } from '@sveltejs/kit';
import { answering, Refused } from '../../../../../lib/server/answers.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** A new address by which somebody sets a password; it is told this once. */
export const POST: RequestHandler = answering(async ({ params, locals }) => {
  const { house } = await stores();
  locals.deed = { about: await house.nameOf(params.id) };
  const address = await house.address(params.id);
  if (!address) throw new Refused(404, 'Nobody like that is in this house.');
  return json(address);
});
