import type { PageLoad } from './$types.js';

/** All of it lives in the browser: the page is the same for every address, and opens without a network. */
export const ssr = false;

export const load: PageLoad = ({ params, url }) => ({ secret: params.secret, token: url.hash.slice(1) || null });
