/** What every pattern at hand is read as, in a form that shows in a diff what has changed. */
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { checkText, type Report } from '../src/core/index.js';

/** Patterns in ordinary hands, those that were read last, those in unusual ones, and the demo. */
export const FOLDERS = ['corpus', 'corpus/aside', 'corpus/odd', 'demo'] as const;
const SIGNS = { agrees: '=', counted: '·', off: '≠', unreadable: '?', 'on-trust': '~' } as const;

export const goldenFile = (folder: string): string => path.join('corpus', 'golden', `${folder.replace('/', '-')}.txt`);

/** The rounds and findings of a report, one a line. */
export function readingOf({ terms, parts, findings }: Report): string {
  return [
    `terms ${terms.declared ?? '–'} ${terms.detected}`,
    ...parts.flatMap(({ name, make, rounds }) => [
      `${name}${make > 1 ? ` × ${make}` : ''}`,
      ...rounds.map(({ label, line, into, edge, made, stated, verdict, doubt }) => {
        const doubted = doubt === 'none' ? '' : ` ${doubt}`;
        return `  ${line} ${label.slice(0, 30)}: ${into ?? '–'}/${edge ?? '–'} → ${made ?? '–'} ${SIGNS[verdict]} ${stated ?? '–'}${doubted}`;
      }),
    ]),
    ...findings.map(({ line, column, rule, severity }) => `! ${line}:${column} ${severity} ${rule}`),
  ].join('\n');
}

/** The readings of a folder as they are now, by file. */
export function readingsIn(folder: string): Map<string, string> {
  const files = readdirSync(folder)
    .filter((file) => file.endsWith('.txt'))
    .sort();
  return new Map(
    files.map((file) => [file, readingOf(checkText(readFileSync(path.join(folder, file), 'utf8'), file))]),
  );
}

/** The readings of a folder as they were kept. */
export function keptReadings(folder: string): Map<string, string> {
  const kept = readFileSync(goldenFile(folder), 'utf8').split(/^== /m).slice(1);
  return new Map(kept.map((one) => [one.slice(0, one.indexOf('\n')), one.slice(one.indexOf('\n') + 1).trimEnd()]));
}

if (process.argv[1] === fileURLToPath(import.meta.url))
  for (const folder of FOLDERS) {
    const readings = [...readingsIn(folder)].map(([file, reading]) => `== ${file}\n${reading}\n`);
    writeFileSync(goldenFile(folder), readings.join('\n'));
    console.log(`${goldenFile(folder)}: ${readings.length} patterns`);
  }
