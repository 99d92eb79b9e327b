import { confirmSchema } from '../../../../../../lib/release.js';
import { noting } from '../../../../../../lib/server/answers.js';
import { stores } from '../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** What a person says of a line of the checklist. */
export const PUT: RequestHandler = noting(confirmSchema, async ({ params }, confirmed) =>
  (await stores()).releases.confirm(params.id, confirmed),
);
