import { chmodSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { checkText } from '../../core/index.js';
import { openDatabase, type OpenDatabase } from './db/client.js';
import { readEnvironment } from './environment.js';
import { nameFrom, PatternStore } from './patterns.js';

const MIGRATIONS = path.resolve('drizzle');
let folder: string;
let database: OpenDatabase;
let store: PatternStore;

beforeEach(async () => {
  folder = mkdtempSync(path.join(tmpdir(), 'dostik-'));
  database = await openDatabase({ DATABASE_URL: `file:${path.join(folder, 'test.db')}` }, MIGRATIONS);
  store = new PatternStore(database);
});

afterEach(() => {
  database.close();
  rmSync(folder, { recursive: true, force: true });
});

const BALL = 'Ball\n\nRnd 1: 6 sc in MR (6)\r\nRnd 2: inc x 6 (13)\r\n';

describe('the store', () => {
  it('keeps a text as it was given, with plain line ends', async () => {
    const strange = `${BALL}\u0000\u202e\ud83e tail`;
    const pattern = await store.get(await store.add({ name: '', text: strange }));
    expect(pattern).toMatchObject({
      name: 'Ball',
      revision: 1,
      text: strange.replaceAll('\r\n', '\n').replace('\0', '\u2400').replace('\ud83e', '\ufffd'),
    });
  });

  it('shows on the shelf what the check said', async () => {
    await store.add({ name: 'One', text: BALL });
    expect((await store.list()).map(({ name, summary }) => ({ name, ...summary }))).toEqual([
      {
        name: 'One',
        parts: 1,
        rounds: 2,
        agree: 1,
        off: 1,
        unclear: 0,
        errors: 1,
        warnings: 0,
        terms: 'us',
        tally: 'ao',
      },
    ]);
  });

  it('saves from the revision that the text was made from, and from no other', async () => {
    const id = await store.add({ name: '', text: BALL });
    expect(await store.save(id, 'first', 1)).toEqual({ kind: 'saved', revision: 2 });
    expect(await store.save(id, 'second', 1)).toMatchObject({
      kind: 'conflict',
      current: { text: 'first', revision: 2 },
    });
    expect(await store.save(id, 'first', 1)).toEqual({ kind: 'saved', revision: 2 });
    expect((await store.get(id))?.text).toBe('first');
  });

  it('lets only one of two saves at the same moment through', async () => {
    const id = await store.add({ name: '', text: BALL });
    const outcomes = await Promise.all(['a', 'b', 'c'].map((text) => store.save(id, text, 1)));
    expect(outcomes.map(({ kind }) => kind).sort()).toEqual(['conflict', 'conflict', 'saved']);
  });

  it('puts a pattern away and takes it back', async () => {
    const id = await store.add({ name: '', text: BALL });
    await store.setAway(id, true);
    expect(await store.list()).toEqual([]);
    expect(await store.get(id)).toBeNull();
    expect(await store.save(id, 'x', 1)).toEqual({ kind: 'gone' });
    await store.setAway(id, false);
    expect((await store.get(id))?.revision).toBe(1);
  });

  it('remembers which demo patterns it has had, put away or not', async () => {
    const id = await store.add({ name: '', text: BALL, demoKey: 'ball' });
    await store.setAway(id, true);
    expect([...(await store.demoKeys())]).toEqual(['ball']);
  });
});

describe('what a person notes on a pattern', () => {
  it('is kept by key, and can be taken back', async () => {
    const id = await store.add({ name: '', text: BALL });
    await store.tick(id, 'one', true);
    await store.tick(id, 'one', true);
    await store.tick(id, 'two', true);
    await store.tick(id, 'two', false);
    await store.dismiss(id, { key: 'f', rule: 'count/stated', reason: 'first' });
    await store.dismiss(id, { key: 'f', rule: 'count/stated', reason: 'second' });
    expect(await store.notes(id)).toEqual({
      ticks: ['one'],
      dismissals: [{ key: 'f', rule: 'count/stated', reason: 'second' }],
      rules: {},
      before: null,
    });
    await store.dismiss(id, { key: 'f', rule: 'count/stated', reason: null });
    expect((await store.notes(id)).dismissals).toEqual([]);
    expect(await store.tick('nobody', 'one', true)).toBe(false);
  });

  it('takes a finding that is put aside out of the figures on the shelf', async () => {
    const id = await store.add({ name: '', text: BALL });
    const key = checkText(BALL.replaceAll('\r\n', '\n'), '').findings[0]?.key ?? '';
    const errors = async () => (await store.list())[0]?.summary?.errors;
    expect(await errors()).toBe(1);
    await store.dismiss(id, { key, rule: 'count/stated', reason: 'meant so' });
    expect(await errors()).toBe(0);
    await store.save(id, `${BALL}\nmore`, 1);
    expect(await errors()).toBe(0);
  });

  it('keeps the text as it was before a sitting, once for each', async () => {
    const id = await store.add({ name: '', text: 'as it came' });
    await store.save(id, 'changed', 1);
    await store.save(id, 'changed again', 2);
    expect((await store.notes(id)).before).toBe('as it came');
  });
});

describe('a database that can’t be used', () => {
  const opening = (url: string) => openDatabase({ DATABASE_URL: url }, MIGRATIONS);

  it('is refused in words when it is no database', async () => {
    const file = path.join(folder, 'letter.txt');
    writeFileSync(file, 'Dear editor, this is not a database at all. '.repeat(40));
    await expect(opening(`file:${file}`)).rejects.toThrow(/not a database, or it is damaged/);
  });

  it('is refused in words when its folder is a file', async () => {
    const file = path.join(folder, 'file');
    writeFileSync(file, '');
    await expect(opening(`file:${path.join(file, 'x', 'y.db')}`)).rejects.toThrow(/may not be written/);
  });

  it('is refused in words when its path is a folder', async () => {
    const inner = path.join(folder, 'inner');
    mkdirSync(inner);
    chmodSync(inner, 0o700);
    await expect(opening(`file:${inner}`)).rejects.toThrow(/can't be opened/);
  });
});

describe('settings', () => {
  it('have a database file by default', () => {
    expect(readEnvironment({}).DATABASE_URL).toBe('file:data/dostik.db');
  });

  it.each(['postgres://x', 'data/dostik.db', 'file:'])('refuse the address %s, and say what one looks like', (url) => {
    expect(() => readEnvironment({ DATABASE_URL: url })).toThrow(/Example: file:data\/dostik.db/);
  });
});

describe('a name for a text', () => {
  it.each([
    ['\n\n~ HUSH ~\n', 'HUSH'],
    ['# Tent (small)\n', 'Tent (small)'],
    ['SLUG  /  spring list  /  US', 'SLUG'],
    ['123\n***\n', 'Untitled pattern'],
    ['', 'Untitled pattern'],
  ])('%j', (text, name) => {
    expect(nameFrom(text)).toBe(name);
  });
});
