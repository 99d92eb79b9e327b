/**
 * What every pattern at hand is read as, in a form that shows in a diff what has changed.
 *   npm run golden            writes the readings anew
 *   npm run golden -- FILE    tells all that is known of one pattern, to be compared with what another state of the code tells
 */
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { instructionsRead, variedIn } from './instructions.js';
import { withSlips } from './slips.js';
import {
  overviewOf,
  checkPattern,
  convertTerms,
  courseOfText,
  editionOf,
  fixedReport,
  learnt,
  LEVELS,
  NO_SETTINGS,
  pictureOf,
  practice,
  SCHOOLS,
  styleOf,
  termsEvidence,
  turning,
  type Checked,
} from '../src/core/index.js';
import { decide } from '../src/core/deciding/decide.js';
import { slipsFor } from '../src/core/explaining/hook.js';
import { compareDrafts, shapeOfText } from '../src/core/onRequest.js';

/** The demo, patterns in unusual hands, in ordinary ones, and those that were read last. */
export const FOLDERS = ['demo', 'corpus/odd', 'corpus', 'corpus/aside'] as const;
const SIGNS = { agrees: '=', counted: '·', off: '≠', unreadable: '?', 'on-trust': '~' } as const;

/** So often each pattern is read once more with slips in it. */
const HURRIES = 2;

export const goldenFile = (folder: string): string => path.join('corpus', 'golden', `${folder.replace('/', '-')}.txt`);

/** Four letters that change with anything in a value; of its figures as many as any machine agrees on. */
function signOf(value: unknown): string {
  const told = JSON.stringify(value, (_, one: unknown) => (typeof one === 'number' ? Number(one.toPrecision(9)) : one));
  return createHash('sha256').update(told).digest('hex').slice(0, 4);
}

const DYES = ['#9c5b3c', '#d9b98c', '#5f7a61'];

/** A making that is set otherwise than in most texts: a coarse hook and yarn, and a toy of half a metre. */
const COARSE = { ...NO_SETTINGS, hook: 6, weight: 5, eyes: 18, ball: 200, target: 50 };

/** All that is told of a pattern besides its rounds and findings, by what it is. */
function toldOf(checked: Checked, text: string): Readonly<Record<string, unknown>> {
  return {
    report: fixedReport(checked),
    hand: checked.hand,
    overview: overviewOf(checked.counted),
    evidence: termsEvidence(text),
  };
}

/** What is made of a pattern: it is read several times over for that. */
function madeOf(checked: Checked, text: string): Readonly<Record<string, unknown>> {
  const other = checked.report.terms.detected === 'uk' ? 'us' : 'uk';
  return {
    conversion: convertTerms(text, { to: other, hooks: true, weights: true, spelling: true }),
    style: learnt(styleOf(text)),
  };
}

/** What else is made of a pattern that is read as most are: its shape, an edition, its course at the bench, the next draft. */
function drawnFrom(text: string): Readonly<Record<string, unknown>> {
  const shape = shapeOfText(text);
  return {
    shape: [shape, pictureOf(shape, DYES, (part) => part % 2 === 1), shapeOfText(text, COARSE)],
    edition: editionOf(text, { terms: 'auto', name: 'Sample' }),
    course: courseOfText(text, 'Sample'),
    compared: compareDrafts({ text }, { text: withSlips(text, 1) }),
  };
}

/** The words of the lines in which rounds begin, without their labels. */
function linesOf({ report }: Checked, text: string): string[] {
  const lines = text.split('\n');
  const rounds = report.parts.flatMap((part) => part.rounds);
  return rounds.map(({ line, column, label }) => (lines[line - 1] ?? '').slice(column - 1 + label.length));
}

/** How each round is explained, and what a count that is one too few on the hook may come from. */
function accountsOf(checked: Checked, text: string): readonly unknown[] {
  const counted = decide(text, { terms: 'auto' });
  const made = checked.report.parts.flatMap(({ rounds }) => rounds.map((round) => round.made));
  return counted.rounds.map((round, i) => {
    const makes = made[i] ?? null;
    return [checked.account(i), makes === null ? [] : slipsFor(counted, round, makes - 1)];
  });
}

/**
 * The rounds and findings of a pattern, one a line, and, where it is asked for as a `whole`, signs of how each round is
 * explained and of all else that is told of it and made of it.
 */
function readingOf(text: string, file: string, whole: boolean, drawn: boolean): string {
  const checked = checkPattern(text, file);
  const { terms, parts, findings } = checked.report;
  const accounts = whole ? accountsOf(checked, text) : [];
  let number = 0;
  return [
    `terms ${terms.declared ?? '–'} ${terms.detected}`,
    ...parts.flatMap(({ name, make, rounds }) => [
      `${name}${make > 1 ? ` × ${make}` : ''}`,
      ...rounds.map(({ label, line, into, edge, made, stated, verdict, doubt }) => {
        const doubted = doubt === 'none' ? '' : ` ${doubt}`;
        const sign = whole ? ` #${signOf(accounts[number++])}` : '';
        return `  ${line} ${label.slice(0, 30)}: ${into ?? '–'}/${edge ?? '–'} → ${made ?? '–'} ${SIGNS[verdict]} ${stated ?? '–'}${doubted}${sign}`;
      }),
    ]),
    ...findings.map(({ line, column, rule, severity }) => `! ${line}:${column} ${severity} ${rule}`),
    ...(whole
      ? [
          Object.entries({
            ...toldOf(checked, text),
            ...madeOf(checked, text),
            ...(drawn ? drawnFrom(text) : {}),
            ...variedIn(linesOf(checked, text)),
          })
            .map(([what, told]) => `${what} #${signOf(told)}`)
            .join(' '),
        ]
      : []),
  ].join('\n');
}

/** What becomes of a pattern that is typed off in a hurry: the verdicts of its rounds, and a sign of all that is told of it. */
function hurriedOf(text: string, file: string, seed: number): string {
  const slipped = withSlips(text, seed);
  const checked = checkPattern(slipped, file);
  const rounds = checked.report.parts.flatMap(({ rounds }) => rounds);
  const signs = rounds.map(({ verdict }) => SIGNS[verdict]).join('');
  const accounts = accountsOf(checked, slipped);
  return `${seed}: ${signs} ${checked.report.findings.length} #${signOf([toldOf(checked, slipped), accounts])}`;
}

/** The readings of a folder as they are now, by file. */
export function readingsIn(folder: string): Map<string, string> {
  const files = readdirSync(folder)
    .filter((file) => file.endsWith('.txt'))
    .sort();
  const whole = folder !== 'corpus/aside';
  const drawn = folder === 'demo' || folder === 'corpus';
  return new Map(
    files.map((file) => {
      const text = readFileSync(path.join(folder, file), 'utf8');
      const hurried = Array.from({ length: whole ? HURRIES : 0 }, (_, i) => hurriedOf(text, file, i + 1));
      return [file, [readingOf(text, file, whole, drawn), ...hurried].join('\n')];
    }),
  );
}

/** The readings of a folder as they were kept. */
export function keptReadings(folder: string): Map<string, string> {
  const kept = readFileSync(goldenFile(folder), 'utf8').split(/^== /m).slice(1);
  return new Map(kept.map((one) => [one.slice(0, one.indexOf('\n')), one.slice(one.indexOf('\n') + 1).trimEnd()]));
}

export const PRACTICE = path.join('corpus', 'golden', 'practice.txt');
const PRACTICES = 5;

/** What is given to practise on by chance: of each level and way of writing some, in both vocabularies. */
export function practiceNow(): string {
  const lines = LEVELS.flatMap((level) =>
    SCHOOLS.flatMap((school) =>
      Array.from({ length: PRACTICES }, (_, i) => {
        const wanted = { level, school, terms: i % 2 === 0 ? 'us' : 'uk', seed: i + 1 } as const;
        return `${level} ${school} ${wanted.terms} ${wanted.seed} #${signOf(practice(wanted))} #${signOf(turning(wanted))}`;
      }),
    ),
  );
  return `${lines.join('\n')}\n`;
}

export const INSTRUCTIONS = path.join('corpus', 'golden', 'instructions.txt');

/** What the examples of the forms are read as now. */
export const instructionsNow = (): string => instructionsRead(signOf);

/** All that is told of a pattern, as it is. */
function wholeOf(file: string): string {
  const text = readFileSync(file, 'utf8');
  const checked = checkPattern(text, path.basename(file));
  return JSON.stringify(
    {
      ...toldOf(checked, text),
      ...madeOf(checked, text),
      ...drawnFrom(text),
      accounts: accountsOf(checked, text),
    },
    null,
    2,
  );
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const [file] = process.argv.slice(2);
  if (file !== undefined) console.log(wholeOf(file));
  else {
    writeFileSync(INSTRUCTIONS, instructionsNow());
    writeFileSync(PRACTICE, practiceNow());
    for (const folder of FOLDERS) {
      const readings = [...readingsIn(folder)].map(([name, reading]) => `== ${name}\n${reading}\n`);
      writeFileSync(goldenFile(folder), readings.join('\n'));
      console.log(`${goldenFile(folder)}: ${readings.length} patterns`);
    }
  }
}
