import { sql } from 'drizzle-orm';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { holds } from '../addresses.js';
import { NOTHING_WANTED } from '../bench.js';
import { AddressStore, usedUp } from './addresses.js';
import { hashPlainSecrets } from './db/plainSecrets.js';
import { addresses, testers, testSteps } from './db/schema.js';
import { hashed } from './hashed.js';
import { makeRig, type Rig } from './testing.js';

let rig: Rig;
let patternId: string;
beforeEach(async () => {
  rig = await makeRig();
  patternId = await rig.patterns.add({ name: 'Ball', text: 'BALL\nUS terms\nRnd 1: 6 sc in MR (6)\n' });
});
afterEach(async () => {
  vi.useRealTimers();
  await rig.end();
});

const LETTER = () => ({ purpose: 'letter', patternId }) as const;
const make = (of: Parameters<AddressStore['make']>[1] = LETTER()) =>
  rig.database.write((db) => rig.addresses.make(db, of));

describe('an address that holds a secret', () => {
  it('leads to what it is for, and by no other purpose; that it was used is noted', async () => {
    const { secret } = await make();
    expect(await rig.addresses.opened('letter', secret)).toMatchObject({ patternId, purpose: 'letter' });
    expect(await rig.addresses.opened('bench', secret)).toBe('none');
    expect(await rig.addresses.opened('join', secret)).toBe('none');
    expect(await rig.addresses.opened('letter', `${secret.slice(0, -1)}_`)).toBe('none');
    expect((await rig.addresses.standing(LETTER()))?.usedAt).toBeGreaterThan(Date.now() - 10_000);
  });

  it('is nowhere in the database, and can be shown again by who has the key alone', async () => {
    const { secret } = await make();
    const rows = await rig.database.db.select().from(addresses);
    expect(JSON.stringify(rows)).not.toContain(secret);
    expect(rows[0]?.hash).toBe(hashed(secret));
    expect((await rig.addresses.standing(LETTER()))?.secret).toBe(secret);
    const other = new AddressStore(rig.database, 'another key that is long enough too');
    expect(await other.standing(LETTER())).toMatchObject({ secret: null, withdrawnAt: null });
    expect(await other.opened('letter', secret)).toMatchObject({ patternId });
  });

  it('leads nowhere once it is withdrawn, or another is made, or its time is over', async () => {
    const { secret } = await make();
    expect(await rig.addresses.withdraw(LETTER())).toBe(true);
    expect(await rig.addresses.withdraw(LETTER())).toBe(false);
    expect(await rig.addresses.opened('letter', secret)).toBe('withdrawn');
    const { secret: next, endsAt } = await make();
    expect(await rig.addresses.opened('letter', secret)).toBe('none');
    expect(await rig.addresses.opened('letter', next)).toMatchObject({ patternId });
    vi.useFakeTimers({ now: endsAt + 1, toFake: ['Date'] });
    expect(await rig.addresses.opened('letter', next)).toBe('over');
    const standing = await rig.addresses.standing(LETTER());
    expect(standing && holds(standing)).toBe(false);
  });

  it('that sets a password does so once', async () => {
    const person = await rig.house.invite({ name: 'Ines', mail: 'ines@example.org', role: 'editor' });
    const used = () => rig.database.write((db) => usedUp(db, 'join', person.secret));
    expect(await used()).toMatchObject({ purpose: 'join' });
    expect(await used()).toBeNull();
  });

  it('stands in the list of all with whose it is; those that hold come first, and each is withdrawn by its mark', async () => {
    await rig.letters.setDesigner(patternId, { designer: 'Jonne', designerMail: '' });
    await make();
    await rig.calls.open(patternId, NOTHING_WANTED);
    await rig.house.invite({ name: 'Ines', mail: 'ines@example.org', role: 'editor' });
    const before = await rig.addresses.all();
    expect(before.map(({ purpose, who, pattern, call }) => [purpose, who, pattern, call]).sort()).toEqual([
      ['bench', '', 'Ball', 1],
      ['join', 'Ines', '', null],
      ['letter', 'Jonne', 'Ball', null],
    ]);
    const first = before[0]?.mark ?? '';
    expect(await rig.addresses.withdrawMarked(first)).toBe(true);
    expect(await rig.addresses.withdrawMarked(first)).toBe(false);
    expect((await rig.addresses.all()).map(({ mark }) => mark).indexOf(first)).toBe(2);
    // A pattern that was put away takes its addresses with it, and brings them back.
    await rig.shelf.setAway([patternId], true);
    expect((await rig.addresses.all()).map(({ purpose }) => purpose)).toEqual(['join']);
  });
});

it('secrets that an earlier version kept as they are become what they hash to, and lead where they led', async () => {
  const token = 'tttttttttttttttttttttttt';
  const secret = 'ssssssssssssssssssssssss';
  await rig.calls.open(patternId, NOTHING_WANTED);
  await rig.database.write(async (db) => {
    await db.run(sql`PRAGMA defer_foreign_keys = ON`);
    await db.update(addresses).set({ hash: secret, salt: '' });
    await db.insert(testers).values({ token, patternId, call: 1, name: 'Aune', at: 1 });
    const content =
      '{"id":"phone-0001-1","device":"phone-0001","order":1,"at":5,"spent":0,"what":{"kind":"difficulty","of":2}}';
    await db.insert(testSteps).values({ patternId, tester: token, step: 'phone-0001-1', content, at: 5 });
  });
  await rig.database.write(hashPlainSecrets);
  await rig.database.write(hashPlainSecrets);
  expect((await rig.bench.call(secret)) as object).toMatchObject({ name: 'Ball' });
  expect(await rig.bench.exchange(secret, token, { after: 0, steps: [] })).toMatchObject({
    name: 'Aune',
    steps: [{ id: 'phone-0001-1' }],
  });
  const kept = JSON.stringify([
    await rig.database.db.select().from(addresses),
    await rig.database.db.select().from(testers),
    await rig.database.db.select().from(testSteps),
  ]);
  expect(kept.includes(token) || kept.includes(secret)).toBe(false);
});
