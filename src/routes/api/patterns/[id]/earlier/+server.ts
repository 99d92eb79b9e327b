import { json } from '@sveltejs/kit';
import { answering } from '../../../../../lib/server/answers.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** The text as it was before the last sitting. */
export const GET: RequestHandler = answering(async ({ params }) =>
  json({ text: await (await stores()).patterns.earlier(params.id) }),
);
