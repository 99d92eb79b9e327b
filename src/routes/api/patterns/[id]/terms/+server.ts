import { settledSchema } from '../../../../../lib/patterns.js';
import { noted } from '../../../../../lib/server/noted.js';
import { termsStore } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Settles which vocabulary the pattern is in. */
export const PUT: RequestHandler = ({ params, request }) =>
  noted(request, settledSchema, async ({ terms }) => (await termsStore()).settle(params.id, terms));
