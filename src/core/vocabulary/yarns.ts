/** A yarn weight by its number, with the names that US and UK patterns give it, the usual one first. */
export interface YarnWeight {
  readonly number: number;
  readonly us: readonly string[];
  readonly uk: readonly string[];
}

/** Numbers and US names as of the yarn trade's standard weight system; the UK names are those of everyday use. */
export const YARN_WEIGHTS: readonly YarnWeight[] = [
  { number: 0, us: ['lace', 'thread'], uk: ['1 to 2 ply'] },
  { number: 1, us: ['super fine', 'fingering', 'sock'], uk: ['3 to 4 ply'] },
  { number: 2, us: ['fine', 'sport', 'baby'], uk: ['4 ply to light DK'] },
  { number: 3, us: ['light', 'DK'], uk: ['DK'] },
  { number: 4, us: ['medium', 'worsted'], uk: ['aran'] },
  { number: 5, us: ['bulky'], uk: ['chunky'] },
  { number: 6, us: ['super bulky'], uk: ['super chunky'] },
  { number: 7, us: ['jumbo'], uk: ['jumbo'] },
];
