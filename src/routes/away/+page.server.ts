import { stores } from '../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ depends }) => {
  depends('dostik:away');
  return { away: await (await stores()).shelf.away() };
};
