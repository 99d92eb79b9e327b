import { signInSchema } from '../../../lib/people.js';
import { answering, bodyOf, done } from '../../../lib/server/answers.js';
import { secure } from '../../../lib/server/people/door.js';
import { letIn } from '../../../lib/server/people/entering.js';
import { stores } from '../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Signs somebody in. */
export const POST: RequestHandler = answering(async (event) => {
  const signIn = await bodyOf(event.request, signInSchema);
  const { house } = await stores();
  return letIn(event, signIn.mail, () => house.signIn(signIn, event.request.headers, secure(event)));
});

/** Signs somebody out, here. */
export const DELETE: RequestHandler = answering(async (event) => {
  const { house } = await stores();
  const answer = done();
  for (const cookie of await house.signOut(event.request.headers, secure(event)))
    answer.headers.append('set-cookie', cookie);
  return answer;
});
