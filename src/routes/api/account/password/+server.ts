import { otherPasswordSchema } from '../../../../lib/people.js';
import { answering, bodyOf, Refused } from '../../../../lib/server/answers.js';
import { secure } from '../../../../lib/server/people/door.js';
import { letIn } from '../../../../lib/server/people/entering.js';
import { stores } from '../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Sets another password for oneself; whoever was signed in with the one before is so no longer, but here. */
export const PUT: RequestHandler = answering(async (event) => {
  const given = await bodyOf(event.request, otherPasswordSchema);
  const { person } = event.locals;
  if (!person) throw new Refused(401, 'Nobody is signed in here any more. Sign in, and try again.');
  const { house } = await stores();
  return letIn(event, person.mail, () => house.changePassword(person, given, event.request.headers, secure(event)));
});
