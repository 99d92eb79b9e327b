import { tickSchema } from '../../../../../lib/patterns.js';
import { noted } from '../../../../../lib/server/noted.js';
import { store } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Sets a round's tick, or takes it off. */
export const PUT: RequestHandler = ({ params, request }) =>
  noted(request, tickSchema, async ({ key, on }) => (await store()).tick(params.id, key, on));
