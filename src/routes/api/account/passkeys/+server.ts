import { newPasskeySchema } from '../../../../lib/people.js';
import { answering, bodyOf, done } from '../../../../lib/server/answers.js';
import { comingOf } from '../../../../lib/server/people/entering.js';
import { stores } from '../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Keeps a key that one's device has made. */
export const POST: RequestHandler = answering(async (event) => {
  const made = await bodyOf(event.request, newPasskeySchema);
  await (await stores()).passkeys.add(made, comingOf(event));
  return done();
});
