/** Texts that are measured on, besides those of other hands (`varied.ts`). */
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

function textsIn(folder: string): string[] {
  return readdirSync(folder)
    .filter((file) => file.endsWith('.txt'))
    .sort()
    .map((file) => readFileSync(path.join(folder, file), 'utf8'));
}

/** Patterns in unusual hands. */
export const odd: readonly string[] = textsIn('corpus/odd');

const demo = textsIn('demo').join('\n\n');

/** The demo patterns over and over, to a number of lines. */
export function demoText(lines: number): string {
  const all = demo.split('\n');
  return Array.from({ length: lines }, (_, i) => all[i % all.length]).join('\n');
}

/** A text with so many of its stated counts off by one; every other of those that there are. */
export function withFaults(text: string, faults: number): string {
  let left = faults;
  let seen = 0;
  return text.replace(
    /([([]|– )(\d+)( sts)?([)\]]?)$/gm,
    (whole, before: string, count: string, sts = '', after = '') => {
      seen += 1;
      if (left === 0 || seen % 2 !== 0) return whole;
      left -= 1;
      return `${before}${Number(count) + 1}${String(sts)}${String(after)}`;
    },
  );
}

/** One faulty round of so many steps. */
export function longRound(steps: number): string {
  return `BALL\nUS terms\nRnd 1: 6 sc in MR (6)\nRnd 2: ${'sc, inc, '.repeat(steps / 2)}sc (99)\nFasten off.\n`;
}

/** A part that grows, goes on and closes, each in another way. */
export function piece(i: number, run: number): string {
  const most = 3 + (i % 6);
  const lines = [`PIECE ${String.fromCharCode(65 + (i % 26))}${i}`, 'Rnd 1: 6 sc in MR (6)', 'Rnd 2: inc x 6 (12)'];
  for (let n = 3; n <= most; n += 1) lines.push(`Rnd ${n}: (sc ${n - 2}, inc) x 6 (${6 * n})`);
  const straight = 4 + (i % 9) + run;
  lines.push(`Rnds ${most + 1}-${most + straight}: sc around (${6 * most})`, 'Stuff it.');
  for (let n = most - 1; n >= 2; n -= 1)
    lines.push(`Rnd ${2 * most + straight - n}: (sc ${n - 1}, dec) x 6 (${6 * n})`);
  lines.push(`Rnd ${2 * most + straight - 1}: dec x 6 (6)`, 'Fasten off.', '');
  return lines.join('\n');
}
