/** Numbers from 0 up to 1, one after the other. */
export type Chance = () => number;

/** Numbers from 0 up to 1, the same ones for the same seed, which is not 0 (Park and Miller's generator). */
export function chances(seed: number): Chance {
  let at = seed % 2147483647;
  return () => (at = (at * 48271) % 2147483647) / 2147483647;
}

/** One of several, each as likely. @throws where there is none */
export function oneOf<Item>(items: readonly Item[], chance: Chance): Item {
  const item = items[Math.min(items.length - 1, Math.floor(chance() * items.length))];
  if (item === undefined) throw new Error('There is nothing to choose from.');
  return item;
}

/** A whole number from the least to the most, each as likely. */
export const between = (least: number, most: number, chance: Chance): number =>
  Math.min(most, least + Math.floor(chance() * (most - least + 1)));

/** The same items in another order. */
export function shuffled<Item>(items: readonly Item[], chance: Chance): Item[] {
  return items
    .map((item) => ({ item, at: chance() }))
    .sort((a, b) => a.at - b.at)
    .map(({ item }) => item);
}
