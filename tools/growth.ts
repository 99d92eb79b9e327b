/** How the work on a text grows when a piece of it is said over and over: it has to grow as the text does. */
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import {
  checkPattern,
  convertTerms,
  fixedReport,
  inStyle,
  markedLines,
  styleOf,
  styleTraits,
} from '../src/core/index.js';

/** Growth of the time at twice the length that is not allowed; 2 is linear. */
export const STEEP = 2.6;
/** Sizes begin here, are doubled at least to the second, and on to the third while it goes quickly. */
const [FIRST, WANTED, LAST] = [10, 80, 1280];
/** Times below the first say nothing of growth; no text with WANTED repeats may take longer than the second; milliseconds. */
const [TELLING, HANG] = [80, 1500];
/** Longer texts are a matter of their own. */
const LONGEST = 120_000;

const SOME_STYLE = Object.fromEntries(styleTraits().map(({ id, ways }) => [id, ways.at(-1)?.way ?? ''])) as Parameters<
  typeof inStyle
>[1];

/** Everything that is done with a text, by name. */
export const JOBS: Readonly<Record<string, (text: string) => unknown>> = {
  check: (text) => checkPattern(text, 'x'),
  fixes: (text) => fixedReport(checkPattern(text, 'x')),
  'to UK': (text) => convertTerms(text, { to: 'uk', from: 'us' }),
  'to US': (text) => convertTerms(text, { to: 'us', from: 'uk' }),
  style: (text) => [styleOf(text), inStyle(text, SOME_STYLE)],
  print: (text) => markedLines(text, checkPattern(text, 'x').report),
};

const START = 'BALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n';

/** The places in which a piece is said `times` times. */
export const PLACES: Readonly<Record<string, (piece: string, times: number) => string>> = {
  'one round': (piece, times) => `${START}Rnd 3: ${again(piece, times, ', ')} (18)\nRnd 4: sc around (18)\n`,
  'one line': (piece, times) => `${START}${again(piece, times, ' ')}\n`,
  rounds: (piece, times) =>
    START + Array.from({ length: times }, (_, i) => `Rnd ${i + 3}: ${piece} (${12 + ((i * 7) % 97)})`).join('\n'),
  list: (piece, times) => `Materials\n${again(`- ${piece}`, times, '\n')}\n\n${START}`,
  'a cell': (piece, times) =>
    `| Rnd | Work | Count |\n|---|---|---|\n| 1 | 6 sc in MR | 6 |\n| 2 | ${again(piece, times, ' ')} | 12 |\n`,
};

function again(piece: string, times: number, between: string): string {
  return Array.from({ length: times }, () => piece).join(between);
}

/** Words and signs, phrases between commas, and whole lines of the patterns at hand; each once, the same order each time. */
export function pieces(): string[] {
  const lines = ['demo', 'corpus', 'corpus/aside'].flatMap((folder) =>
    readdirSync(folder)
      .filter((file) => file.endsWith('.txt'))
      .sort()
      .flatMap((file) => readFileSync(path.join(folder, file), 'utf8').split('\n')),
  );
  const found = new Set<string>();
  for (const line of lines) {
    const words = line.trim();
    if (words.length === 0 || words.length > 300) continue;
    found.add(words.replace(/^\S+\s?\d+\S*\s+/, ''));
    for (const phrase of words.split(/[,;:]\s*/)) found.add(phrase);
    for (const [token] of words.matchAll(/\d+|\p{L}+|[^\s\d\p{L}]+/gu)) found.add(token);
  }
  found.delete('');
  return [...found];
}

/** Everything that grows too fast with a piece, in any place and with any work. */
export function steepIn(piece: string): string[] {
  return Object.entries(PLACES).flatMap(([place, write]) =>
    Object.entries(JOBS).flatMap(([job, work]) => {
      const what = steepness((times) => write(piece, times), work);
      return what === null ? [] : [`${job}, ${place}, ${JSON.stringify(piece)}: ${what}`];
    }),
  );
}

/** How the time of some work grows too fast with the times that something is said; null where it does not. */
function steepness(write: (times: number) => string, work: (text: string) => unknown): string | null {
  let before = Infinity;
  for (let times = FIRST; times <= LAST; times *= 2) {
    const text = write(times);
    if (text.length > LONGEST) return null;
    const took = timeOf(() => work(text), 1);
    if (times <= WANTED && took > HANG) return `${times} times take ${took.toFixed(0)} ms`;
    if (took > TELLING && took > before * STEEP) {
      const steep = confirmed(
        () => work(write(times / 2)),
        () => work(text),
      );
      if (steep) return `from ${times / 2} to ${times} times: ${steep}`;
    }
    before = took;
    if (times >= WANTED && took > 250) return null;
  }
  return null;
}

/** A busy machine stalls now and then; what grows does so each time. */
const LOOKS = 4;

/** What the longer work takes against the shorter, where it is too much each time that one looks; null otherwise. */
function confirmed(shorter: () => unknown, longer: () => unknown): string | null {
  let said = '';
  for (let look = 0; look < LOOKS; look += 1) {
    const slow = timeOf(shorter, 3);
    const slower = timeOf(longer, 3);
    if (slower <= TELLING || slower <= slow * STEEP) return null;
    said = `${slow.toFixed(1)} to ${slower.toFixed(1)} ms, ${(slower / slow).toFixed(1)} times as long`;
  }
  return said;
}

/** The shortest of some runs, in milliseconds. */
function timeOf(work: () => unknown, runs: number): number {
  let best = Infinity;
  for (let run = 0; run < runs; run += 1) {
    const start = performance.now();
    work();
    best = Math.min(best, performance.now() - start);
  }
  return best;
}
