/** Stands in for `$app/environment` where components are tested on their own. */
export const browser = true;
