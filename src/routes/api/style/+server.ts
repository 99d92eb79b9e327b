import { settledStyleSchema } from '../../../core/index.js';
import { noting } from '../../../lib/server/answers.js';
import { stores } from '../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Settles how this press writes. */
export const PUT: RequestHandler = noting(settledStyleSchema, async (_, style) => {
  await (await stores()).style.set(style);
  return true;
});
