import { json } from '@sveltejs/kit';
import { erratumAskedSchema } from '../../../../../../lib/release.js';
import { answering, bodyOf } from '../../../../../../lib/server/answers.js';
import { triedErratum } from '../../../../../../lib/server/erratum.js';
import { stores } from '../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** What would come of a correction. */
export const POST: RequestHandler = answering(async ({ params: { id }, request }) =>
  json(await triedErratum(await stores(), id, await bodyOf(request, erratumAskedSchema), false)),
);
