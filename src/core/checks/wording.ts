import type { CountedRound } from '../counting/counted.js';
import type { DrawnAt } from '../shape/drawnAt.js';

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

/** "14 to 15 cm", "3.8 cm": lengths given in mm, under 10 cm to a millimetre. */
export function centimetres(from: number, to = from): string {
  const places = to < 100 ? 1 : 0;
  const [a, b] = [from, to].map((length) => Number((length / 10).toFixed(places)));
  return a === b ? `${String(a)} cm` : `${String(a)} to ${String(b)} cm`;
}

/** "46 to 52": in whole figures, and never nothing. */
export function figures(from: number, to: number): string {
  const [a, b] = [Math.max(1, Math.round(from)), Math.max(1, Math.round(to))];
  return a === b ? String(a) : `${a} to ${b}`;
}

/** What lengths are worked out at: "at 24 sts to 10 cm", "at 5 mm a stitch, as a 3 mm hook and this yarn make it". */
export function gaugeWords({ gauge, hook }: DrawnAt): string {
  if (gauge.from === 'text' || gauge.from === 'set') return `at ${Number((100 / gauge.width).toFixed(1))} sts to 10 cm`;
  const width = `at ${Number(gauge.width.toFixed(1))} mm a stitch`;
  return gauge.from === 'usual' ? `${width}, which is usual` : `${width}, as a ${hook} mm hook and this yarn make it`;
}
