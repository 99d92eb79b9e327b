import { letterSettingsSchema } from '../../../lib/letter.js';
import { answering, bodyOf, done } from '../../../lib/server/answers.js';
import { stores } from '../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** How this press writes its letters. */
export const PUT: RequestHandler = answering(async ({ request }) => {
  await (await stores()).letters.setSettings(await bodyOf(request, letterSettingsSchema));
  return done();
});
