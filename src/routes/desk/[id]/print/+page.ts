/** Thousands of lines are drawn where they are printed, and not where others wait for an answer. */
export const ssr = false;
