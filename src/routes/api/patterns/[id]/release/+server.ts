import { json } from '@sveltejs/kit';
import { signSchema } from '../../../../../lib/release.js';
import { answering, bodyOf, GONE, Refused } from '../../../../../lib/server/answers.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Signs a version. */
export const POST: RequestHandler = answering(async ({ params, request }) => {
  const asked = await bodyOf(request, signSchema);
  const outcome = await (await stores()).releases.sign(params.id, asked);
  if (outcome.kind === 'gone') throw new Refused(404, GONE);
  if (outcome.kind === 'changed')
    throw new Refused(
      409,
      'The text has changed since this page was opened. Look at the checklist again, and sign then.',
    );
  if (outcome.kind === 'against') throw new Refused(422, `It can’t be signed yet. ${outcome.why.join(' ')}`);
  return json(outcome.release);
});
