/** A yarn weight by its number, with the names that US and UK patterns give it, the usual one first. */
export interface YarnWeight {
  readonly number: number;
  readonly us: readonly string[];
  readonly uk: readonly string[];
  /** How often the yarn goes round a ruler side by side, to an inch: the middle of what the trade lists for the class. */
  readonly wraps: number;
}

/** Numbers and US names as of the yarn trade's standard weight system; the UK names are those of everyday use. */
export const YARN_WEIGHTS: readonly [YarnWeight, ...YarnWeight[]] = [
  { number: 0, us: ['lace', 'thread'], uk: ['1 to 2 ply'], wraps: 35 },
  { number: 1, us: ['super fine', 'fingering', 'sock'], uk: ['3 to 4 ply'], wraps: 20 },
  { number: 2, us: ['fine', 'sport', 'baby'], uk: ['4 ply to light DK'], wraps: 16 },
  { number: 3, us: ['light', 'DK'], uk: ['DK'], wraps: 13 },
  { number: 4, us: ['medium', 'worsted'], uk: ['aran'], wraps: 10 },
  { number: 5, us: ['bulky'], uk: ['chunky'], wraps: 7.5 },
  { number: 6, us: ['super bulky'], uk: ['super chunky'], wraps: 5.5 },
  { number: 7, us: ['jumbo'], uk: ['jumbo'], wraps: 4 },
];
