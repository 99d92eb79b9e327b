import { json } from '@sveltejs/kit';
import { understoodJsonSchema } from '../../../lib/exchange.js';
import type { RequestHandler } from './$types.js';

/** The JSON Schema of a pattern as understood. */
export const GET: RequestHandler = () => json(understoodJsonSchema());
