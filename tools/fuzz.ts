/**
 * Checks very many hostile texts, then pieces of the patterns at hand said over and over; ends with 1, and what fails,
 * where anything does.
 *   npm run fuzz -- [CASES] [SEED] [PIECES]
 */
import fc from 'fast-check';
import { pieces, steepIn } from './growth.js';
import { bearsCheck, hostileText } from './hostile.js';

/** A text of a few hundred characters that takes longer than this hangs; milliseconds. */
const HANG = 500;
const cases = Number(process.argv[2] ?? 100_000);
const seed = Number(process.argv[3] ?? Date.now() % 1e9);
function timed(text: string): number {
  const before = performance.now();
  bearsCheck(text);
  return performance.now() - before;
}

let slowest = 0;
const start = performance.now();
const details = fc.check(
  fc.property(hostileText, (text) => {
    // A busy machine may stall once; what hangs does so again.
    let took = timed(text);
    if (took > HANG) took = timed(text);
    slowest = Math.max(slowest, took);
    if (took > HANG) throw new Error(`took ${took.toFixed(0)} ms`);
  }),
  { numRuns: cases, seed },
);
if (details.failed) {
  console.error(fc.defaultReportMessage(details));
  console.error(details.errorInstance);
  process.exit(1);
}
const seconds = (performance.now() - start) / 1000;
console.log(`${cases} texts, seed ${seed}: none failed; ${seconds.toFixed(0)} s, the slowest ${slowest.toFixed(0)} ms`);

const all = pieces();
const few = Math.min(all.length, Number(process.argv[4] ?? 250));
const chosen = fc.sample(fc.constantFrom(...all), { numRuns: few, seed });
const steep = chosen.flatMap((piece) => {
  const found = steepIn(piece);
  for (const what of found) console.error(what);
  return found;
});
console.log(`${few} of ${all.length} pieces, seed ${seed}: ${steep.length} times the work grows too fast`);
process.exitCode = steep.length > 0 ? 1 : 0;
