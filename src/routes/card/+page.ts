/** The card holds nothing of anybody's own: it is built once, and kept by the browser for when there is no network. */
export const prerender = true;
