import { brief, patternOr404 } from '../../../../lib/server/pages.js';
import { stores } from '../../../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ params }) => {
  const { patterns, style, queries } = await stores();
  const pattern = await patternOr404(patterns, params.id);
  return {
    pattern: brief(pattern),
    notes: await patterns.notes(params.id),
    queries: await queries.of(params.id),
    style: await style.get(),
  };
};
