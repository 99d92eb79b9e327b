import { json } from '@sveltejs/kit';
import { store, troubleOf } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Takes back a pattern that was put away. */
export const POST: RequestHandler = async ({ params }) => {
  try {
    const back = await (await store()).setAway(params.id, false);
    return back
      ? new Response(null, { status: 204 })
      : json({ message: 'This pattern is not known.' }, { status: 404 });
  } catch (error) {
    return json(troubleOf(error), { status: 507 });
  }
};
