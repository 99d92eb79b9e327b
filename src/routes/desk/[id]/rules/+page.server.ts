import { ruleCards } from '../../../../core/index.js';
import { patternOr404 } from '../../../../lib/server/pages.js';
import { stores } from '../../../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ params }) => {
  const { patterns, rules } = await stores();
  const { name } = await patternOr404(patterns, params.id);
  return { name, cards: ruleCards(), set: await rules.of(params.id), everywhere: await rules.of() };
};
