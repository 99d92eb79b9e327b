import { trustSchema } from '../../../../../../lib/release.js';
import { noting } from '../../../../../../lib/server/answers.js';
import { stores } from '../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Why a round is taken on trust. */
export const PUT: RequestHandler = noting(trustSchema, async ({ params }, { key, reason }) =>
  (await stores()).releases.trust(params.id, key, reason),
);
