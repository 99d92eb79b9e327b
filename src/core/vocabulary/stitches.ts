/**
 * The neutral vocabulary. A stitch is known by what it is (how many steps tall, where it is
 * worked), never by its US or UK name: those are columns of this table and nothing else.
 */
export type Vocabulary = 'us' | 'uk';

/** The part of a stitch that is worked into: both loops where nothing is said. */
export type Loops = 'both' | 'front' | 'back';

export type StitchId =
  | 'chain'
  | 'slip'
  | 'step1'
  | 'step1half'
  | 'step2'
  | 'step3'
  | 'step4'
  | 'step5'
  | 'extended1'
  | 'foundation1'
  | 'reverse1'
  | 'loop'
  | 'frontpost1'
  | 'backpost1'
  | 'frontpost1half'
  | 'backpost1half'
  | 'frontpost2'
  | 'backpost2'
  | 'bobble'
  | 'puff'
  | 'popcorn'
  | 'cluster'
  | 'picot';

/** How one vocabulary writes a stitch: long forms and short forms, the usual one first. */
export interface StitchNames {
  readonly long: readonly string[];
  readonly short: readonly string[];
}

export interface Stitch {
  readonly id: StitchId;
  readonly us: StitchNames;
  readonly uk: StitchNames;
}

const same = (long: readonly string[], short: readonly string[]) => ({
  us: { long, short },
  uk: { long, short },
});

export const STITCHES: readonly Stitch[] = [
  { id: 'chain', ...same(['chain stitch', 'chain'], ['ch', 'chs', 'chain st']) },
  { id: 'slip', ...same(['slip stitch'], ['sl st', 'slst', 'ss', 'slip st', 'sl stitch', 'sl']) },
  {
    id: 'step1',
    us: { long: ['single crochet', 'single'], short: ['sc'] },
    uk: { long: ['double crochet', 'double'], short: ['dc'] },
  },
  {
    id: 'step1half',
    us: { long: ['half double crochet', 'half double'], short: ['hdc'] },
    uk: { long: ['half treble crochet', 'half treble'], short: ['htr'] },
  },
  {
    id: 'step2',
    us: { long: ['double crochet', 'double'], short: ['dc'] },
    uk: { long: ['treble crochet', 'treble'], short: ['tr'] },
  },
  {
    id: 'step3',
    us: { long: ['treble crochet', 'triple crochet', 'treble', 'triple'], short: ['tr'] },
    uk: { long: ['double treble crochet', 'double treble'], short: ['dtr'] },
  },
  {
    id: 'step4',
    us: { long: ['double treble crochet', 'double treble'], short: ['dtr'] },
    uk: { long: ['triple treble crochet', 'triple treble'], short: ['trtr', 'ttr'] },
  },
  {
    id: 'step5',
    us: { long: ['triple treble crochet', 'triple treble'], short: ['trtr'] },
    uk: { long: ['quadruple treble crochet', 'quadruple treble'], short: ['qtr'] },
  },
  {
    id: 'extended1',
    us: { long: ['extended single crochet'], short: ['esc', 'exsc'] },
    uk: { long: ['extended double crochet'], short: ['edc', 'exdc'] },
  },
  {
    id: 'foundation1',
    us: { long: ['foundation single crochet'], short: ['fsc'] },
    uk: { long: ['foundation double crochet'], short: ['fdc'] },
  },
  {
    id: 'reverse1',
    us: { long: ['reverse single crochet'], short: ['rsc', 'rev sc', 'reverse sc'] },
    uk: { long: ['reverse double crochet'], short: ['rdc', 'rev dc', 'reverse dc'] },
  },
  {
    id: 'frontpost1',
    us: { long: ['front post single crochet'], short: ['fpsc'] },
    uk: { long: ['front post double crochet', 'raised double front'], short: ['fpdc', 'rdcf'] },
  },
  {
    id: 'backpost1',
    us: { long: ['back post single crochet'], short: ['bpsc'] },
    uk: { long: ['back post double crochet', 'raised double back'], short: ['bpdc', 'rdcb'] },
  },
  {
    id: 'frontpost1half',
    us: { long: ['front post half double crochet'], short: ['fphdc'] },
    uk: { long: ['front post half treble crochet'], short: ['fphtr'] },
  },
  {
    id: 'backpost1half',
    us: { long: ['back post half double crochet'], short: ['bphdc'] },
    uk: { long: ['back post half treble crochet'], short: ['bphtr'] },
  },
  {
    id: 'frontpost2',
    us: { long: ['front post double crochet'], short: ['fpdc'] },
    uk: { long: ['front post treble crochet', 'raised treble front'], short: ['fptr', 'rtrf'] },
  },
  {
    id: 'backpost2',
    us: { long: ['back post double crochet'], short: ['bpdc'] },
    uk: { long: ['back post treble crochet', 'raised treble back'], short: ['bptr', 'rtrb'] },
  },
  { id: 'loop', ...same(['loop stitch'], ['loop st', 'lp st']) },
  { id: 'bobble', ...same(['bobble stitch', 'bobble'], ['bob', 'bo', 'bbl', 'mb']) },
  { id: 'puff', ...same(['puff stitch', 'puff'], ['puff st', 'ps']) },
  { id: 'popcorn', ...same(['popcorn stitch', 'popcorn'], ['pop', 'pc', 'pc st']) },
  { id: 'cluster', ...same(['cluster stitch', 'cluster'], ['cl', 'cluster st']) },
  { id: 'picot', ...same(['picot'], ['pic']) },
];

const byId = new Map(STITCHES.map((stitch) => [stitch.id, stitch]));

/** The usual short name of a stitch in a vocabulary: `sc`, `dc`, `sl st`. */
export function shortName(id: StitchId, vocabulary: Vocabulary): string {
  return byId.get(id)?.[vocabulary].short[0] ?? id;
}

/** The usual long name of a stitch in a vocabulary: `single crochet`. */
export function longName(id: StitchId, vocabulary: Vocabulary): string {
  return byId.get(id)?.[vocabulary].long[0] ?? id;
}

/** Post, extended and decorated stitches stand on one stitch and count as one, however many legs they have. */
export const DECORATED: ReadonlySet<StitchId> = new Set(['bobble', 'puff', 'popcorn', 'cluster']);

/**
 * The letter notation of translated patterns (US names): one letter a stitch or a shaping.
 * `per` stitches are made in `over` stitches of the edge.
 */
export interface CompactLetter {
  readonly letters: readonly string[];
  readonly stitch: StitchId;
  readonly per: number;
  readonly over: number;
}

export const COMPACT_LETTERS: readonly CompactLetter[] = [
  { letters: ['X'], stitch: 'step1', per: 1, over: 1 },
  { letters: ['V'], stitch: 'step1', per: 2, over: 1 },
  { letters: ['A'], stitch: 'step1', per: 1, over: 2 },
  { letters: ['W'], stitch: 'step1', per: 3, over: 1 },
  { letters: ['M'], stitch: 'step1', per: 1, over: 3 },
  { letters: ['T'], stitch: 'step1half', per: 1, over: 1 },
  { letters: ['F'], stitch: 'step2', per: 1, over: 1 },
  { letters: ['E'], stitch: 'step3', per: 1, over: 1 },
  { letters: ['K', 'CH'], stitch: 'chain', per: 1, over: 1 },
  { letters: ['SL'], stitch: 'slip', per: 1, over: 1 },
  { letters: ['G', 'Q'], stitch: 'bobble', per: 1, over: 1 },
];
