import { shapeSettingsSchema } from '../../../../../core/index.js';
import { noting } from '../../../../../lib/server/answers.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Keeps what was set of hook, yarn and gauge. */
export const PUT: RequestHandler = noting(shapeSettingsSchema, async ({ params }, settings) =>
  (await stores()).shapes.set(params.id, settings),
);
