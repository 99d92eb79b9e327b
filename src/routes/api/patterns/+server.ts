import { json } from '@sveltejs/kit';
import { intakeSchema } from '../../../lib/patterns.js';
import { answering, bodyOf } from '../../../lib/server/answers.js';
import { stores } from '../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** The names of the patterns on the shelf. */
export const GET: RequestHandler = answering(async () => json(await (await stores()).shelf.names()));

/** Takes in a pattern. */
export const POST: RequestHandler = answering(async ({ request }) => {
  const entry = await bodyOf(request, intakeSchema);
  const { patterns } = await stores();
  return json({ id: await patterns.add(entry) }, { status: 201 });
});
