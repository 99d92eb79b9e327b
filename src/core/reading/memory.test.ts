import fc from 'fast-check';
import { afterEach, expect, it, vi } from 'vitest';
import { checkPattern, Memory } from '../index.js';
import { Copies } from './copies.js';
import { readInstruction } from './instruction.js';
import { Recent } from './recent.js';

vi.mock(import('./instruction.js'), async (original) => {
  const module = await original();
  return { ...module, readInstruction: vi.fn(module.readInstruction) };
});
const read = vi.mocked(readInstruction);
afterEach(() => read.mockClear());

/** Rounds of which no two have the same words. */
const rounds = Array.from({ length: 120 }, (_, i) => `Rnd ${i + 1}: sc ${i + 3}, inc, sc ${2 * i + 1} (${3 * i + 6})`);
const textOf = (lines: readonly string[]) => `BALL\nUS terms\n${lines.join('\n')}\nFasten off.\n`;

/** How many instructions are read for a text. */
function readFor(text: string, memory: Memory): number {
  read.mockClear();
  checkPattern(text, '', { terms: 'auto', memory });
  return new Set(read.mock.calls.map(([words, { from, to }]) => words.slice(from, to))).size;
}

it('from one key to the next only the round that was typed in is read', () => {
  const memory = new Memory();
  expect(readFor(textOf(rounds), memory)).toBeGreaterThanOrEqual(rounds.length);
  expect(readFor(textOf(rounds.with(60, `${rounds[60]} `)), memory)).toBeLessThanOrEqual(1);
  expect(readFor(textOf(rounds.with(60, 'Rnd 61: sc 63, inc, sc 12')), memory)).toBeLessThan(6);
  // Nothing is read anew where a line comes before all others, or the first text comes back.
  expect(readFor(`\n${textOf(rounds)}`, memory)).toBe(0);
  expect(readFor(textOf(rounds), memory)).toBe(0);
});

it('words that the text explains otherwise are read anew', () => {
  const memory = new Memory();
  checkPattern(textOf(rounds), '', { terms: 'auto', memory });
  const told = `inc = 3 sc in one stitch\n${textOf(rounds)}`;
  const { report } = checkPattern(told, '', { terms: 'auto', memory });
  expect(report).toEqual(checkPattern(told, '').report);
  expect(report.parts[0]?.rounds[1]?.made).not.toBe(checkPattern(textOf(rounds), '').report.parts[0]?.rounds[1]?.made);
});

it('what has not come up for long is let go, and what comes up again stays', () => {
  const found: string[] = [];
  const recent = new Recent<number>(100);
  const ask = (words: string) => recent.of(words, (own) => found.push(own));
  for (let i = 0; i < 40; i += 1) {
    ask('always');
    ask(`word number ${i}`);
  }
  expect(found.filter((words) => words === 'always')).toHaveLength(1);
  expect(found).toHaveLength(41);
  ask('word number 39');
  expect(found).toHaveLength(41);
  ask('word number 0');
  expect(found).toHaveLength(42);
});

it('what was found out about words by themselves is found out once, by each that asks', () => {
  const { remember } = new Memory();
  const asked: string[] = [];
  const long = (words: string) => (asked.push(words), words.length > 5);
  const first = (words: string) => (asked.push(words), words.charAt(0));
  for (let i = 0; i < 2; i += 1) {
    expect([remember('fasten off', long), remember('FO', long)]).toEqual([true, false]);
    expect(remember('fasten off', first)).toBe('f');
  }
  expect(asked).toEqual(['fasten off', 'FO', 'fasten off']);
});

it('what stands at the same places in the next draft is not moved there again', () => {
  let moves = 0;
  const copies = new Copies(0, (read, by) => ((moves += 1), read + by));
  const ask = (draft: number, ...places: number[]) => places.map((place) => copies.at(place, draft));
  expect(ask(1, 0, 40, 90, 40)).toEqual([0, 40, 90, 40]);
  expect(moves).toBe(2);
  expect(ask(2, 0, 40, 90, 120)).toEqual([0, 40, 90, 120]);
  expect(moves).toBe(3);
  // What no draft in between has asked for is let go.
  expect(ask(3, 0, 40)).toEqual([0, 40]);
  expect(ask(4, 90)).toEqual([90]);
  expect(moves).toBe(4);
});

it('copies are those that moving gives, whatever was asked before', () => {
  const asked = fc.tuple(fc.nat(12), fc.boolean());
  fc.assert(
    fc.property(fc.array(asked, { maxLength: 60 }), (all) => {
      const copies = new Copies({ from: 0 }, ({ from }, by) => ({ from: from + by }));
      let draft = 1;
      for (const [place, next] of all) expect(copies.at(place, (draft += next ? 1 : 0))).toEqual({ from: place });
    }),
  );
});
