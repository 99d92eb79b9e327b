/**
 * How long a check takes: best and median of many runs, beside one bare pass of a word-splitting
 * regular expression over the same text in the same run.   npm run bench
 */
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { checkPattern, checkText, compareTexts, convertTerms, NO_SETTINGS } from '../src/core/index.js';
import { variedText } from './varied.js';

const demo = readdirSync('demo')
  .sort()
  .map((file) => readFileSync(path.join('demo', file), 'utf8'))
  .join('\n\n');

/** The demo patterns over and over, to a number of lines. */
function textOf(lines: number): string {
  const all = demo.split('\n');
  return Array.from({ length: lines }, (_, i) => all[i % all.length]).join('\n');
}

/** A text with so many of its stated counts off by one. */
function withFaults(text: string, faults: number): string {
  let left = faults;
  let seen = 0;
  return text.replace(/\((\d+)\)$/gm, (whole, count: string) => {
    seen += 1;
    if (left === 0 || seen % 6 !== 0) return whole;
    left -= 1;
    return `(${Number(count) + 1})`;
  });
}

function times(work: () => void, runs: number): { best: number; median: number } {
  const taken: number[] = [];
  for (let i = 0; i < runs; i += 1) {
    const start = performance.now();
    work();
    taken.push(performance.now() - start);
  }
  taken.sort((a, b) => a - b);
  return { best: taken[0] ?? 0, median: taken[Math.floor(runs / 2)] ?? 0 };
}

function words(text: string): number {
  let count = 0;
  for (const _ of text.matchAll(/[\p{L}\p{N}]+/gu)) count += 1;
  return count;
}

/** A part that grows, goes on and closes, each in another way. */
function piece(i: number, run: number): string {
  const most = 3 + (i % 6);
  const lines = [`PIECE ${String.fromCharCode(65 + (i % 26))}${i}`, 'Rnd 1: 6 sc in MR (6)', 'Rnd 2: inc x 6 (12)'];
  for (let n = 3; n <= most; n += 1) lines.push(`Rnd ${n}: (sc ${n - 2}, inc) x 6 (${6 * n})`);
  const straight = 4 + (i % 9) + run;
  lines.push(`Rnds ${most + 1}-${most + straight}: sc around (${6 * most})`, 'Stuff it.');
  for (let n = most - 1; n >= 2; n -= 1)
    lines.push(`Rnd ${2 * most + straight - n}: (sc ${n - 1}, dec) x 6 (${6 * n})`);
  lines.push(`Rnd ${2 * most + straight - 1}: dec x 6 (6)`, 'Fasten off.', '');
  return lines.join('\n');
}

console.log('text           lines      KB   best ms  median ms    MB/s   times a word pass   aim');
const odd = readdirSync('corpus/odd')
  .filter((file) => file.endsWith('.txt'))
  .map((file) => readFileSync(path.join('corpus/odd', file), 'utf8'));
for (const [name, text, runs, aim] of [
  ['demo, again', textOf(300), 200, 16],
  ['demo, again', textOf(1000), 60, null],
  ['demo, again', textOf(10_000), 15, 200],
  ['varied', variedText(300), 200, 16],
  ['varied', variedText(10_000), 15, 300],
] as const) {
  const lines = text.split('\n').length;
  // Warm, as it is after a minute of typing.
  times(() => void checkText(text, ''), Math.max(5, runs / 2));
  const check = times(() => void checkText(text, ''), runs);
  const pass = times(() => void words(text), runs);
  const kilobytes = text.length / 1000;
  console.log(
    [
      name.padEnd(13),
      String(lines).padStart(6),
      kilobytes.toFixed(0).padStart(7),
      check.best.toFixed(1).padStart(9),
      check.median.toFixed(1).padStart(10),
      (kilobytes / check.best).toFixed(2).padStart(7),
      (check.best / pass.best).toFixed(1).padStart(19),
      aim === null ? '' : `   under ${aim} ms: ${check.median < aim ? 'met' : 'NOT MET'}`,
    ].join(' '),
  );
}
const hands = odd.map((text) => {
  times(() => void checkText(text, ''), 10);
  return { lines: text.split('\n').length, best: times(() => void checkText(text, ''), 10).best };
});
const slowest = hands.reduce((most, hand) => (hand.best > most.best ? hand : most));
console.log(
  `${hands.length} patterns in unusual hands: ${hands.reduce((sum, { best }) => sum + best, 0).toFixed(0)} ms for ${hands.reduce((sum, { lines }) => sum + lines, 0)} lines; the slowest ${slowest.best.toFixed(0)} ms for ${slowest.lines}   each under 48 ms: ${slowest.best < 48 ? 'met' : 'NOT MET'}`,
);
const faulty = withFaults(textOf(300), 10);
const searched = checkPattern(faulty, '');
searched.fixed();
const fixing = times(() => void checkPattern(faulty, '').fixed(), 15);
const checking = times(() => void checkPattern(faulty, ''), 15);
console.log(
  `fixes of ${searched.report.findings.filter(({ severity }) => severity === 'error').length} errors in 300 lines: best ${(fixing.best - checking.best).toFixed(0)} ms, median ${(fixing.median - checking.median).toFixed(0)} ms   under 100 ms: ${fixing.median - checking.median < 100 ? 'met' : 'NOT MET'}`,
);
const long = `US terms\n${textOf(10_000)}`;
times(() => void convertTerms(long, { to: 'uk', from: 'us' }), 8);
const conversion = times(() => void convertTerms(long, { to: 'uk', from: 'us' }), 21);
console.log(
  `conversion of 10000 lines, read again: best ${conversion.best.toFixed(0)} ms, median ${conversion.median.toFixed(0)} ms   under 300 ms: ${conversion.median < 300 ? 'met' : 'NOT MET'}`,
);
// Every round in other words, and the last part first: nothing is the same to the letter.
const earlier = `US terms\n${variedText(300)}`;
const later = convertTerms(earlier, { to: 'uk', from: 'us' }).text.split('\n\n').reverse().join('\n\n');
const drafts = [{ text: earlier }, { text: later }] as const;
times(() => void compareTexts(...drafts), 10);
const both = times(() => void compareTexts(...drafts), 40);
const read = times(() => drafts.forEach(({ text }) => void checkText(text, '')), 40);
console.log(
  `comparison of two drafts of 300 lines: best ${(both.best - read.best).toFixed(0)} ms, median ${(both.median - read.median).toFixed(0)} ms beside reading them   under 50 ms: ${both.median - read.median < 50 ? 'met' : 'NOT MET'}`,
);
// Sixty different parts, and every time others: outlines that were found before are not sought again.
const sixty = Array.from({ length: 12 }, (_, run) =>
  checkPattern(
    `US terms\nDK cotton in Moss, 3 mm hook\n\n${Array.from({ length: 60 }, (_, i) => piece(i, run)).join('\n')}`,
    '',
  ),
);
const taken = sixty.map((one) => times(() => void one.shape(NO_SETTINGS), 1).best).slice(2);
const shaping = taken.sort((one, other) => one - other)[Math.floor(taken.length / 2)] ?? 0;
console.log(
  `shapes of 60 parts, ${sixty[0]?.report.parts.reduce((sum, { rounds }) => sum + rounds.length, 0) ?? 0} rounds, seen for the first time: best ${taken[0]?.toFixed(0) ?? ''} ms, median ${shaping.toFixed(0)} ms   under 100 ms: ${shaping < 100 ? 'met' : 'NOT MET'}`,
);
const used = process.memoryUsage().heapUsed / 1e6;
console.log(`heap in use at the end: ${used.toFixed(0)} MB`);
