/** It speaks with the bench in the same browser. */
export const ssr = false;
