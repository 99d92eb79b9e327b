/**
 * Misspells one word of an instruction at a time, at random, and looks what becomes of the rounds: one that is taken for
 * something else, with no word about it, is silently wrong.
 *   npm run spoil -- [CASES] [SEED] [SHOWN] [FOLDER …]
 */
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import fc from 'fast-check';
import { checkPattern, type Report } from '../src/core/index.js';
import { decide } from '../src/core/deciding/decide.js';

export interface Spoilt {
  readonly file: string;
  readonly before: string;
  readonly after: string;
  /** Rounds whose figures are others than before, and whose line nothing grave is said of. */
  readonly silent: readonly string[];
}

const MARKED = /^(?:count|notation|frame)\//;

interface Word {
  readonly file: string;
  readonly text: string;
  readonly from: number;
  readonly word: string;
}

/** The words of the rounds that agree, of patterns in which nothing is off. */
function wordsIn(folders: readonly string[]): Word[] {
  return folders.flatMap((folder) =>
    readdirSync(folder)
      .filter((file) => file.endsWith('.txt') && !/\.u[sk]\.txt$/.test(file))
      .sort()
      .flatMap((file) => {
        const text = readFileSync(path.join(folder, file), 'utf8');
        return decide(text)
          .rounds.filter(({ verdict }) => verdict === 'agrees')
          .flatMap(({ round }) =>
            [...text.slice(round.bodyFrom, round.span.to).matchAll(/\p{L}{2,}/gu)].map(({ 0: word, index }) => ({
              file,
              text,
              from: round.bodyFrom + index,
              word,
            })),
          );
      }),
  );
}

/** One letter is lost, doubled, changed or moved. */
function misspelt(word: string, how: number, at: number): string {
  const i = at % word.length;
  const [before, letter, after] = [word.slice(0, i), word.charAt(i), word.slice(i + 1)];
  switch (how % 4) {
    case 0:
      return before + after;
    case 1:
      return before + letter + letter + after;
    case 2:
      return before + (letter === 'q' ? 'w' : 'q') + after;
    default:
      return before + after.charAt(0) + letter + after.slice(1);
  }
}

/** Misspells words at random, the same ones for the same seed. */
export function spoil(cases: number, seed: number, folders = ['demo', 'corpus', 'corpus/odd']): Spoilt[] {
  const words = wordsIn(folders);
  const reports = new Map<string, Report>();
  const one = fc.record({ word: fc.constantFrom(...words), how: fc.nat(), at: fc.nat() });
  return fc.sample(one, { numRuns: cases, seed }).map(({ word: { file, text, from, word }, how, at }) => {
    const after = misspelt(word, how, at);
    const before = reports.get(text) ?? checkPattern(text, file).report;
    reports.set(text, before);
    const spoilt = text.slice(0, from) + after + text.slice(from + word.length);
    return { file, before: word, after, silent: silentIn(before, checkPattern(spoilt, file).report) };
  });
}

function silentIn(before: Report, after: Report): string[] {
  const graveLines = after.findings
    .filter(({ rule, severity }) => severity !== 'hint' && MARKED.test(rule))
    .flatMap(({ line, endLine }) => [line, endLine]);
  const were = new Map(
    before.parts.flatMap(({ rounds }) => rounds.map((round) => [`${round.line}:${round.from}`, round] as const)),
  );
  return after.parts.flatMap(({ rounds }) =>
    rounds.flatMap((round) => {
      const was = were.get(`${round.line}:${round.from}`);
      const same = !was || (round.made === was.made && round.into === was.into);
      const told = graveLines.some((line) => line >= round.line && line <= round.endLine);
      return same || told || round.made === null ? [] : [`line ${round.line}: ${round.made} for ${was.made}`];
    }),
  );
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const [cases, seed, shown] = [
    Number(process.argv[2] ?? 1000),
    Number(process.argv[3] ?? 1),
    Number(process.argv[4] ?? 10),
  ];
  const folders = process.argv.slice(5);
  const spoilt = folders.length > 0 ? spoil(cases, seed, folders) : spoil(cases, seed);
  const silent = spoilt.filter((one) => one.silent.length > 0);
  console.log(`${silent.length} of ${cases} misspelt words make a round silently wrong`);
  for (const { file, before, after, silent: lines } of silent.slice(0, shown))
    console.log(`    ${file}  ${before} → ${after}  ${lines.join('; ')}`);
}
