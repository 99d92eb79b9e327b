import { brief, patternOr404 } from '../../../../lib/server/pages.js';
import { stores } from '../../../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ params: { id } }) => {
  const { patterns, drafts } = await stores();
  const pattern = await patternOr404(patterns, id);
  const texts = await drafts.texts(id);
  return {
    pattern: brief(pattern),
    drafts: await drafts.of(id),
    texts,
    decided: await drafts.decidedOwn(id, texts.at(-1)?.number ?? 0),
  };
};
