/** What it shows lives in the browser. */
export const ssr = false;
