/**
 * Plants one slip at a time in clean patterns (a number, a stitch, an increase for a decrease, a bracket) and
 * looks which line is named.
 *   npm run mutate -- [CASES] [SEED] [SHOWN] [FOLDER …]
 */
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import fc from 'fast-check';
import { checkText, type ReportRound } from '../src/core/index.js';
import { decide } from '../src/core/deciding/decide.js';
import { lineIndexAt, lineSpan } from '../src/core/text/source.js';

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
  /** The whole pattern with the slip in it, and as it was. */
  readonly text: string;
  readonly whole: string;
}

interface Slip {
  readonly kind: string;
  /** All places in some words where it can be made, each with the words that result. */
  readonly make: (words: string) => string[];
}

function replacing(pattern: RegExp, by: (found: string) => readonly string[]): (words: string) => string[] {
  return (words) =>
    [...words.matchAll(pattern)].flatMap(({ 0: found, index }) =>
      by(found).map((text) => words.slice(0, index) + text + words.slice(index + found.length)),
    );
}

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

/** A stretch of a line that is an instruction or its count: no label, whose numbers are no figures of it. */
interface Spot {
  readonly line: number;
  readonly from: number;
  readonly to: number;
}

/** Clean patterns by name, with what their rounds say. */
export function cleanPatterns(folders: readonly string[]): { file: string; text: string; spots: Spot[] }[] {
  return folders.flatMap((folder) =>
    readdirSync(folder)
      .filter((file) => file.endsWith('.txt') && !/\.u[sk]\.txt$/.test(file))
      .sort()
      .map((file) => ({ file, text: readFileSync(path.join(folder, file), 'utf8') }))
      .filter(({ text }) => namedLines(text).length === 0)
      .map(({ file, text }) => ({ file, text, spots: spotsIn(text) })),
  );
}

/** The words and counts of the rounds that agree, as far as they stand in one line. */
function spotsIn(text: string): Spot[] {
  const { pattern, rounds } = decide(text);
  return rounds.flatMap(({ round, verdict }) => {
    const line = lineIndexAt(pattern.source, round.span.from);
    const { from, to } = lineSpan(pattern.source, line);
    const stated = round.stated?.span;
    const stretches = [{ from: round.bodyFrom, to: round.span.to }, ...(stated ? [stated] : [])];
    const within = stretches.filter((one) => one.from >= from && one.to <= to);
    // One that holds the other stands for both.
    const apart = within.filter(
      (one) => !within.some((other) => other !== one && other.from <= one.from && one.to <= other.to),
    );
    return verdict === 'agrees' ? apart.map((one) => ({ line: line + 1, from: one.from, to: one.to })) : [];
  });
}

/** Plants slips at random, the same ones for the same seed. */
export function mutate(cases: number, seed: number, folders = ['demo', 'corpus', 'corpus/aside']): Planted[] {
  const spots = cleanPatterns(folders).flatMap(({ file, text, spots: all }) =>
    all.flatMap(({ line, from, to }) =>
      SLIPS.flatMap(({ kind, make }) =>
        make(text.slice(from, to)).map((after) => ({
          file,
          line,
          kind,
          from,
          before: text.slice(from, to),
          after,
          all: text,
        })),
      ),
    ),
  );
  return fc
    .sample(fc.constantFrom(...spots), { numRuns: cases, seed })
    .map(({ file, line, kind, from, before, after, all }) => {
      const text = all.slice(0, from) + after + all.slice(from + before.length);
      const named = namedLines(text);
      const fate: Fate =
        named.length === 0
          ? 'not noticed'
          : !named.includes(line)
            ? 'blamed another'
            : named.length === 1
              ? 'named'
              : 'and others';
      return { file, line, before, after, kind, fate, named, text, whole: all };
    });
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const cases = Number(process.argv[2] ?? 1000);
  const [seed, shown] = [Number(process.argv[3] ?? 1), Number(process.argv[4] ?? 8)];
  const folders = process.argv.slice(5);
  const groups =
    folders.length > 0 ? folders.map((folder) => [folder]) : [['demo', 'corpus', 'corpus/aside'], ['corpus/odd']];
  for (const group of groups) {
    console.log(group.join(', '));
    const planted = mutate(cases, seed, group);
    for (const fate of ['named', 'and others', 'blamed another', 'not noticed'] as const) {
      const some = planted.filter((one) => one.fate === fate);
      console.log(
        `${fate.padEnd(16)} ${String(some.length).padStart(6)}  ${((100 * some.length) / cases).toFixed(1)} %`,
      );
      if (fate === 'named') continue;
      for (const { file, line, before, after, named } of some.slice(0, shown))
        console.log(
          `    ${file}:${line}  ${before.trim()}  →  ${after.trim()}${named.length > 0 ? `  (named: ${named.join(', ')})` : ''}`,
        );
    }
  }
}
