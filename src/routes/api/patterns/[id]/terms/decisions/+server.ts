import { termDecisionSchema } from '../../../../../../lib/patterns.js';
import { noted } from '../../../../../../lib/server/noted.js';
import { termsStore } from '../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Keeps what is to be written for a word in the other vocabulary, or forgets it. */
export const PUT: RequestHandler = ({ params, request }) =>
  noted(request, termDecisionSchema, async (decision) => (await termsStore()).decide(params.id, decision));
