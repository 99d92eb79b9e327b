/**
 * Leaves out one thing that the reader knows at a time, a way of writing or a word, and counts the rounds that are lost: what
 * it does not know it has to work out.
 *   npm run forget -- [FOLDER …]
 */
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { checkText } from '../src/core/index.js';
import { FORMS } from '../src/core/reading/forms/index.js';

interface Text {
  readonly file: string;
  readonly text: string;
}

export interface Forgotten {
  readonly what: string;
  /** Rounds that come out with it and don't without, of so many in the texts that hold it. */
  readonly lost: number;
  readonly of: number;
}

/** Words that patterns are full of; each is replaced by one that means nothing. */
export const WORDS: readonly string[] = [
  'around',
  'each',
  'times',
  'inc',
  'dec',
  'next',
  'repeat',
  'join',
  'turn',
  'stitches',
  'together',
  'ring',
  'increase',
  'decrease',
  'skip',
  'last',
];

export function textsOf(folders: readonly string[]): Text[] {
  return folders.flatMap((folder) =>
    readdirSync(folder)
      .filter((file) => file.endsWith('.txt') && !/\.u[sk]\.txt$/.test(file))
      .sort()
      .map((file) => ({ file, text: readFileSync(path.join(folder, file), 'utf8') })),
  );
}

/** How many rounds of a text agree with what they state. */
function agreeing({ text, file }: Text): number {
  return checkText(text, file).parts.reduce(
    (sum, { rounds }) => sum + rounds.filter(({ verdict }) => verdict === 'agrees').length,
    0,
  );
}

/** The rounds that are lost without a way of writing, by its name. */
export function withoutForm(name: string, texts: readonly Text[]): Forgotten {
  const form = FORMS.find((one) => one.name === name) as { read: (typeof FORMS)[number]['read'] } | undefined;
  if (!form) throw new Error(`There is no form "${name}".`);
  const before = texts.map(agreeing);
  const { read } = form;
  form.read = () => null;
  try {
    const after = texts.map(agreeing);
    return lostBetween(`form ${name}`, before, after);
  } finally {
    form.read = read;
  }
}

/** The rounds that are lost where a word is one that nobody knows, in the texts that hold it. */
export function withoutWord(word: string, texts: readonly Text[]): Forgotten {
  const pattern = new RegExp(`(?<!\\p{L})${word}(?!\\p{L})`, 'giu');
  const holding = texts.filter(({ text }) => text.search(pattern) >= 0);
  const before = holding.map(agreeing);
  const after = holding.map(({ text, file }) => agreeing({ text: text.replace(pattern, nonsense(word)), file }));
  return lostBetween(`word "${word}"`, before, after);
}

/** A word of the same length that means nothing. */
function nonsense(word: string): string {
  return Array.from(word, (_, i) => 'bo'.charAt(i % 2)).join('') + 'q';
}

function lostBetween(what: string, before: readonly number[], after: readonly number[]): Forgotten {
  const lost = before.reduce((sum, count, i) => sum + Math.max(0, count - (after[i] ?? 0)), 0);
  return { what, lost, of: before.reduce((sum, count) => sum + count, 0) };
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const folders = process.argv.slice(2);
  const texts = textsOf(folders.length > 0 ? folders : ['corpus', 'corpus/odd']);
  const told = ({ what, lost, of }: Forgotten) =>
    console.log(
      `${what.padEnd(24)} ${String(lost).padStart(5)} of ${of}  ${((100 * lost) / Math.max(1, of)).toFixed(1)} %`,
    );
  for (const { name } of FORMS) told(withoutForm(name, texts));
  for (const word of WORDS) told(withoutWord(word, texts));
}
