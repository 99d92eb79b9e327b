import { stores } from '../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ depends, locals }) => {
  depends('dostik:people');
  const { house, addresses } = await stores();
  return { people: await house.all(), addresses: await addresses.all(), me: locals.person?.id ?? null };
};
