/**
 * Plants one slip at a time in clean patterns (a number, a stitch, an increase for a decrease, a bracket) and
 * looks which line is named.
 *   npm run mutate -- [CASES] [SEED]
 */
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import fc from 'fast-check';
import { checkText, type ReportRound } from '../src/core/index.js';

/** What became of one planted slip. */
export type Fate =
  /** Only the line that was changed is named. */
  | 'named'
  /** The changed line is named, and others are too. */
  | 'and others'
  /** Another line is named, and the changed one is not. */
  | 'blamed another'
  | 'not noticed';

export interface Planted {
  readonly file: string;
  readonly line: number;
  readonly before: string;
  readonly after: string;
  readonly kind: string;
  readonly fate: Fate;
  readonly named: readonly number[];
  /** The whole pattern with the slip in it. */
  readonly text: string;
}

interface Slip {
  readonly kind: string;
  /** All places in a line where it can be made, each with the line that results. */
  readonly make: (line: string) => string[];
}

function replacing(pattern: RegExp, by: (found: string) => readonly string[]): (line: string) => string[] {
  return (line) => {
    const label = LABEL.exec(line)?.[0].length ?? 0;
    return [...line.matchAll(pattern)].flatMap(({ 0: found, index }) =>
      index < label ? [] : by(found).map((text) => line.slice(0, index) + text + line.slice(index + found.length)),
    );
  };
}

/** Numbers of rounds are no figures of the instruction. */
const LABEL = /^\W*(?:rnds?|rounds?|rds?|rows?|r)?\.?\s*\d+(?:\s*(?:[-–]|to|and)\s*\w*\d+)?\W/i;

const SLIPS: readonly Slip[] = [
  {
    kind: 'one more',
    make: replacing(/(?<![\d.])\d{1,3}(?![\d.]|\s*(?:mm|cm|g|tog))/g, (found) => [String(Number(found) + 1)]),
  },
  {
    kind: 'one less',
    make: replacing(/(?<![\d.])\d{1,3}(?![\d.]|\s*(?:mm|cm|g|tog))/g, (found) =>
      Number(found) > 1 ? [String(Number(found) - 1)] : [],
    ),
  },
  {
    kind: 'figures swapped',
    make: replacing(/(?<![\d.])[1-9][1-9](?![\d.])/g, ([a = '', b = '']) => (a === b ? [] : [b + a])),
  },
  {
    kind: 'increase for decrease',
    make: replacing(/(?<!\p{L})(?:inc|dec)(?!\p{L})/giu, (found) => [/^i/i.test(found) ? 'dec' : 'inc']),
  },
  { kind: 'bracket lost', make: replacing(/[([{](?=[^()[\]{}]*[a-zA-Z])|[)\]}]/g, () => ['']) },
];

/** The rounds that a report has something grave to say of, by their first line. */
function namedLines(text: string): number[] {
  const report = checkText(text, 'x');
  const rounds = report.parts.flatMap((part) => part.rounds);
  const grave = report.findings.filter(
    ({ rule, severity }) => severity === 'error' && /^(?:count|notation|frame|make)\//.test(rule),
  );
  const lineOf = (line: number) =>
    rounds.findLast((round: ReportRound) => round.line <= line && line <= round.endLine)?.line ?? line;
  return [...new Set(grave.map(({ line }) => lineOf(line)))].sort((a, b) => a - b);
}

/** Clean patterns by name, with the lines of their rounds. */
export function cleanPatterns(folders: readonly string[]): { file: string; lines: string[]; rounds: number[] }[] {
  return folders.flatMap((folder) =>
    readdirSync(folder)
      .filter((file) => file.endsWith('.txt'))
      .sort()
      .map((file) => ({ file, text: readFileSync(path.join(folder, file), 'utf8') }))
      .filter(({ text }) => namedLines(text).length === 0)
      .map(({ file, text }) => ({
        file,
        lines: text.split('\n'),
        rounds: checkText(text, file)
          .parts.flatMap((part) => part.rounds)
          .filter((round) => round.verdict === 'agrees' && round.line === round.endLine)
          .map((round) => round.line),
      })),
  );
}

/** Plants slips at random, the same ones for the same seed. */
export function mutate(cases: number, seed: number, folders = ['demo', 'corpus', 'corpus/aside']): Planted[] {
  const patterns = cleanPatterns(folders);
  const spots = patterns.flatMap(({ file, lines, rounds }) =>
    rounds.flatMap((line) =>
      SLIPS.flatMap(({ kind, make }) =>
        make(lines[line - 1] ?? '').map((after) => ({ file, lines, line, kind, after })),
      ),
    ),
  );
  return fc.sample(fc.constantFrom(...spots), { numRuns: cases, seed }).map(({ file, lines, line, kind, after }) => {
    const text = lines.map((other, i) => (i === line - 1 ? after : other)).join('\n');
    const named = namedLines(text);
    const fate: Fate =
      named.length === 0
        ? 'not noticed'
        : !named.includes(line)
          ? 'blamed another'
          : named.length === 1
            ? 'named'
            : 'and others';
    return { file, line, before: lines[line - 1] ?? '', after, kind, fate, named, text };
  });
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const cases = Number(process.argv[2] ?? 1000);
  const planted = mutate(cases, Number(process.argv[3] ?? 1));
  for (const fate of ['named', 'and others', 'blamed another', 'not noticed'] as const) {
    const some = planted.filter((one) => one.fate === fate);
    console.log(`${fate.padEnd(16)} ${String(some.length).padStart(6)}  ${((100 * some.length) / cases).toFixed(1)} %`);
    if (fate === 'named') continue;
    for (const { file, line, before, after, named } of some.slice(0, Number(process.argv[4] ?? 8)))
      console.log(
        `    ${file}:${line}  ${before.trim()}  →  ${after.trim()}${named.length > 0 ? `  (named: ${named.join(', ')})` : ''}`,
      );
  }
}
