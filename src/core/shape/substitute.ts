import { HOOKS } from '../vocabulary/hooks.js';
import { thicknessOf, type Band } from './yarnBand.js';

/** Sizes that safety eyes are sold in, in mm. */
const EYES = [3, 4, 4.5, 5, 6, 7, 8, 9, 10, 12, 14, 15, 16, 18, 20, 22, 24, 26, 28, 30, 35, 40] as const;

/**
 * The hook, in mm, that works another yarn as tightly as the pattern's hook works its own: as much thicker or thinner as
 * the yarn is.
 */
export function hookFor(
  hook: number,
  own: Pick<Band, 'weight' | 'metres'>,
  other: Pick<Band, 'weight' | 'metres'>,
): number {
  const wanted = (hook * thicknessOf(other)) / thicknessOf(own);
  return nearest(
    HOOKS.map(({ millimetres }) => millimetres),
    wanted,
  );
}

/** The eyes that look as large on a toy whose stitches are so many times as wide. */
export function eyesFor(eyes: number, times: number): number {
  return nearest(EYES, eyes * times);
}

function nearest(sizes: readonly number[], wanted: number): number {
  return sizes.reduce((best, one) => (Math.abs(one - wanted) < Math.abs(best - wanted) ? one : best));
}
