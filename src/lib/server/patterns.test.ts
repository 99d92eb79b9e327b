import { chmodSync, mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { sql } from 'drizzle-orm';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { checkText } from '../../core/index.js';
import { renameSchema } from '../patterns.js';
import { openDatabase } from './db/client.js';
import { readEnvironment } from './environment.js';
import { nameFrom, Spoilt, type PatternStore } from './patterns.js';
import { makeRig, MIGRATIONS, type Rig } from './testing.js';

let rig: Rig;
let store: PatternStore;

beforeEach(async () => {
  rig = await makeRig();
  store = rig.patterns;
});

afterEach(() => rig.end());

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

  it('keeps what words of a hand mean, counts with them, and takes them back', async () => {
    const id = await store.add({ name: 'Ball', text: 'Ball\n\nRnd 1: 6 sc in MR (6)\nRnd 2: 6 frobs (12)\n' });
    const unclear = async () => {
      await rig.counted();
      return (await rig.shelved())[0]?.summary?.unclear;
    };
    expect(await unclear()).toBe(1);
    expect(await store.changeHand(id, { word: 'frob', sense: 'increase' })).toBe(true);
    expect((await store.get(id))?.hand).toEqual({ words: { frob: 'increase' } });
    expect(await unclear()).toBe(0);
    await store.changeHand(id, { word: 'frob', sense: null });
    expect((await store.get(id))?.hand).toEqual({ words: {} });
    expect(await unclear()).toBe(1);
    expect(await store.changeHand('nothing', { word: 'frob', sense: 'increase' })).toBe(false);
  });

  it('a copy and an edition know the same words', async () => {
    const id = await store.add({ name: 'Ball', text: BALL });
    await store.changeHand(id, { word: 'frob', sense: 'increase' });
    await store.settle(id, `${BALL}Mine.\n`, 'mine');
    const copy = (await rig.shelved()).find(({ name }) => name === 'Copy: Ball');
    expect((await store.get(copy?.id ?? ''))?.hand).toEqual({ words: { frob: 'increase' } });
    const made = await rig.terms.edition(id, { to: 'uk', hooks: false, weights: false, spelling: false });
    expect((await store.get(made?.id ?? ''))?.hand).toEqual({ words: { frob: 'increase' } });
  });

  it('shows on the shelf what the check said', async () => {
    await store.add({ name: 'One', text: BALL });
    await rig.counted();
    expect((await rig.shelved()).map(({ name, summary }) => ({ name, ...summary }))).toEqual([
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
        ticked: 0,
        tally: 'ao',
        stitches: 18,
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
    await rig.shelf.setAway([id], true);
    expect(await rig.shelved()).toEqual([]);
    expect(await rig.shelf.away()).toMatchObject([{ id, name: 'Ball' }]);
    expect(await store.get(id)).toBeNull();
    expect(await store.save(id, 'x', 1)).toEqual({ kind: 'gone' });
    await rig.shelf.setAway([id], false);
    expect((await store.get(id))?.revision).toBe(1);
  });

  it('remembers which demo patterns it has had, put away or not', async () => {
    const id = await store.add({ name: '', text: BALL, demoKey: 'ball' });
    await rig.shelf.setAway([id], true);
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
    });
    await store.dismiss(id, { key: 'f', rule: 'count/stated', reason: null });
    expect((await store.notes(id)).dismissals).toEqual([]);
    expect(await store.tick('nobody', 'one', true)).toBe(false);
    expect(await store.dismiss(id, { key: 'f', rule: '__proto__', reason: 'x' })).toBe(false);
  });

  it('takes a finding that is put aside out of the figures on the shelf', async () => {
    const id = await store.add({ name: '', text: BALL });
    const key = checkText(BALL.replaceAll('\r\n', '\n'), '').findings[0]?.key ?? '';
    const errors = async () => {
      await rig.counted();
      return (await rig.shelved())[0]?.summary?.errors;
    };
    expect(await errors()).toBe(1);
    await store.dismiss(id, { key, rule: 'count/stated', reason: 'meant so' });
    expect(await errors()).toBe(0);
    await store.save(id, `${BALL}\nmore`, 1);
    expect(await errors()).toBe(0);
  });

  it('counts the rounds that are ticked for the shelf, and no tick of a round that is gone', async () => {
    const id = await store.add({ name: '', text: BALL });
    const keys = checkText(BALL.replaceAll('\r\n', '\n'), '').parts.flatMap(({ rounds }) =>
      rounds.map(({ key }) => key),
    );
    const ticked = async () => {
      await rig.counted();
      return (await rig.shelved())[0]?.summary?.ticked;
    };
    for (const key of [...keys, 'gone']) await store.tick(id, key, true);
    expect(await ticked()).toBe(2);
    await store.tick(id, keys[0] ?? '', false);
    expect(await ticked()).toBe(1);
  });

  it('keeps the text as it was before a sitting, once for each', async () => {
    const id = await store.add({ name: '', text: 'as it came' });
    await store.save(id, 'changed', 1);
    await store.save(id, 'changed again', 2);
    expect(await store.earlier(id)).toBe('as it came');
  });
});

describe('a database that can’t be used', () => {
  const opening = (url: string) => openDatabase({ DATABASE_URL: url }, MIGRATIONS);

  it('is refused in words when it is no database', async () => {
    const file = path.join(rig.folder, 'letter.txt');
    writeFileSync(file, 'Dear editor, this is not a database at all. '.repeat(40));
    await expect(opening(`file:${file}`)).rejects.toThrow(/not a database, or it is damaged/);
  });

  it('is refused in words when its folder is a file', async () => {
    const file = path.join(rig.folder, 'file');
    writeFileSync(file, '');
    await expect(opening(`file:${path.join(file, 'x', 'y.db')}`)).rejects.toThrow(/may not be written/);
  });

  it('is refused in words when its path is a folder', async () => {
    const inner = path.join(rig.folder, 'inner');
    mkdirSync(inner);
    chmodSync(inner, 0o700);
    await expect(opening(`file:${inner}`)).rejects.toThrow(/can't be opened/);
  });
});

describe('a save whose answer did not arrive', () => {
  it('is no conflict when it comes again, also after others have gone on from it', async () => {
    const id = await store.add({ name: '', text: BALL });
    await store.save(id, 'mine', 1);
    expect(await store.save(id, 'mine', 1)).toEqual({ kind: 'saved', revision: 2 });
    await store.save(id, 'mine, and theirs', 2);
    expect(await store.save(id, 'mine', 1)).toMatchObject({ kind: 'conflict', kept: true, current: { revision: 3 } });
    expect(await store.save(id, 'never saved', 1)).toMatchObject({ kind: 'conflict', kept: false });
  });

  it('is a conflict where the same text was saved before what it was made from', async () => {
    const id = await store.add({ name: '', text: BALL });
    await store.save(id, 'again', 1);
    await store.save(id, 'between', 2);
    await store.save(id, 'theirs', 3);
    expect(await store.save(id, 'again', 3)).toMatchObject({ kind: 'conflict', kept: false });
  });
});

describe('a conflict', () => {
  const names = async () => (await rig.shelved()).map(({ name }) => name).sort();

  it('is settled at once, whatever was saved meanwhile, and the other text is a copy', async () => {
    const id = await store.add({ name: 'Ball', text: BALL });
    await store.save(id, 'theirs', 1);
    await store.save(id, 'theirs, newer', 2);
    expect(await store.settle(id, 'mine', 'mine')).toMatchObject({ text: 'mine', revision: 4 });
    expect(await store.get(id)).toMatchObject({ text: 'mine', revision: 4 });
    expect(await names()).toEqual(['Ball', 'Copy: Ball']);
    const copy = (await rig.shelved()).find(({ name }) => name === 'Copy: Ball');
    expect((await store.get(copy?.id ?? ''))?.text).toBe('theirs, newer');
  });

  it('shelves a text once, however often it is asked', async () => {
    const id = await store.add({ name: 'Ball', text: 'theirs' });
    expect(await store.settle(id, 'mine', 'theirs')).toMatchObject({ text: 'theirs', revision: 1 });
    await store.settle(id, 'mine', 'theirs');
    expect(await names()).toEqual(['Ball', 'Copy: Ball']);
    expect(await store.settle('nobody', 'mine', 'mine')).toBeNull();
  });
});

describe('a row that something else has spoilt', () => {
  const spoil = (statement: string) => rig.database.db.run(sql.raw(statement));

  it.each([
    ['summary', "summary = 'no json'"],
    ['summary of another kind', `summary = '{"parts":"many"}'`],
    ['date', 'updated_at = 9e99'],
    ['name', "name = x'00ff'"],
  ])('costs its own entry on the shelf and no other: its %s', async (_, change) => {
    const bad = await store.add({ name: 'Bad', text: BALL });
    await store.add({ name: 'Good', text: BALL });
    await rig.counted();
    await spoil(`update patterns set ${change} where id = '${bad}'`);
    const states = new Map((await rig.shelved()).map(({ id, state }) => [id === bad, state]));
    expect(states).toEqual(
      new Map([
        [true, 'unreadable'],
        [false, 'counted'],
      ]),
    );
  });

  it('is said on its own Desk', async () => {
    const bad = await store.add({ name: 'Bad', text: BALL });
    await spoil("update patterns set terms = 'klingon'");
    await expect(store.get(bad)).rejects.toThrow(Spoilt);
  });

  it('costs a tick or a reason, and not the Desk', async () => {
    const id = await store.add({ name: '', text: BALL });
    await store.tick(id, 'good', true);
    await rig.counted();
    await spoil(`insert into ticks values ('${id}', x'00', 1)`);
    await spoil(`insert into dismissals values ('${id}', 'k', 'count/stated', 1, 1)`);
    await spoil(`insert into rule_settings values ('everywhere', '__proto__', 'off', 1)`);
    await spoil(`insert into rule_settings values ('everywhere', 'count/over', 'loud', 1)`);
    expect(await store.notes(id)).toMatchObject({ ticks: ['good'], rules: {} });
  });
});

describe('names', () => {
  it.each([
    ['a NUL\0 inside', 'a NUL inside'],
    [' tabs\tand\nlines ', 'tabs and lines'],
  ])('%j', (given, name) => {
    expect(renameSchema.parse({ name: given }).name).toBe(name);
  });

  it('are not made of such characters alone', () => {
    expect(renameSchema.safeParse({ name: '\0\n' }).success).toBe(false);
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
