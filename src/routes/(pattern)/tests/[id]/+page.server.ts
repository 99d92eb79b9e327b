import { isLoopback } from '../../../../lib/server/frontDoor.js';
import { brief, patternOr404 } from '../../../../lib/server/pages.js';
import { stores } from '../../../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ params, url, depends }) => {
  depends('dostik:tests');
  const { patterns, calls, shapes } = await stores();
  const pattern = await patternOr404(patterns, params.id);
  return {
    pattern: brief(pattern),
    calls: await calls.of(params.id),
    settings: await shapes.of(params.id),
    /** Nobody else can open an address of this machine alone. */
    alone: isLoopback(url.hostname),
  };
};
