import { stores } from '../../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ params }) => {
  const person = await (await stores()).house.invited(params.secret);
  return { person: person && { name: person.name, mail: person.mail } };
};
