import { stores } from '../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends('dostik:mine');
  return { patterns: await (await stores()).designers.own(locals.person?.mail ?? '') };
};
