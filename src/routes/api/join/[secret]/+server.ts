import { joinHouseSchema } from '../../../../lib/people.js';
import { answering, bodyOf } from '../../../../lib/server/answers.js';
import { secure } from '../../../../lib/server/people/door.js';
import { letIn } from '../../../../lib/server/people/entering.js';
import { stores } from '../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Sets a password by an address that holds a secret, and signs in with it. */
export const POST: RequestHandler = answering(async (event) => {
  const { password } = await bodyOf(event.request, joinHouseSchema);
  const { house } = await stores();
  return letIn(event, null, () => house.join(event.params.secret, password, event.request.headers, secure(event)));
});
