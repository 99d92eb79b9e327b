import { byPasskeySchema } from '../../../../lib/people.js';
import { answering, bodyOf } from '../../../../lib/server/answers.js';
import { comingOf, letIn } from '../../../../lib/server/people/entering.js';
import { stores } from '../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Signs somebody in by a key of their device. */
export const POST: RequestHandler = answering(async (event) => {
  const { answer } = await bodyOf(event.request, byPasskeySchema);
  const { passkeys } = await stores();
  return letIn(event, null, () => passkeys.enter(answer, comingOf(event)));
});
