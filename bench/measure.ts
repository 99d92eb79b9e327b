/** Measures, and a table of what was measured. */
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { format, resolveConfig } from 'prettier';
import retextEnglish from 'retext-english';
import remarkParse from 'remark-parse';
import { unified } from 'unified';

/** How long something takes, in milliseconds. */
export interface Taken {
  readonly best: number;
  readonly median: number;
}

export interface Row {
  readonly what: string;
  readonly taken: Taken;
  /** Milliseconds that the median is to stay under; null where nothing is asked. */
  readonly aim: number | null;
  /** What there is to say besides. */
  readonly besides?: string;
}

/** Does something so many times. @param before is done before each, and not counted */
export function times(work: () => void, runs: number, before: () => void = () => undefined): Taken {
  const taken: number[] = [];
  for (let i = 0; i < runs; i += 1) {
    before();
    const start = performance.now();
    work();
    taken.push(performance.now() - start);
  }
  return takenOf(taken);
}

export function takenOf(milliseconds: readonly number[]): Taken {
  const sorted = milliseconds.toSorted((one, other) => one - other);
  return { best: sorted[0] ?? 0, median: sorted[Math.floor(sorted.length / 2)] ?? 0 };
}

/** A process of its own, from its start to its end. */
export function processOf(words: readonly string[], runs: number): Taken {
  return times(() => void spawnSync(process.execPath, words, { stdio: 'ignore' }), runs);
}

/** One bare pass of an expression over all words of a text. */
export function words(text: string): number {
  let count = 0;
  for (const _ of text.matchAll(/[\p{L}\p{N}]+/gu)) count += 1;
  return count;
}

const markdown = unified().use(remarkParse);
const english = unified().use(retextEnglish);

/** What else there is to read a text by, on the same text in the same run. */
export const OTHERS: Readonly<Record<string, (text: string) => unknown>> = {
  'a word pass': words,
  'remark-parse': (text) => markdown.parse(text),
  'retext-english': (text) => english.parse(text),
};

/** How often something takes the time of each other. */
export function ratios(text: string, { best }: Taken, runs: number): string {
  return Object.entries(OTHERS)
    .map(([name, read]) => {
      const ratio = best / times(() => void read(text), runs).best;
      return `${ratio >= 10 ? ratio.toFixed(0) : ratio.toFixed(2)} × ${name}`;
    })
    .join(', ');
}

const figure = (value: number) => (value < 10 ? value.toFixed(1) : value.toFixed(0));

/** The rows as a table of Markdown. */
export function tableOf(rows: readonly Row[]): string {
  const lines = rows.map(({ what, taken, aim, besides = '' }) => {
    const met = aim === null ? '' : `${aim}: ${taken.median < aim ? 'met' : '**not met**'}`;
    return `| ${what} | ${figure(taken.best)} | ${figure(taken.median)} | ${met} | ${besides} |`;
  });
  return ['| what | best ms | median ms | aim, ms | besides |', '| --- | ---: | ---: | --- | --- |', ...lines].join(
    '\n',
  );
}

/** What it was measured on. */
export function machine(): string {
  const all = cpus();
  return `Node ${process.versions.node}, ${all.length} processors${all[0] ? ` (${all[0].model.trim()})` : ''}`;
}

/** Puts a section into a page in place of the one of its name, behind all others where there is none; the others stay. */
export async function writeSection(file: string, name: string, text: string): Promise<void> {
  const [head = '', ...sections] = (existsSync(file) ? readFileSync(file, 'utf8') : '').split(/^(?=## )/mu);
  const section = `## ${name}\n\n${text.trim()}\n`;
  const at = sections.findIndex((one) => one.startsWith(`## ${name}\n`));
  if (at < 0) sections.push(section);
  else sections[at] = section;
  const page = [head, ...sections].map((one) => one.trim()).join('\n\n');
  writeFileSync(file, await format(page, { ...(await resolveConfig(file)), parser: 'markdown' }));
}
