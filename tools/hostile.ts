/** Texts that nobody prepared the reader for, and what must hold of it on any of them. */
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import fc from 'fast-check';
import { accountSchema, checkPattern, reportSchema } from '../src/core/index.js';

const PIECES = [
  'Rnd 3: ',
  'R4. ',
  '5) ',
  'Round five – ',
  '(',
  ')',
  '[',
  ']',
  '*',
  'x 6',
  ' 6 times',
  'sc',
  'inc',
  'dec',
  '2 ',
  '18',
  ' = ',
  ' – ',
  'MR',
  'ch 3',
  ', ',
  '. ',
  '\n',
  '\n\n',
  'rep from *',
  ' around',
  'in next st',
  'to last 2 sts',
  'until closed',
  'HEAD\n',
  '# Body (make 2)\n',
  '| ',
  '**',
  '\u00a0',
  'ß',
  '\u202e',
  '\ud83e',
  '\0',
  'loops of Rnd 2',
  'X',
  'V',
  'repeat Rnds 2-5 twice',
  'constructor',
  '__proto__',
  ' = toString',
];

/** Lines as people write them, to be spoilt. */
const LINES = ['demo', 'corpus'].flatMap((folder) =>
  readdirSync(folder)
    .filter((file) => file.endsWith('.txt'))
    .sort()
    .flatMap((file) => readFileSync(path.join(folder, file), 'utf8').split('\n')),
);

type Spoil = (text: string, at: number, other: string) => string;

const SPOILS: readonly Spoil[] = [
  (text) => text,
  (text, at) => text.slice(0, at),
  (text, at) => text.slice(0, at) + text.slice(at + 1),
  (text, at) => `${text}\n${text.slice(at)}`,
  (text, at, other) => text.slice(0, at) + other + text.slice(at),
  (text, at) => text.slice(at) + text.slice(0, at),
  (text) => text.replace(/[()[\]*]/g, ''),
  (text) => text.replace(/\d+/g, (figure) => `${figure}${figure}`),
  (text) => text.toUpperCase(),
];

const spoiltLine = fc
  .tuple(fc.constantFrom(...LINES), fc.constantFrom(...SPOILS), fc.nat({ max: 120 }), fc.constantFrom(...PIECES))
  .map(([line, spoil, at, other]) => spoil(line, Math.min(at, line.length), other));

/** Random characters, pieces of notation in any order, and lines of real patterns cut, doubled and garbled. */
export const hostileText: fc.Arbitrary<string> = fc.oneof(
  { weight: 1, arbitrary: fc.string({ unit: 'binary', maxLength: 300 }) },
  { weight: 2, arbitrary: fc.array(fc.constantFrom(...PIECES), { maxLength: 60 }).map((pieces) => pieces.join('')) },
  { weight: 4, arbitrary: fc.array(spoiltLine, { maxLength: 12 }).map((lines) => lines.join('\n')) },
);

/** @throws where a check of the text gives anything but a valid report with its places inside the text. */
export function bearsCheck(text: string): void {
  const { report, account } = checkPattern(text, 'x');
  reportSchema.parse(report);
  const lines = text.split(/\r\n|\r|\n/);
  const inside = (line: number, column: number) => line <= lines.length && column <= (lines[line - 1]?.length ?? 0) + 2;
  for (const { line, column, endLine, endColumn } of report.findings) {
    if (!inside(line, column) || !inside(endLine, endColumn))
      throw new Error(`${line}:${column} lies outside the text`);
    if (endLine < line || (endLine === line && endColumn < column))
      throw new Error(`${line}:${column} ends before it begins`);
  }
  if (report.coverage.read > report.coverage.instructionLines) throw new Error('more was read than there is');
  report.parts
    .flatMap(({ rounds }) => rounds)
    .forEach((round, i) => {
      const told = accountSchema.parse(account(i));
      if (told.made !== round.made) throw new Error(`${round.label} makes ${round.made}, its account ${told.made}`);
      const { ladder } = told;
      if (ladder && !ladder.cut && ladder.stitches.length !== round.made)
        throw new Error(`${round.label} makes ${round.made}, its ladder ${ladder.stitches.length}`);
    });
}
