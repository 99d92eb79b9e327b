import type { Found } from './house.svelte.js';

/** Something that the finder offers. */
export type Entry = Pick<Found, 'id' | 'text' | 'note' | 'run'>;

/** More than so many help nobody. */
const MOST = 60;

/**
 * What the finder offers for some words.
 * A number leads to the rounds that go by it, ranges that hold it among them; no words at all, to what can be done.
 * @param here what the page leads to; @param actions what can be done; @param patterns all patterns of the house.
 */
export function search(
  words: string,
  here: readonly Found[],
  actions: readonly Entry[],
  patterns: readonly Entry[],
): readonly Entry[] {
  const asked = words.trim().toLowerCase();
  const number = /^(?:rnd|round|row|r)?\s*(\d+)$/.exec(asked)?.[1];
  const byNumber =
    number === undefined
      ? []
      : here.filter(({ numbers }) => numbers && numbers[0] <= Number(number) && Number(number) <= numbers[1]);
  if (byNumber.length > 0) return byNumber;
  if (asked === '') return actions;
  const terms = asked.split(/\s+/);
  const holds = ({ text }: Entry) => terms.every((term) => text.toLowerCase().includes(term));
  // A name that begins with the words comes before one that has them somewhere.
  const begins = ({ text }: Entry) => text.toLowerCase().startsWith(asked);
  const all = [...actions, ...here, ...patterns].filter(holds);
  return [...all.filter(begins), ...all.filter((entry) => !begins(entry))].slice(0, MOST);
}
