import { firstSchema } from '../../../../lib/people.js';
import { answering, bodyOf } from '../../../../lib/server/answers.js';
import { secure } from '../../../../lib/server/people/door.js';
import { letIn } from '../../../../lib/server/people/entering.js';
import { stores } from '../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Makes the first account: from outside with the word of the terminal, at home without. */
export const POST: RequestHandler = answering(async (event) => {
  const first = await bodyOf(event.request, firstSchema);
  const { house } = await stores();
  return letIn(event, null, () => house.first(first, !event.locals.signedIn, event.request.headers, secure(event)));
});
