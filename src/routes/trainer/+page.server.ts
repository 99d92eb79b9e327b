import { stores } from '../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ locals, depends }) => {
  depends('dostik:trainer');
  const { training, shelf } = await stores();
  return {
    ...(await training.progress(locals.person?.id ?? '')),
    clean: await shelf.clean(),
    // Said by the server, so that page and browser say the same of a day.
    now: Date.now(),
  };
};
