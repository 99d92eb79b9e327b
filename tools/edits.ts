/**
 * Writes on in patterns as people do, at random, one change after the other: what is found with what was read before has to be
 * what is found from scratch.
 *   npm run edits -- [EDITS] [SEED]
 */
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { overviewOf, checkPattern, fixedReport, Memory, type Checked } from '../src/core/index.js';
import { chances } from '../src/core/training/chances.js';

const texts = ['demo', 'corpus', 'corpus/odd'].flatMap((folder) =>
  readdirSync(folder)
    .filter((file) => file.endsWith('.txt'))
    .sort()
    .map((file) => readFileSync(path.join(folder, file), 'utf8')),
);
const lines = texts.flatMap((text) => text.split('\n'));
const SIGNS = '0123456789 ,.()[]*:x–';
const WORDS = ['sc', ' inc', 'dec ', ' x 6', '\n', '(18)', 'Rnd 4: ', '# ', ' = ', ', turn'];
const TYPED = [...Array.from(SIGNS), ...WORDS];
/** Of a longer text only the beginning is written on in. */
const LONGEST = 3000;
/** So many changes are made in one text before the next. */
const CHANGES = 40;
/** What takes longer is asked now and then. */
const SELDOM = 25;

type Chance = () => number;

function oneOf<One>(all: readonly One[], chance: Chance): One {
  return all[Math.floor(chance() * all.length)] as One;
}

type Edit = (text: string, at: number, chance: Chance) => string;

const atLine = (text: string, at: number) => text.lastIndexOf('\n', at) + 1;
const lineEnd = (text: string, at: number) => {
  const end = text.indexOf('\n', at);
  return end < 0 ? text.length : end + 1;
};

const EDITS: readonly Edit[] = [
  (text, at, chance) => text.slice(0, at) + oneOf(TYPED, chance) + text.slice(at),
  (text, at, chance) => text.slice(0, at) + oneOf(TYPED, chance) + text.slice(at),
  (text, at) => text.slice(0, at) + text.slice(at + 1),
  (text, at, chance) => text.slice(0, at) + text.slice(at + Math.floor(chance() * 60)),
  (text, at, chance) => {
    const figure = /\d+/.exec(text.slice(at));
    return figure ? text.slice(0, at) + text.slice(at).replace(/\d+/, String(1 + Math.floor(chance() * 60))) : text;
  },
  (text, at) => text.slice(0, atLine(text, at)) + text.slice(lineEnd(text, at)),
  (text, at) => {
    const end = lineEnd(text, at);
    return text.slice(0, end) + text.slice(atLine(text, at), end) + text.slice(end);
  },
  (text, at, chance) => `${text.slice(0, atLine(text, at))}${oneOf(lines, chance)}\n${text.slice(atLine(text, at))}`,
];

/** Everything that the Desk shows of a text. */
function shown({ report, hand, sentences, counted }: Checked): string {
  return JSON.stringify([report, hand, sentences(), overviewOf(counted)]);
}

/** A text of which something else is found with what was read before. */
export interface Difference {
  readonly before: string;
  readonly text: string;
  readonly remembered: string;
  readonly fromScratch: string;
}

/** Makes so many changes; null where nothing differs. */
export function differenceAfter(edits: number, seed: number): Difference | null {
  const chance = chances(seed);
  for (let made = 0; made < edits; made += CHANGES) {
    const memory = new Memory();
    let text = oneOf(texts, chance).slice(0, LONGEST);
    for (let i = 0; i < Math.min(CHANGES, edits - made); i += 1) {
      const before = text;
      text = oneOf(EDITS, chance)(text, Math.floor(chance() * text.length), chance);
      const remembered = checkPattern(text, '', { terms: 'auto', memory });
      const fromScratch = checkPattern(text, '');
      const fixes = i % SELDOM === 0;
      const one = shown(remembered) + (fixes ? JSON.stringify(fixedReport(remembered)) : '');
      const other = shown(fromScratch) + (fixes ? JSON.stringify(fixedReport(fromScratch)) : '');
      if (one !== other) return { before, text, remembered: one, fromScratch: other };
      // Some changes are taken back.
      if (chance() < 0.2) text = before;
    }
  }
  return null;
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const edits = Number(process.argv[2] ?? 10_000);
  const seed = Number(process.argv[3] ?? Date.now() % 1e9);
  const found = differenceAfter(edits, seed);
  if (found) {
    const at = Array.from(found.remembered).findIndex((character, i) => character !== found.fromScratch.charAt(i));
    console.error(`Another outcome with what was read before, at\n${found.text}\n`);
    console.error(`… ${found.remembered.slice(Math.max(0, at - 200), at + 200)}`);
    console.error(`… ${found.fromScratch.slice(Math.max(0, at - 200), at + 200)}`);
    process.exitCode = 1;
  } else console.log(`${edits} edits, seed ${seed}: the same as from scratch after each of them`);
}
