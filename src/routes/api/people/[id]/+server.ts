import { roleChangeSchema } from '../../../../lib/people.js';
import { answering, done, noting, Refused } from '../../../../lib/server/answers.js';
import { stores } from '../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

const NOBODY = 'Nobody like that is in this house.';

/** Makes somebody something else in this house. */
export const PATCH: RequestHandler = noting(
  roleChangeSchema,
  async ({ params, locals }, { role }) => {
    const { house } = await stores();
    locals.deed = { about: `${await house.nameOf(params.id)}, ${role}` };
    return house.setRole(params.id, role);
  },
  NOBODY,
);

/** Puts somebody out, and signs them out everywhere. */
export const DELETE: RequestHandler = answering(async ({ params, locals }) => {
  const { house } = await stores();
  locals.deed = { about: await house.nameOf(params.id) };
  if (!(await house.remove(params.id))) throw new Refused(404, NOBODY);
  return done();
});
