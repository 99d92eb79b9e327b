import { ruleCards } from '../../../../../core/index.js';
import { stores } from '../../../../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ params }) => {
  const { rules } = await stores();
  return { cards: ruleCards(), set: await rules.of(params.id), everywhere: await rules.of() };
};
