import { json } from '@sveltejs/kit';
import { termsWantedSchema } from '../../../../../lib/patterns.js';
import { answering, bodyOf, Refused } from '../../../../../lib/server/answers.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Saves the conversion as an edition of the pattern, or brings the one that is there up to date. */
export const POST: RequestHandler = answering(async ({ params, request }) => {
  const wanted = await bodyOf(request, termsWantedSchema);
  const made = await (await stores()).terms.edition(params.id, wanted);
  if (!made) throw new Refused(409, 'This conversion is not proved, and no edition was made of it.');
  return json(made, { status: made.kind === 'made' ? 201 : 200 });
});
