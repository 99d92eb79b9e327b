import { happened } from '../../../../lib/queries/history.js';
import { patternOr404 } from '../../../../lib/server/pages.js';
import { stores } from '../../../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ params: { id } }) => {
  const { patterns, queries, letters, drafts } = await stores();
  const { name } = await patternOr404(patterns, id);
  const kept = {
    id,
    drafts: await drafts.of(id),
    letters: await letters.of(id),
    events: await queries.history(id),
    queries: await queries.of(id),
  };
  return { name, history: happened(kept) };
};
