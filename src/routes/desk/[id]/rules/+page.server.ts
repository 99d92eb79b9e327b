import { error } from '@sveltejs/kit';
import { ruleCards } from '../../../../core/index.js';
import { ruleStore, store } from '../../../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ params }) => {
  const pattern = await (await store()).get(params.id);
  if (!pattern) error(404, 'This pattern is not on the shelf. It may have been put away.');
  const rules = await ruleStore();
  return { name: pattern.name, cards: ruleCards(), set: await rules.of(params.id), everywhere: await rules.of() };
};
