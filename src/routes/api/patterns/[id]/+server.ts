import { json } from '@sveltejs/kit';
import { renameSchema, saveSchema } from '../../../../lib/patterns.js';
import { answering, bodyOf, GONE, noting, Refused } from '../../../../lib/server/answers.js';
import { stores } from '../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

export const GET: RequestHandler = answering(async ({ params }) => {
  const pattern = await (await stores()).patterns.get(params.id);
  if (!pattern) throw new Refused(404, GONE);
  return json(pattern);
});

/** Saves the text; 409 with the current pattern where another save came first. */
export const PUT: RequestHandler = answering(async ({ params, request }) => {
  const { text, base } = await bodyOf(request, saveSchema);
  const outcome = await (await stores()).patterns.save(params.id, text, base);
  if (outcome.kind === 'gone') throw new Refused(404, GONE);
  if (outcome.kind === 'saved') return json({ revision: outcome.revision });
  return json({ current: outcome.current, kept: outcome.kept }, { status: 409 });
});

export const PATCH: RequestHandler = noting(renameSchema, async ({ params }, { name }) =>
  (await stores()).patterns.rename(params.id, name),
);
