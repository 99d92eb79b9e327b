import { houseStyleSchema } from '../../../core/index.js';
import { noted } from '../../../lib/server/noted.js';
import { styleStore } from '../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Settles how this press writes. */
export const PUT: RequestHandler = ({ request }) =>
  noted(request, houseStyleSchema, async (style) => {
    await (await styleStore()).set(style);
    return true;
  });
