import { json } from '@sveltejs/kit';
import { answering, bodyOf } from '../../../lib/server/answers.js';
import { stores } from '../../../lib/server/store.js';
import { wishSchema } from '../../../lib/training.js';
import type { RequestHandler } from './$types.js';

/** Makes a practice pattern for who asks. */
export const POST: RequestHandler = answering(async ({ request, locals }) => {
  const wish = await bodyOf(request, wishSchema);
  return json({ id: await (await stores()).training.begin(locals.person?.id ?? '', wish) }, { status: 201 });
});
