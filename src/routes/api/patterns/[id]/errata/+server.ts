import { json } from '@sveltejs/kit';
import { erratumAskedSchema } from '../../../../../lib/release.js';
import { answering, bodyOf, GONE, Refused } from '../../../../../lib/server/answers.js';
import { triedErratum } from '../../../../../lib/server/erratum.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Enters a mistake with its correction. */
export const POST: RequestHandler = answering(async ({ params: { id }, request }) => {
  const asked = await bodyOf(request, erratumAskedSchema);
  const all = await stores();
  const number = await all.errata.add(id, asked, await triedErratum(all, id, asked));
  if (number === null) throw new Refused(404, GONE);
  return json({ number });
});
