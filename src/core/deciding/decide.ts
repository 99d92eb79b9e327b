import type { CountedPattern } from '../counting/counted.js';
import type { ReadOptions } from '../reading/read.js';
import { bySeries } from './bySeries.js';
import { plainly } from './plainly.js';

/**
 * Reads and counts a text. Where little of it comes out by the forms that are known it is read by its series of numbers as
 * well, and the reading stands under which most rounds come out.
 */
export function decide(text: string, options: ReadOptions = { terms: 'auto' }): CountedPattern {
  const { counted, open } = plainly(text, options);
  return open ? bySeries(open) : counted;
}
