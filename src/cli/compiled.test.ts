import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { commandOf, keptIn } from './compiled.js';

let folder: string;
let command: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'dostik-compiled-'));
  command = path.join(folder, 'command.cjs');
});
afterAll(() => rmSync(folder, { recursive: true }));

const saying = (words: string) =>
  `const { basename } = require('node:path');
   exports.main = async (words) => basename(__filename) === 'command.cjs' ? words.length + ${words} : -1;`;

it('runs a command with what was compiled of it, and without', async () => {
  writeFileSync(command, saying('10'));
  const first = commandOf(command);
  expect(await first.main(['check', 'seal.txt'])).toBe(12);
  writeFileSync(keptIn(command), first.compiled());
  expect(await commandOf(command).main(['check'])).toBe(11);
});

it('reads a command as it is written', async () => {
  writeFileSync(command, saying('String.raw`4–6 “ß”`.length'));
  expect(await commandOf(command).main([])).toBe(7);
});

it('compiles a command anew that is another by now, or of which nothing can be used', async () => {
  writeFileSync(command, saying('1000'));
  expect(await commandOf(command).main([])).toBe(1000);
  writeFileSync(keptIn(command), 'nothing of the kind');
  expect(await commandOf(command).main([])).toBe(1000);
});
