import { error } from '@sveltejs/kit';
import { stores } from '../../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ params, locals, depends }) => {
  depends('dostik:practice');
  const sheet = await (await stores()).training.sheet(locals.person?.id ?? '', params.id);
  return { sheet: sheet ?? error(404, 'This practice pattern is not there, or not yours.') };
};
