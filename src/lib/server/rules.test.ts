import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, it } from 'vitest';
import { openDatabase } from './db/client.js';
import { PatternStore } from './patterns.js';
import { RuleStore } from './rules.js';

it('a pattern’s own settings stand over those for all, and the shelf follows them', async () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'dostik-'));
  const database = await openDatabase(
    { DATABASE_URL: `file:${path.join(folder, 'test.db')}` },
    path.resolve('drizzle'),
  );
  const patterns = new PatternStore(database);
  const rules = new RuleStore(database);
  const id = await patterns.add({ name: 'Ball', text: 'US terms\n\nBALL\nRnd 1: 6 sc in MR (7)\nFasten off.\n' });
  const errors = async () => (await patterns.list())[0]?.summary?.errors;
  expect(await errors()).toBe(1);

  await rules.set(undefined, { rule: 'count/stated', severity: 'off' });
  await patterns.recount(id);
  expect(await errors()).toBe(0);

  await rules.set(id, { rule: 'count/stated', severity: 'error' });
  expect(await rules.holdingFor(id)).toEqual({ 'count/stated': 'error' });
  expect(await rules.holdingFor('another')).toEqual({ 'count/stated': 'off' });
  await patterns.recount(id);
  expect(await errors()).toBe(1);

  await rules.set(id, { rule: 'count/stated', severity: null });
  expect(await rules.of(id)).toEqual({});
  expect((await patterns.notes(id)).rules).toEqual({ 'count/stated': 'off' });
  database.close();
  rmSync(folder, { recursive: true, force: true });
});
