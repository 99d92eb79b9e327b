/** A pair of places in two sequences; the places of either rise from pair to pair. */
export type Pair = readonly [before: number, after: number];

/** How two sequences are laid beside each other. */
export interface Likeness<Item> {
  /** How good it is to have two items beside each other; 0 or less where they have nothing to do with each other. */
  readonly gain: (before: Item, after: Item) => number;
  /** Names of an item, the surest first: two items that alone have a name of that kind are one and the same. */
  readonly names: readonly ((item: Item) => string | null)[];
}

/** So many pairs are weighed at once; in a longer stretch without anything sure only what is named alike is paired. */
const MOST_WEIGHED = 250_000;

/**
 * Pairs the items of two sequences, in order: what is the same at both ends, then what is named alike and only once, and
 * what lies between so that the sum of all gains is greatest.
 */
export function align<Item>(before: readonly Item[], after: readonly Item[], likeness: Likeness<Item>): Pair[] {
  const pairs: Pair[] = [];
  stretch(before, after, [0, before.length, 0, after.length], likeness, 0, pairs);
  return pairs;
}

type Bounds = readonly [from: number, to: number, afterFrom: number, afterTo: number];

function stretch<Item>(
  before: readonly Item[],
  after: readonly Item[],
  bounds: Bounds,
  likeness: Likeness<Item>,
  kind: number,
  pairs: Pair[],
): void {
  const [from, to, afterFrom, afterTo] = bounds;
  if (from === to || afterFrom === afterTo) return;
  // What is sure by the first name is taken for sure; by the others only where there is too much to be weighed.
  const few = (to - from) * (afterTo - afterFrom) <= MOST_WEIGHED;
  const name = likeness.names[kind];
  if (!name || (few && kind > 0)) {
    if (few) weigh(before, after, bounds, likeness, pairs);
    return;
  }
  let [at, afterAt] = [from, afterFrom];
  for (const [b, a] of [...sure(before, after, bounds, name), [to, afterTo] as const]) {
    stretch(before, after, [at, b, afterAt, a], likeness, kind + 1, pairs);
    if (b < to) pairs.push([b, a]);
    [at, afterAt] = [b + 1, a + 1];
  }
}

/** What is the same at both ends, and between them the items that alone have a name, in the longest run that keeps order. */
function sure<Item>(
  before: readonly Item[],
  after: readonly Item[],
  [from, to, afterFrom, afterTo]: Bounds,
  name: (item: Item) => string | null,
): Pair[] {
  const named = (items: readonly Item[], first: number, last: number) =>
    items.slice(first, last).map((item) => name(item));
  const b = named(before, from, to);
  const a = named(after, afterFrom, afterTo);
  const head: Pair[] = [];
  while (head.length < Math.min(b.length, a.length) && b[head.length] !== null && b[head.length] === a[head.length])
    head.push([from + head.length, afterFrom + head.length]);
  const tail: Pair[] = [];
  const room = Math.min(b.length, a.length) - head.length;
  while (tail.length < room && b.at(-1 - tail.length) !== null && b.at(-1 - tail.length) === a.at(-1 - tail.length))
    tail.unshift([to - 1 - tail.length, afterTo - 1 - tail.length]);
  const places = once(a, head.length, a.length - tail.length);
  const middle = [...once(b, head.length, b.length - tail.length)].flatMap(([key, at]): Pair[] => {
    const there = places.get(key);
    return there === undefined ? [] : [[from + at, afterFrom + there]];
  });
  return [...head, ...rising(middle), ...tail];
}

/** Where each name stands that stands there once. */
function once(names: readonly (string | null)[], from: number, to: number): Map<string, number> {
  const places = new Map<string, number>();
  const twice = new Set<string>();
  for (let at = from; at < to; at += 1) {
    const name = names[at];
    if (name === null || name === undefined) continue;
    if (places.has(name)) twice.add(name);
    places.set(name, at);
  }
  for (const name of twice) places.delete(name);
  return places;
}

/** The longest run of pairs whose second places rise; the first ones rise already. */
function rising(pairs: readonly Pair[]): Pair[] {
  /** By length the index of the pair that ends the lowest run of that length, and for each pair the one before it. */
  const ends: number[] = [];
  const previous: number[] = [];
  const place = (i: number | undefined) => (i === undefined ? -1 : (pairs[i]?.[1] ?? -1));
  pairs.forEach(([, after], i) => {
    let low = 0;
    let high = ends.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (place(ends[middle]) < after) low = middle + 1;
      else high = middle;
    }
    previous[i] = low === 0 ? -1 : (ends[low - 1] ?? -1);
    ends[low] = i;
  });
  const run: Pair[] = [];
  for (let i = ends.at(-1) ?? -1; i >= 0; i = previous[i] ?? -1) {
    const pair = pairs[i];
    if (pair) run.unshift(pair);
  }
  return run;
}

/** The pairs with the greatest sum of gains. */
function weigh<Item>(
  before: readonly Item[],
  after: readonly Item[],
  [from, to, afterFrom, afterTo]: Bounds,
  { gain }: Likeness<Item>,
  pairs: Pair[],
): void {
  const olds = before.slice(from, to);
  const news = after.slice(afterFrom, afterTo);
  const gains = new Grid(olds.length, news.length);
  olds.forEach((one, b) => news.forEach((other, a) => gains.set(b, a, gain(one, other))));
  /** The greatest sum from a pair of places to the ends. */
  const best = new Grid(olds.length + 1, news.length + 1);
  const together = (b: number, a: number) => gains.at(b, a) + best.at(b + 1, a + 1);
  for (let b = olds.length - 1; b >= 0; b -= 1)
    for (let a = news.length - 1; a >= 0; a -= 1) {
      const apart = Math.max(best.at(b + 1, a), best.at(b, a + 1));
      best.set(b, a, gains.at(b, a) > 0 ? Math.max(apart, together(b, a)) : apart);
    }
  let [b, a] = [0, 0];
  while (b < olds.length && a < news.length) {
    if (gains.at(b, a) > 0 && best.at(b, a) === together(b, a)) {
      pairs.push([from + b, afterFrom + a]);
      b += 1;
      a += 1;
    } else if (best.at(b, a) === best.at(b + 1, a)) b += 1;
    else a += 1;
  }
}

/** Figures in rows and columns. */
class Grid {
  readonly #figures: Float64Array;
  readonly #columns: number;

  constructor(rows: number, columns: number) {
    this.#figures = new Float64Array(rows * columns);
    this.#columns = columns;
  }

  at(row: number, column: number): number {
    return this.#figures[row * this.#columns + column] ?? 0;
  }

  set(row: number, column: number, figure: number): void {
    this.#figures[row * this.#columns + column] = figure;
  }
}
