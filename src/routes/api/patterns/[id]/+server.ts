import { json } from '@sveltejs/kit';
import { renameSchema, saveSchema } from '../../../../lib/patterns.js';
import { store, troubleOf } from '../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

const gone = () => json({ message: 'This pattern is no longer on the shelf.' }, { status: 404 });
const unreadable = (message = 'This could not be read.') => json({ message }, { status: 400 });

export const GET: RequestHandler = async ({ params }) => {
  const pattern = await (await store()).get(params.id);
  return pattern ? json(pattern) : gone();
};

/** Saves the text; 409 with the current pattern where another save came first. */
export const PUT: RequestHandler = async ({ params, request }) => {
  const read = saveSchema.safeParse(await request.json().catch(() => null));
  if (!read.success) return unreadable(read.error.issues[0]?.message);
  try {
    const outcome = await (await store()).save(params.id, read.data.text, read.data.base);
    if (outcome.kind === 'gone') return gone();
    if (outcome.kind === 'conflict') return json({ current: outcome.current }, { status: 409 });
    return json({ revision: outcome.revision });
  } catch (error) {
    return json(troubleOf(error), { status: 507 });
  }
};

export const PATCH: RequestHandler = async ({ params, request }) => {
  const read = renameSchema.safeParse(await request.json().catch(() => null));
  if (!read.success) return unreadable(read.error.issues[0]?.message);
  try {
    return (await (await store()).rename(params.id, read.data.name)) ? new Response(null, { status: 204 }) : gone();
  } catch (error) {
    return json(troubleOf(error), { status: 507 });
  }
};

export const DELETE: RequestHandler = async ({ params }) => {
  try {
    return (await (await store()).setAway(params.id, true)) ? new Response(null, { status: 204 }) : gone();
  } catch (error) {
    return json(troubleOf(error), { status: 507 });
  }
};
