import { designerSchema } from '../../../../../lib/letter.js';
import { noting } from '../../../../../lib/server/answers.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Who has written a pattern, and where letters go. */
export const PUT: RequestHandler = noting(designerSchema, async ({ params }, designer) =>
  (await stores()).letters.setDesigner(params.id, designer),
);
