import { sql } from 'drizzle-orm';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { checkText } from '../../core/index.js';
import { StyleStore } from './style.js';
import { makeRig, type Rig } from './testing.js';

let rig: Rig;
beforeEach(async () => {
  rig = await makeRig();
});
afterEach(() => rig.end());

it('the house style is kept, and what leaves it is a hint with its fix', async () => {
  const store = new StyleStore(rig.database);
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
});

it('a house style that can’t be read costs nothing else', async () => {
  const store = new StyleStore(rig.database);
  await store.set({ amount: 'stitch first' });
  await rig.database.db.run(sql`update workspace set value = '{'`);
  expect(await store.get()).toEqual({});
});
