import { redirect } from '@sveltejs/kit';
import { stores } from '../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

/** A place of this house, and of no other. */
function inHouse(to: string | null): string {
  return to !== null && /^\/(?![/\\])[^\s\\]*$/.test(to) ? to : '/';
}

export const load: PageServerLoad = async ({ url, locals }) => {
  const to = inHouse(url.searchParams.get('to'));
  // Nobody needs to.
  if (!locals.signedIn) redirect(303, to);
  return { to, first: (await (await stores()).house.count()) === 0 };
};
