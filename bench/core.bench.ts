/**
 * How long reading, counting and checking take, as best and median of many runs, warm unless it is said, on text in which nothing
 * stands twice; beside general readers of text on the same text in the same run.   npm run bench [-- --write, into docs/speed.md]
 */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import v8 from 'node:v8';
import { runInNewContext } from 'node:vm';
import {
  checkPattern,
  checkText,
  convertTerms,
  fixedReport,
  inStyle,
  learnt,
  Memory,
  searchIn,
  styleOf,
  type Checked,
} from '../src/core/index.js';
import { compareTexts, shapeOfText } from '../src/core/onRequest.js';
import { machine, processOf, ratios, tableOf, takenOf, times, writeSection, type Row, type Taken } from './measure.js';
import { demoText, longRound, odd, piece, withFaults } from './texts.js';
import { variedText } from './varied.js';

const rows: Row[] = [];
const DOSTIK = path.resolve('dist/dostik.cjs');

function warm(
  what: string,
  aim: number | null,
  work: () => void,
  runs: number,
  besides?: (taken: Taken) => string,
): void {
  times(work, Math.max(5, runs / 2));
  const taken = times(work, runs);
  rows.push({ what, taken, aim, ...(besides ? { besides: besides(taken) } : {}) });
}

// From scratch.
for (const [lines, runs, aim] of [
  [300, 100, 8],
  [3000, 20, null],
  [10_000, 10, 200],
] as const) {
  const text = variedText(lines);
  warm(
    `check of ${lines} different lines`,
    aim,
    () => void checkText(text, ''),
    runs,
    (taken) => ratios(text, taken, runs / 5),
  );
}
for (const [lines, runs] of [
  [300, 60],
  [3000, 16],
] as const) {
  // A figure in the middle is typed again and again: nearly all has been read before, and nothing is the same text.
  const before = variedText(lines).split('\n');
  const at = before.findIndex((line, i) => i > lines / 2 && /\d\D*$/.test(line));
  const memory = new Memory();
  let key = 0;
  warm(
    `a key in ${lines} different lines`,
    null,
    () => {
      key += 1;
      const text = before.with(at, (before[at] ?? '').replace(/\d+(?=\D*$)/, String(key))).join('\n');
      checkPattern(text, '', { terms: 'auto', memory });
    },
    runs,
  );
}
const again = demoText(300);
warm('check of 300 lines of the demo patterns', 8, () => void checkText(again, ''), 100);
const style = learnt(styleOf(variedText(40)));
const styled = variedText(300);
warm(
  'the same with a house style, 300 different lines',
  null,
  () => void checkPattern(styled, '', { terms: 'auto', style }),
  40,
);
const hands = odd.map((text) => times(() => void checkText(text, ''), 12));
rows.push({
  what: `${odd.length} patterns in unusual hands, the slowest`,
  taken: hands.reduce((most, hand) => (hand.best > most.best ? hand : most)),
  aim: null,
  besides: `all: ${hands.reduce((sum, { best }) => sum + best, 0).toFixed(0)} ms for ${odd.reduce((sum, text) => sum + text.split('\n').length, 0)} lines`,
});

// Fixes.
const faulty = withFaults(variedText(300), 100);
const errors = checkText(faulty, '').findings.filter(({ severity }) => severity === 'error').length;
let checked: Checked = checkPattern(faulty, '');
rows.push({
  what: `search for fixes of ${errors} errors in 300 lines`,
  taken: times(
    () => void fixedReport(checked),
    15,
    () => (checked = checkPattern(faulty, '')),
  ),
  aim: 150,
});
for (const steps of [80, 160]) {
  const pieces: number[] = [];
  for (let run = 0; run < 10; run += 1) {
    let start = performance.now();
    for (const _ of searchIn(checkPattern(longRound(steps), ''), 0)) {
      pieces.push(performance.now() - start);
      start = performance.now();
    }
  }
  rows.push({
    what: `a piece of the search in one faulty round of ${steps} steps`,
    taken: takenOf(pieces),
    aim: 10,
    besides: `the longest of ${pieces.length}: ${Math.max(...pieces).toFixed(0)} ms; a key waits for one`,
  });
}

// What else is done with a text.
const long = `US terms\n${variedText(10_000)}`;
warm('conversion of 10,000 lines, read again', 300, () => void convertTerms(long, { to: 'uk', from: 'us' }), 6);
warm('300 lines put in house style', null, () => void inStyle(styled, style), 15);
const earlier = `US terms\n${variedText(300)}`;
const later = convertTerms(earlier, { to: 'uk', from: 'us' }).text.split('\n\n').reverse().join('\n\n');
warm(
  'comparison of two drafts of 300 lines, both read',
  null,
  () => void compareTexts({ text: earlier }, { text: later }),
  20,
);
const sixty = Array.from(
  { length: 10 },
  (_, run) =>
    `US terms\nDK cotton in Moss, 3 mm hook\n\n${Array.from({ length: 60 }, (__, i) => piece(i, run)).join('\n')}`,
);
rows.push({
  what: 'shapes of 60 parts, seen for the first time',
  taken: takenOf(sixty.map((one) => times(() => void shapeOfText(one), 1).best).slice(2)),
  aim: 100,
});

// In processes of their own, from start to end.
const folder = mkdtempSync(path.join(tmpdir(), 'dostik-bench-'));
const bare = processOf(['-e', '0'], 9);
rows.push({ what: 'a bare Node', taken: bare, aim: null });
rows.push({
  what: '`dostik check` of one pattern of the demo',
  taken: processOf([DOSTIK, 'check', 'demo/puffin.txt'], 9),
  aim: Math.round(bare.median * 1.8),
  besides: 'the aim is 1.8 times a bare Node',
});
const all = variedText(100_000).split('\n');
const files = Array.from({ length: 1000 }, (_, i) => {
  const file = path.join(folder, `${i}.txt`);
  writeFileSync(file, `US terms\n${all.slice(i * 100, (i + 1) * 100).join('\n')}\n`);
  return file;
});
rows.push({
  what: '`dostik check` of 1,000 patterns of 100 lines',
  taken: processOf([DOSTIK, 'check', ...files], 2),
  aim: 6000,
});
rmSync(folder, { recursive: true });

// What stays in memory, without what nobody holds any more.
v8.setFlagsFromString('--expose-gc');
const collect = runInNewContext('gc') as () => void;
function heldAfter(work: (i: number) => void): number {
  // The first fill what is kept on purpose.
  for (let i = 0; i < 2000; i += 1) work(i);
  collect();
  const before = process.memoryUsage().heapUsed;
  for (let i = 2000; i < 4000; i += 1) work(i);
  collect();
  return (process.memoryUsage().heapUsed - before) / 1e6;
}
const fresh = heldAfter((i) => void checkText(piece(i, i % 50), ''));
const memory = new Memory();
const typedIn = variedText(100).split('\n');
const typed = heldAfter((i) => {
  // Other words in another line each time, and in the words that the text tells of.
  const text = typedIn.with(i % typedIn.length, `Rnd ${i}: sc ${i}, inc, hdc ${i + 1} (${2 * i + 3})`).join('\n');
  checkPattern(`US terms\nw${i} = sc ${i % 9} in one stitch\n${text}`, '', { terms: 'auto', memory });
});
const signed = (megabytes: number) => `${megabytes > 0 ? '+' : ''}${megabytes.toFixed(1)} MB`;

const page = `Made by \`npm run bench -- --write\`, on a quiet machine. Warm, unless a process is started for it; each text in other words from
line to line. Beside it, in the same run: one bare pass of an expression over the words, and two general readers of text.

${tableOf(rows)}

Held after 2,000 checks more than after 2,000: ${signed(fresh)}; where what was read is kept, with other words each time:
${signed(typed)}. Measured on ${machine()}.`;
console.log(page);
if (process.argv.includes('--write')) await writeSection('docs/speed.md', 'Core and terminal', page);
