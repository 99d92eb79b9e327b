import { brief, notOnShelf, patternOr404 } from '../../../../lib/server/pages.js';
import { stores } from '../../../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ params: { id }, depends }) => {
  depends('dostik:queries');
  const { patterns, queries, letters, addresses } = await stores();
  const pattern = await patternOr404(patterns, id);
  return {
    pattern: brief(pattern),
    queries: await queries.of(id),
    history: await queries.history(id),
    letters: await letters.of(id),
    settings: await letters.settings(),
    designer: (await letters.designer(id)) ?? notOnShelf(),
    post: letters.post.way,
    address: await addresses.standing({ purpose: 'letter', patternId: id }),
  };
};
