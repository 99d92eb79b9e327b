/** Slips of the pen, the same ones each time: what a text looks like that somebody has typed off in a hurry. */

import { chances } from '../src/core/training/chances.js';

type Slip = (line: string, chance: () => number) => string;

const someOf = (length: number, chance: () => number) => Math.min(length - 1, Math.floor(chance() * length));

/** Changes one match of a pattern in a line; the line as it is where there is none. */
function atOne(line: string, pattern: RegExp, chance: () => number, change: (found: string) => string): string {
  const found = [...line.matchAll(pattern)];
  const one = found[someOf(found.length, chance)];
  return one ? line.slice(0, one.index) + change(one[0]) + line.slice(one.index + one[0].length) : line;
}

const SLIPS: readonly Slip[] = [
  (line, chance) => atOne(line, /\S/g, chance, () => ''),
  (line, chance) => atOne(line, /\d+/g, chance, (figure) => String(Number(figure) + 1)),
  (line, chance) => atOne(line, /\d+/g, chance, (figure) => String(Math.max(0, Number(figure) - 1))),
  (line, chance) => atOne(line, /\d+/g, chance, () => ''),
  (line, chance) => atOne(line, /[\p{L}]+/gu, chance, () => ''),
  (line, chance) => atOne(line, /[\p{L}]+/gu, chance, (word) => `${word} ${word}`),
  (line, chance) => atOne(line, /[()[\]{}*]/g, chance, () => ''),
  (line, chance) => atOne(line, /[.,;:–-]/g, chance, () => ' '),
  (line, chance) => atOne(line, /, /g, chance, () => '\n'),
  (line, chance) => atOne(line, / /g, chance, () => ''),
  (line) => line.toUpperCase(),
  (line) => line.toLowerCase(),
  (line) => `${line}\n`,
  (line) => `${line} ${line}`,
  (line) => `${line}.`,
  (line) => `> ${line}`,
  () => '',
];

/** A text with a slip in about one of eight of its lines, and now and then two lines as one. */
export function withSlips(text: string, seed: number): string {
  const chance = chances(seed * 7919 + text.length + 1);
  const lines = text.split('\n').map((line) => {
    if (line.trim() === '' || chance() > 0.12) return line;
    return SLIPS[someOf(SLIPS.length, chance)]?.(line, chance) ?? line;
  });
  return lines.reduce((all, line, i) => all + (i === 0 ? '' : chance() < 0.02 ? ' ' : '\n') + line, '');
}
