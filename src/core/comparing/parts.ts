import type { Unit } from './units.js';

/** So much of the smaller of two parts has to be the same, or their names. */
const LEAST = 0.3;
const SAME_NAME = 0.6;
/** What is the same in words weighs more than what does the same. */
const IN_WORDS = 1;
const IN_MEANING = 0.8;

/** By the number of a part of the later draft the number of the one it was; what is left out is new. */
export function pairParts(
  before: readonly { readonly name: string; readonly units: readonly Unit[] }[],
  after: readonly { readonly name: string; readonly units: readonly Unit[] }[],
): Map<number, number> {
  const scores = scoresOf(before, after);
  // What is likeliest first; of equals those that stand alike.
  scores.sort((a, b) => b.score - a.score || Math.abs(a.b - a.a) - Math.abs(b.b - b.a) || a.b - b.b);
  const taken = new Set<number>();
  const pairs = new Map<number, number>();
  for (const { b, a } of scores) {
    if (taken.has(b) || pairs.has(a)) continue;
    taken.add(b);
    pairs.set(a, b);
  }
  return pairs;
}

interface Score {
  readonly b: number;
  readonly a: number;
  readonly score: number;
}

function scoresOf(before: Parameters<typeof pairParts>[0], after: Parameters<typeof pairParts>[1]): Score[] {
  const byName = placesBy(before, ({ name }) => [nameOf(name)]);
  const byWords = placesBy(before, ({ units }) => roundsIn(units).map(({ from, body }) => `${from}|${body}`));
  const byMeaning = placesBy(before, ({ units }) => roundsIn(units).flatMap(({ meaning }) => meaning ?? []));
  return after.flatMap(({ name, units }, a) => {
    const found = new Map<number, number>();
    const add = (b: number, much: number) => found.set(b, (found.get(b) ?? 0) + much);
    const rounds = roundsIn(units);
    const share = (
      places: ReadonlyMap<string, ReadonlyMap<number, number>>,
      keys: readonly string[],
      weight: number,
    ) => {
      const seen = countOf(keys);
      for (const [key, times] of seen)
        for (const [b, often] of places.get(key) ?? [])
          add(b, (weight * Math.min(times, often)) / Math.max(1, Math.max(rounds.length, sizes[b] ?? 0)));
    };
    const sizes = before.map((part) => roundsIn(part.units).length);
    share(
      byWords,
      rounds.map(({ from, body }) => `${from}|${body}`),
      IN_WORDS,
    );
    share(
      byMeaning,
      rounds.flatMap(({ meaning }) => meaning ?? []),
      IN_MEANING,
    );
    for (const b of byName.get(nameOf(name))?.keys() ?? []) add(b, SAME_NAME);
    return [...found].filter(([, score]) => score >= LEAST).map(([b, score]) => ({ b, a, score }));
  });
}

function roundsIn(units: readonly Unit[]): readonly Unit[] {
  return units.filter(({ round }) => round !== null);
}

function nameOf(name: string): string {
  return name
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
}

function countOf(keys: readonly string[]): Map<string, number> {
  const count = new Map<string, number>();
  for (const key of keys) count.set(key, (count.get(key) ?? 0) + 1);
  return count;
}

/** By key how often each item has it. */
function placesBy<Item>(
  items: readonly Item[],
  keys: (item: Item) => readonly string[],
): Map<string, Map<number, number>> {
  const places = new Map<string, Map<number, number>>();
  items.forEach((item, at) => {
    for (const [key, times] of countOf(keys(item))) {
      const there = places.get(key) ?? new Map<number, number>();
      there.set(at, times);
      places.set(key, there);
    }
  });
  return places;
}
