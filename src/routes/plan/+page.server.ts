import { stores } from '../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ depends, locals }) => {
  depends('dostik:plan');
  const { plan, addresses, house } = await stores();
  return {
    given: await plan.given(),
    unlisted: await plan.unlisted(),
    address: await addresses.standing({ purpose: 'calendar' }),
    people: locals.signedIn ? (await house.all()).map(({ name }) => name) : [],
  };
};
