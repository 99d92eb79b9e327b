import { error } from '@sveltejs/kit';
import { store, termsStore } from '../../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ params, depends }) => {
  depends('dostik:terms');
  const pattern = await (await store()).get(params.id);
  if (!pattern) error(404, 'This pattern is not on the shelf. It may have been put away.');
  return { pattern, notes: await (await termsStore()).notes(params.id) };
};
