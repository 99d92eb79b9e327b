import { dismissalSchema } from '../../../../../lib/patterns.js';
import { noted } from '../../../../../lib/server/noted.js';
import { store } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Puts a finding aside with a reason, or takes it up again. */
export const PUT: RequestHandler = ({ params, request }) =>
  noted(request, dismissalSchema, async (dismissal) => (await store()).dismiss(params.id, dismissal));
