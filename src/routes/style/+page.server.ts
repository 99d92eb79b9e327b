import { styleTraits } from '../../core/index.js';
import { within } from '../../lib/server/pages.js';
import { stores } from '../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ url }) => {
  const { patterns, shelf, style, counting } = await stores();
  const from = url.searchParams.get('from');
  const model = from === null ? null : await patterns.get(from);
  const learnt =
    model && (await within(counting.have('style', { text: model.text, terms: model.terms, hand: model.hand })));
  return {
    traits: styleTraits(),
    style: await style.get(),
    patterns: await shelf.names(),
    model: model && learnt ? { id: model.id, name: model.name, ...learnt } : null,
    /** The name of a pattern that is too long to learn from. */
    tooMuch: model && !learnt ? model.name : null,
  };
};
