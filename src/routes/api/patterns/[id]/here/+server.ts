import { json } from '@sveltejs/kit';
import { hereSchema, type Company } from '../../../../../lib/company.js';
import { answering, bodyOf, GONE, Refused } from '../../../../../lib/server/answers.js';
import { Presence } from '../../../../../lib/server/presence.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

const presence = new Presence();

/** A window says that it has the pattern open, and hears who else has, and which revision is the last. */
export const POST: RequestHandler = answering(async ({ params: { id }, request, locals }) => {
  const here = await bodyOf(request, hereSchema);
  const revision = await (await stores()).patterns.revision(id);
  if (revision === null) throw new Refused(404, GONE);
  return json({ revision, others: presence.here(id, here, locals.person?.name ?? '') } satisfies Company);
});
