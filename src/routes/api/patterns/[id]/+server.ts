import { json } from '@sveltejs/kit';
import * as z from 'zod/mini';
import { renameSchema, saveSchema } from '../../../../lib/patterns.js';
import { answering, bodyOf, GONE, noting, Refused } from '../../../../lib/server/answers.js';
import { stores } from '../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** The pattern; with `?after=REVISION` only where it has been saved since, else 204 and not a letter of it. */
export const GET: RequestHandler = answering(async ({ params, url }) => {
  const after = z.nullable(z.coerce.number()).safeParse(url.searchParams.get('after')).data ?? null;
  const revision = after === null ? null : await (await stores()).patterns.revision(params.id);
  if (after !== null && revision !== null && revision <= after) return new Response(null, { status: 204 });
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
