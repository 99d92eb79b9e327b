import { answering, bodyOf, done } from '../../../../lib/server/answers.js';
import { stores } from '../../../../lib/server/store.js';
import { workSchema } from '../../../../lib/training.js';
import type { RequestHandler } from './$types.js';

/** Keeps what was done so far. */
export const PUT: RequestHandler = answering(async ({ params, request, locals }) => {
  const work = await bodyOf(request, workSchema);
  await (await stores()).training.note(locals.person?.id ?? '', params.id, work);
  return done();
});

/** Hands it in. */
export const POST: RequestHandler = answering(async ({ params, request, locals }) => {
  const work = await bodyOf(request, workSchema);
  await (await stores()).training.end(locals.person?.id ?? '', params.id, work);
  return done();
});

/** Throws it away, as long as it was not handed in. */
export const DELETE: RequestHandler = answering(async ({ params, locals }) => {
  await (await stores()).training.drop(locals.person?.id ?? '', params.id);
  return done();
});
