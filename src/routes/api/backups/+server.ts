import { answering, done } from '../../../lib/server/answers.js';
import { stores } from '../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Makes a backup now. */
export const POST: RequestHandler = answering(async () => {
  await (await stores()).backups.make('asked');
  return done();
});
