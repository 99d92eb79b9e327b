import { json } from '@sveltejs/kit';
import { intakeSchema } from '../../../lib/patterns.js';
import { store, troubleOf } from '../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Takes in a pattern. */
export const POST: RequestHandler = async ({ request }) => {
  const read = intakeSchema.safeParse(await request.json().catch(() => null));
  if (!read.success)
    return json({ message: read.error.issues[0]?.message ?? 'This could not be read.' }, { status: 400 });
  try {
    return json({ id: await (await store()).add(read.data) }, { status: 201 });
  } catch (error) {
    return json(troubleOf(error), { status: 507 });
  }
};
