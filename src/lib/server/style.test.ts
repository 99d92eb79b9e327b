import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, it } from 'vitest';
import { checkText } from '../../core/index.js';
import { openDatabase } from './db/client.js';
import { StyleStore } from './style.js';

it('the house style is kept, and what leaves it is a hint with its fix', async () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'dostik-'));
  const database = await openDatabase(
    { DATABASE_URL: `file:${path.join(folder, 'test.db')}` },
    path.resolve('drizzle'),
  );
  const store = new StyleStore(database);
  expect(await store.get()).toEqual({});
  await store.set({ amount: 'stitch first' });
  await store.set({ amount: 'number first', count: '(n)' });
  const style = await store.get();
  const { findings } = checkText('US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc, sc 5 (7)\nFasten off.\n', '', {
    terms: 'auto',
    style,
  });
  expect(findings).toMatchObject([
    { rule: 'style/house', severity: 'hint', line: 5, fixes: [{ edits: [{ text: '5 sc' }] }] },
  ]);
  database.close();
  rmSync(folder, { recursive: true, force: true });
});
