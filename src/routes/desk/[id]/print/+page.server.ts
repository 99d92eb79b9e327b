import { patternOr404, within } from '../../../../lib/server/pages.js';
import { stores } from '../../../../lib/server/store.js';
import type { Printed } from '../../../../lib/server/counting/work.js';
import type { PageServerLoad } from './$types.js';

/** Twenty times the longest pattern; to send more would hold up everybody else. */
const MOST_LINES = 6000;
const MOST_CHARACTERS = 400_000;

type Page = { readonly name: string } & (
  | ({ readonly tooLong: null } & Printed)
  /** Why it is not printed. */
  | { readonly tooLong: string }
);

export const load: PageServerLoad = async ({ params }): Promise<Page> => {
  const { patterns, rules, counting } = await stores();
  const { text, name, terms, hand } = await patternOr404(patterns, params.id);
  if (text.length > MOST_CHARACTERS || linesIn(text, MOST_LINES) > MOST_LINES)
    return { name, tooLong: 'This text is too long to print with its sums.' };
  const asked = { text, name, terms, hand, rules: await rules.holdingFor(params.id) };
  const printed = await within(counting.have('print', asked));
  return printed === null
    ? { name, tooLong: 'This text is too much to count at once.' }
    : { name, ...printed, tooLong: null };
};

/** How many lines a text has; no more than `enough` and one are counted. */
function linesIn(text: string, enough: number): number {
  let lines = 1;
  for (let at = text.indexOf('\n'); at >= 0 && lines <= enough; at = text.indexOf('\n', at + 1)) lines += 1;
  return lines;
}
