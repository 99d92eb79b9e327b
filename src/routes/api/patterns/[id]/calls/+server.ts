import { json } from '@sveltejs/kit';
import { wantedSchema } from '../../../../../lib/bench.js';
import { answering, bodyOf, GONE, Refused } from '../../../../../lib/server/answers.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Freezes the pattern as it is, for testers to follow. */
export const POST: RequestHandler = answering(async ({ params, request }) => {
  const number = await (await stores()).calls.open(params.id, await bodyOf(request, wantedSchema));
  if (number === 'gone') throw new Refused(404, GONE);
  if (number === 'no-rounds')
    throw new Refused(
      422,
      'There is nothing to test yet: no rounds were found in this text. Look at its Intake first.',
    );
  return json({ number });
});
