import { brief, patternOr404 } from '../../../../lib/server/pages.js';
import { stores } from '../../../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ params }) => {
  const { patterns, shapes, results } = await stores();
  return {
    pattern: brief(await patternOr404(patterns, params.id)),
    settings: await shapes.of(params.id),
    tested: await results.weighed(params.id),
  };
};
