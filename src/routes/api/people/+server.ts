import { json } from '@sveltejs/kit';
import { invitedSchema } from '../../../lib/people.js';
import { answering, bodyOf, Refused } from '../../../lib/server/answers.js';
import { stores } from '../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Asks somebody into the house; gives the address by which they set their password. */
export const POST: RequestHandler = answering(async ({ request, locals }) => {
  const invited = await bodyOf(request, invitedSchema);
  locals.deed = { about: `${invited.name}, ${invited.role}` };
  const { house } = await stores();
  // Whoever asks for a second person would shut themselves out.
  if ((await house.count()) === 0) throw new Refused(409, 'Make an account for yourself first.');
  return json(await house.invite(invited));
});
