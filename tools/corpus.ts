/**
 * Scores the reader on a folder of NAME.txt + NAME.json pairs: how many rounds have the right count,
 * which planted faults are named, and what is said against clean lines.
 *   npm run corpus -- DIR
 */
import { scoreFolder } from './score.js';

const folder = process.argv[2];
if (!folder) {
  console.error('Name a folder of .txt and .json pairs: npm run corpus -- DIR');
  process.exit(2);
}
const sum = { rounds: 0, right: 0, countFaults: 0, named: 0, falseAlarms: 0 };
for (const { file, score } of scoreFolder(folder)) {
  console.log(
    `${file.padEnd(28)} rounds ${score.right}/${score.rounds}  faults ${score.named}/${score.countFaults}  false ${score.falseAlarms}`,
  );
  for (const note of score.notes) console.log(`    ${note}`);
  for (const key of ['rounds', 'right', 'countFaults', 'named', 'falseAlarms'] as const) sum[key] += score[key];
}
const share = sum.rounds > 0 ? ((100 * sum.right) / sum.rounds).toFixed(1) : '–';
console.log(
  `all: rounds ${sum.right}/${sum.rounds} (${share} %), count and notation faults ${sum.named}/${sum.countFaults}, false errors and warnings ${sum.falseAlarms}`,
);
