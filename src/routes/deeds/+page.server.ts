import { error } from '@sveltejs/kit';
import { soughtSchema } from '../../lib/deeds.js';
import { queryOf, troubleOf } from '../../lib/server/answers.js';
import { PAGE } from '../../lib/server/deeds.js';
import { stores } from '../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ url }) => {
  try {
    const sought = queryOf(url, soughtSchema);
    const { deeds } = await stores();
    const [done, names] = await Promise.all([deeds.list(sought), deeds.names()]);
    const last = done.length === PAGE ? done.at(-1) : undefined;
    return { sought, done, names, before: last?.id ?? null };
  } catch (trouble) {
    const { status, message } = troubleOf(trouble);
    error(status, message);
  }
};
