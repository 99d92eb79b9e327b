import { store } from '../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ depends }) => {
  depends('dostik:shelf');
  return { patterns: await (await store()).list() };
};
