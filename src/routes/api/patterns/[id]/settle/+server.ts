import { json } from '@sveltejs/kit';
import { settleSchema } from '../../../../../lib/patterns.js';
import { answering, bodyOf, GONE, Refused } from '../../../../../lib/server/answers.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Settles a conflict between two windows. */
export const POST: RequestHandler = answering(async ({ params, request }) => {
  const { mine, keep } = await bodyOf(request, settleSchema);
  const now = await (await stores()).patterns.settle(params.id, mine, keep);
  if (!now) throw new Refused(404, GONE);
  return json(now);
});
