import { json } from '@sveltejs/kit';
import { knownSchema } from '../../../../../../lib/release.js';
import { answering, bodyOf } from '../../../../../../lib/server/answers.js';
import { stores } from '../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Which version a file belongs to. */
export const POST: RequestHandler = answering(async ({ params, request }) => {
  const { hash } = await bodyOf(request, knownSchema);
  return json({ found: await (await stores()).files.known(params.id, hash) });
});
