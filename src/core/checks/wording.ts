import type { CountedRound } from '../counting/counted.js';

/** "1 stitch", "5 stitches". */
export function stitches(count: number): string {
  return `${count} ${count === 1 ? 'stitch' : 'stitches'}`;
}

/** "1 round", "5 rows". */
export function rounds(count: number, kind: 'round' | 'row'): string {
  return `${count} ${kind}${count === 1 ? '' : 's'}`;
}

/** "1 is left over", "5 are left over". */
export function are(count: number): string {
  return count === 1 ? 'is' : 'are';
}

/** "once", "twice", "6 times". */
export function times(count: number): string {
  return count === 1 ? 'once' : count === 2 ? 'twice' : `${count} times`;
}

/** What a round states beside what it makes, as a second sentence; empty where that says nothing new. */
export function beside(counted: CountedRound): string {
  const stated = counted.round.stated?.total;
  const { made } = counted.outcome;
  if (made === null) return '';
  if (stated === undefined) return ` It makes ${made}.`;
  return stated === made
    ? ` It makes ${made}, as stated, but does not come out even.`
    : ` It makes ${made} where ${stated} is stated.`;
}
