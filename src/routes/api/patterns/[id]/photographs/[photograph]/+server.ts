import { altSchema } from '../../../../../../lib/release.js';
import { answering, done, noting, numberIn, Refused } from '../../../../../../lib/server/answers.js';
import { stores } from '../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

const GONE = 'There is no such photograph any more.';

export const GET: RequestHandler = answering(async ({ params: { id, photograph } }) => {
  const [picture] = await (await stores()).photographs.pictures(id, [numberIn(photograph)]);
  if (!picture) throw new Refused(404, GONE);
  return new Response(picture.bytes.slice().buffer, { headers: { 'content-type': `image/${picture.type}` } });
});

/** Says what is to be seen on it. */
export const PATCH: RequestHandler = noting(
  altSchema,
  async ({ params: { id, photograph } }, { alt }) =>
    (await stores()).photographs.describe(id, numberIn(photograph), alt),
  GONE,
);

export const DELETE: RequestHandler = answering(async ({ params: { id, photograph } }) => {
  if (!(await (await stores()).photographs.remove(id, numberIn(photograph)))) throw new Refused(404, GONE);
  return done();
});
