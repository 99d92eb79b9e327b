import * as z from 'zod/mini';
import type { ShelfEntry } from '../patterns.js';
import type { Look } from './arranging.js';

/** A stretch of the shelf, as it is looked through. */
export interface ShelfPage {
  readonly entries: readonly ShelfEntry[];
  /** How many patterns are like what is looked for, in all. */
  readonly total: number;
}

/** What the Shelf opens with. */
export interface ShelfFirst extends ShelfPage {
  readonly look: Look;
  /** How many there are of each kind that can be shown, whatever is looked for. */
  readonly tally: Readonly<Record<Look['show'], number>>;
  /** How many are still being counted. */
  readonly counting: number;
  /** How many are put away. */
  readonly away: number;
  /** How many patterns of the plan have a date that has passed, and one that is today. */
  readonly due: { readonly late: number; readonly today: number };
}

/** So many entries come at once. */
export const STRETCH = 60;

/** Where a further stretch begins, and how many may come. */
export const stretchSchema = z.object({
  from: z.coerce.number().check(z.int(), z.gte(0)),
  most: z.coerce.number().check(z.int(), z.gte(1), z.lte(1000)),
});
