import type { StitchId } from '../vocabulary/stitches.js';

/** What a stitch is in the hand: lengths are in heights or widths of a one-step stitch (US single crochet). */
export interface Fabric {
  /**
   * How tall it stands, in heights of a one-step stitch. From the craft's rules for a flat disc: it takes 6 stitches
   * more a round in one-step stitches, 8, 12, 18 and 24 in the taller ones, and a disc lies flat where a round is longer
   * than the one before by 2π times its height.
   */
  readonly height: number;
  /**
   * How often the yarn runs up and down its post: a loop drawn up is two strands, and a yarn-over that is wound around
   * it and drawn through is a third.
   */
  readonly strands: number;
  /** How often the yarn goes once round other strands: once for the stitch below, and once for each yarn-over. */
  readonly wraps: number;
  /** Posts that one top holds together. */
  readonly legs: number;
  /** Loops of chain that it adds beside its own top. */
  readonly chains: number;
}

const fabric = (height: number, strands: number, wraps: number, rest: Partial<Fabric> = {}): Fabric => ({
  height,
  strands,
  wraps,
  legs: 1,
  chains: 0,
  ...rest,
});

const SINGLE = fabric(1, 2, 1);

/** Five legs are the usual number of a bobble; a pattern that means another says so in its words, which are not read. */
const BOBBLE_LEGS = 5;

const FABRICS: Readonly<Record<StitchId, Fabric>> = {
  chain: fabric(0, 0, 0),
  slip: fabric(0.2, 0, 1),
  step1: SINGLE,
  step1half: fabric(4 / 3, 3, 2),
  step2: fabric(2, 3, 2),
  step3: fabric(3, 3, 3),
  step4: fabric(4, 3, 4),
  step5: fabric(5, 3, 5),
  extended1: fabric(1.25, 2, 1, { chains: 1 }),
  foundation1: fabric(1, 2, 1, { chains: 1 }),
  reverse1: fabric(1, 2, 2),
  // A loop as long as the stitch is wide twice over hangs on its back.
  loop: fabric(1, 6, 2),
  frontpost1: fabric(1, 2, 2),
  backpost1: fabric(1, 2, 2),
  frontpost1half: fabric(4 / 3, 3, 3),
  backpost1half: fabric(4 / 3, 3, 3),
  frontpost2: fabric(2, 3, 3),
  backpost2: fabric(2, 3, 3),
  // They are as tall as what they are made of, and are pushed out of the fabric: the round is no taller for them.
  bobble: fabric(1, 6, 2, { legs: BOBBLE_LEGS }),
  puff: fabric(1, 3, 1, { legs: BOBBLE_LEGS }),
  popcorn: fabric(1, 6, 2, { legs: BOBBLE_LEGS, chains: BOBBLE_LEGS }),
  cluster: fabric(2, 3, 2, { legs: 3 }),
  picot: fabric(0, 0, 0, { chains: 4 }),
};

/** What a stitch is in the hand. */
export function fabricOf(stitch: StitchId): Fabric {
  return FABRICS[stitch];
}

/**
 * How many stitches more each round of a disc needs to lie flat, by the stitch that it is worked in: its height says
 * how many, and fabric gives by a fifth or a quarter before it cups or ruffles.
 */
export const FLAT_GROWTH: Partial<Record<StitchId, readonly [number, number]>> = {
  step1: [5, 7.5],
  step1half: [7, 10],
  step2: [10, 14],
};

/** How little, or how much, of its height a ring may reach beyond the one below and still lie flat: 5 to 7.5 stitches more. */
export const FLAT_EASE = { slow: 4.96 / (2 * Math.PI), fast: 7.5 / (2 * Math.PI) } as const;
