import { ownLinesSchema } from '../../../lib/release.js';
import { noting } from '../../../lib/server/answers.js';
import { stores } from '../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** The lines that the house adds to the checklist of every pattern. */
export const PUT: RequestHandler = noting(ownLinesSchema, async (_, lines) => {
  await (await stores()).releases.setOwnLines(lines);
  return true;
});
