import { error } from '@sveltejs/kit';
import { store, styleStore } from '../../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ params }) => {
  const patterns = await store();
  const pattern = await patterns.get(params.id);
  if (!pattern) error(404, 'This pattern is not on the shelf. It may have been put away.');
  return { pattern, notes: await patterns.notes(params.id), style: await (await styleStore()).get() };
};
