import { redirect } from '@sveltejs/kit';
import { stores } from '../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

/** Who is signed in; alone at home nobody is. */
export const load: PageServerLoad = async ({ locals: { person } }) => {
  if (!person) redirect(303, '/');
  return { person, passkeys: await (await stores()).passkeys.of(person.id) };
};
