import { lookFrom } from '../lib/shelf/arranging.js';
import { stores } from '../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

/** Figures that will be there in a moment are waited for; milliseconds. */
const MOMENT = 150;

export const load: PageServerLoad = async ({ depends, url }) => {
  depends('dostik:shelf');
  const { shelf, recounts } = await stores();
  await recounts.idle(MOMENT);
  return shelf.first(lookFrom(url.searchParams));
};
