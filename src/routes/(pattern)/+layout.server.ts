import { standingOf } from '../../lib/server/standing.js';
import { stores } from '../../lib/server/store.js';
import type { LayoutServerLoad } from './$types.js';

/** How the pattern stands is asked anew at each of its places: it has changed at the one before. */
export const load: LayoutServerLoad = async ({ params, url, depends }) => {
  depends('dostik:standing', `dostik:at${url.pathname}`);
  return { standing: await standingOf(await stores(), params.id ?? '') };
};
