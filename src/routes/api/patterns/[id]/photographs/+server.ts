import { json } from '@sveltejs/kit';
import { answering, bytesOf, Refused } from '../../../../../lib/server/answers.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Takes a photograph in. */
export const POST: RequestHandler = answering(async ({ params, request }) => {
  const added = await (await stores()).photographs.add(params.id, await bytesOf(request));
  if (!added) throw new Refused(422, 'This pattern has no room for another photograph, or is no longer on the shelf.');
  return json(added);
});
