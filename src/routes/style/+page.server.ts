import { learnt, styleOf, styleTraits } from '../../core/index.js';
import { store, styleStore } from '../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ url }) => {
  const patterns = await store();
  const from = url.searchParams.get('from');
  const model = from === null ? null : await patterns.get(from);
  const count = model ? styleOf(model.text, { terms: model.terms }) : null;
  return {
    traits: styleTraits(),
    style: await (await styleStore()).get(),
    patterns: (await patterns.list()).map(({ id, name }) => ({ id, name })),
    model: model && count ? { id: model.id, name: model.name, count, learnt: learnt(count) } : null,
  };
};
