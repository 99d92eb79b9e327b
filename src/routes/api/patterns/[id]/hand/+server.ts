import { handWordSettingSchema } from '../../../../../lib/patterns.js';
import { noting } from '../../../../../lib/server/answers.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Settles what a word of this pattern's own means, or takes it back. */
export const PUT: RequestHandler = noting(handWordSettingSchema, async ({ params }, setting) =>
  (await stores()).patterns.setWord(params.id, setting),
);
