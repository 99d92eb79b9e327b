import { hash, verify } from '@node-rs/argon2';
import { existsSync, statSync } from 'node:fs';
import path from 'node:path';
import { eq } from 'drizzle-orm';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Invited } from '../../people.js';
import { Refused } from '../answers.js';
import { addresses, credentials, people, sessions } from '../db/schema.js';
import { makeRig, type Rig } from '../testing.js';
import { PeopleStore, type Entered } from './people.js';
import { secretOf } from './secret.js';

const SECRET = 'a secret for tests that is long enough';
const OWNER = { name: 'Una', mail: 'una@example.org', password: 'four quiet grey stones' };
const EDITOR: Invited = { name: 'Ines', mail: 'ines@example.org', role: 'editor' };
const NOBODY = new Headers();

vi.mock('@node-rs/argon2', { spy: true });

let rig: Rig;
let house: PeopleStore;
beforeEach(async () => {
  rig = await makeRig();
  house = new PeopleStore(rig.database, SECRET, rig.addresses);
});
afterEach(() => rig.end());

/** What a browser sends that was given these cookies. */
const withCookies = ({ cookies }: Entered): Headers =>
  new Headers({ cookie: cookies.map((cookie) => cookie.split(';')[0]).join('; ') });
const begin = () => house.first({ ...OWNER, word: house.word }, false, NOBODY, false);
const refused = async (work: Promise<unknown>): Promise<[number, string]> => {
  const error: unknown = await work.then(
    () => null,
    (why: unknown) => why,
  );
  if (!(error instanceof Refused)) throw new Error('This was not refused.', { cause: error });
  return [error.status, error.message];
};

describe('the first account', () => {
  it('is made with the word of the terminal, once, and owns the house', async () => {
    expect(await house.count()).toBe(0);
    const { person } = await begin();
    expect(person).toMatchObject({ name: 'Una', mail: 'una@example.org', role: 'owner' });
    expect(await house.count()).toBe(1);
    expect((await refused(begin()))[0]).toBe(409);
  });

  it('is not made with another word, unless it is made at home', async () => {
    for (const word of ['', 'guessed', `${house.word}x`])
      expect((await refused(house.first({ ...OWNER, word }, false, NOBODY, false)))[0]).toBe(403);
    expect(await house.count()).toBe(0);
    expect((await house.first({ ...OWNER, word: '' }, true, NOBODY, false)).person.role).toBe('owner');
  });

  it('made twice at once is made once', async () => {
    const both = await Promise.allSettled([begin(), begin()]);
    expect(both.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
    expect(await rig.database.db.select().from(people)).toHaveLength(1);
  });
});

describe('signing in', () => {
  it('takes as much work for an address that nobody has, or that has no password, as for a wrong password', async () => {
    await begin();
    await house.invite(EDITOR);
    for (const mail of ['nobody@example.org', EDITOR.mail, OWNER.mail]) {
      vi.mocked(hash).mockClear();
      vi.mocked(verify).mockClear();
      expect((await refused(house.signIn({ mail, password: 'a wrong one' }, NOBODY, false)))[0]).toBe(401);
      expect(vi.mocked(hash).mock.calls.length + vi.mocked(verify).mock.calls.length, mail).toBe(1);
    }
  });

  it('goes by another password once that is set, here at once and nowhere else any more', async () => {
    const here = await begin();
    const elsewhere = await house.signIn(OWNER, NOBODY, false);
    const other = 'six loud red bricks';
    const change = (before: string) =>
      house.changePassword(here.person, { before, password: other }, withCookies(here), false);
    expect((await refused(change('a wrong one')))[0]).toBe(403);
    expect(await house.asking(withCookies(elsewhere), false)).not.toBeNull();
    const changed = await change(OWNER.password);
    expect((await house.asking(withCookies(changed), false))?.person.name).toBe('Una');
    expect(await house.asking(withCookies(elsewhere), false)).toBeNull();
    expect((await refused(house.signIn(OWNER, NOBODY, false)))[0]).toBe(401);
    expect((await house.signIn({ ...OWNER, password: other }, NOBODY, false)).person.name).toBe('Una');
  });

  it('gives a cookie that no script sees, and by which one is known until one signs out', async () => {
    await begin();
    const entered = await house.signIn(OWNER, NOBODY, false);
    expect(entered.cookies.join()).toMatch(/HttpOnly/i);
    expect(entered.cookies.join()).toMatch(/SameSite=Lax/i);
    const headers = withCookies(entered);
    expect((await house.asking(headers, false))?.person).toMatchObject({ name: 'Una', role: 'owner' });
    expect(withCookies({ ...entered, cookies: await house.signOut(headers, false) }).get('cookie')).not.toContain(
      '.ey',
    );
    expect(await house.asking(headers, false)).toBeNull();
  });

  it('over https gives a cookie for https alone', async () => {
    await begin();
    const { cookies } = await house.signIn(OWNER, NOBODY, true);
    expect(cookies.every((cookie) => cookie.includes('Secure') && cookie.startsWith('__Secure-'))).toBe(true);
  });

  it('says the same of an address that nobody has and of a wrong password', async () => {
    await begin();
    const wrong = await refused(house.signIn({ ...OWNER, password: 'something else' }, NOBODY, false));
    const unknown = await refused(house.signIn({ ...OWNER, mail: 'nobody@example.org' }, NOBODY, false));
    const empty = await refused(house.signIn({ mail: 'no address', password: '' }, NOBODY, false));
    expect(unknown).toEqual(wrong);
    expect(empty).toEqual(wrong);
    expect(wrong[0]).toBe(401);
  });

  it('never takes up a session that was brought along', async () => {
    await begin();
    const mine = await house.signIn(OWNER, NOBODY, false);
    const again = await house.signIn(OWNER, withCookies(mine), false);
    expect(again.cookies).not.toEqual(mine.cookies);
    for (const cookie of ['dostik.session_token=guessed', 'dostik.session_token=a.b', 'dostik.x=1'])
      expect(await house.asking(new Headers({ cookie }), false)).toBeNull();
  });

  it('ends after a month without a visit, and is noted once a day', async () => {
    await begin();
    const entered = await house.signIn(OWNER, NOBODY, false);
    const headers = withCookies(entered);
    expect((await house.asking(headers, false))?.cookies).toEqual([]);
    const { db } = rig.database;
    const day = 24 * 60 * 60 * 1000;
    await db
      .update(sessions)
      .set({ updatedAt: new Date(Date.now() - 2 * day), expiresAt: new Date(Date.now() + 20 * day) });
    expect((await house.asking(headers, false))?.cookies.length).toBeGreaterThan(0);
    expect((await house.asking(headers, false))?.cookies).toEqual([]);
    await db.update(sessions).set({ expiresAt: new Date(Date.now() - 1) });
    expect(await house.asking(headers, false)).toBeNull();
  });

  it('keeps a password only as what Argon2id makes of it', async () => {
    await begin();
    const [kept] = await rig.database.db.select().from(credentials);
    expect(kept?.password).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
  });
});

describe('somebody who is asked into the house', () => {
  const ask = async () => {
    await begin();
    return house.invite(EDITOR);
  };

  it('sets a password by an address that is kept hashed, and holds once', async () => {
    const { secret } = await ask();
    expect(JSON.stringify(await rig.database.db.select().from(addresses))).not.toContain(secret);
    expect(await house.invited(secret)).toMatchObject({ name: 'Ines', role: 'editor' });
    const entered = await house.join(secret, 'a long word of mine', NOBODY, false);
    expect(entered?.person.name).toBe('Ines');
    expect(await house.invited(secret)).toBeNull();
    expect(await house.join(secret, 'a second word of mine', NOBODY, false)).toBeNull();
    expect(
      (await house.signIn({ mail: EDITOR.mail, password: 'a long word of mine' }, NOBODY, false)).person.role,
    ).toBe('editor');
  });

  it('can’t sign in before, and the address ends', async () => {
    const { secret } = await ask();
    expect((await refused(house.signIn({ mail: EDITOR.mail, password: '' }, NOBODY, false)))[0]).toBe(401);
    await rig.database.db.update(addresses).set({ endsAt: Date.now() - 1 });
    expect(await house.invited(secret)).toBeNull();
    expect(await house.join(secret, 'a long word of mine', NOBODY, false)).toBeNull();
  });

  it('gets another address; the one before leads nowhere, and who was signed in is so no longer', async () => {
    const { secret } = await ask();
    const entered = await house.join(secret, 'a long word of mine', NOBODY, false);
    if (!entered) throw new Error('not joined');
    const ines = entered.person.id;
    const [one, two] = [await house.address(ines), await house.address(ines)];
    expect(await house.invited(one?.secret ?? '')).toBeNull();
    await house.join(two?.secret ?? '', 'another long word', NOBODY, false);
    expect(await house.asking(withCookies(entered), false)).toBeNull();
    expect(
      (await refused(house.signIn({ mail: EDITOR.mail, password: 'a long word of mine' }, NOBODY, false)))[0],
    ).toBe(401);
    expect(await house.address('nobody')).toBeNull();
  });

  it('is asked once', async () => {
    await ask();
    expect((await refused(house.invite({ ...EDITOR, name: 'Another' })))[0]).toBe(409);
  });

  it('brings no role along that they were not given', async () => {
    const { secret } = await ask();
    await house.join(secret, 'a long word of mine', NOBODY, false);
    const members = await house.all();
    expect(members.map(({ name, role, joined }) => [name, role, joined])).toEqual([
      ['Ines', 'editor', true],
      ['Una', 'owner', true],
    ]);
    expect(members.every(({ seenAt }) => (seenAt ?? 0) > 0)).toBe(true);
  });
});

describe('the owner', () => {
  it('is never the last to go, nor made something else', async () => {
    const { person } = await begin();
    expect((await refused(house.remove(person.id)))[0]).toBe(409);
    expect((await refused(house.setRole(person.id, 'editor')))[0]).toBe(409);
    await house.invite(EDITOR);
    const ines = (await house.all())[0]?.id ?? '';
    expect(await house.setRole(ines, 'owner')).toBe(true);
    expect(await house.remove(person.id)).toBe(true);
    expect(await house.remove('nobody')).toBe(false);
    expect(
      (await rig.database.db.select().from(people).where(eq(people.role, 'owner'))).map(({ name }) => name),
    ).toEqual(['Ines']);
  });

  it('who puts somebody out signs them out', async () => {
    await begin();
    const { secret } = await house.invite(EDITOR);
    const entered = await house.join(secret, 'a long word of mine', NOBODY, false);
    if (!entered) throw new Error('not joined');
    await house.remove(entered.person.id);
    expect(await house.asking(withCookies(entered), false)).toBeNull();
    expect(await rig.database.db.select().from(sessions).where(eq(sessions.userId, entered.person.id))).toEqual([]);
  });
});

describe('the secret that cookies are signed with', () => {
  it('is kept beside the database, for its owner alone, and stays the same', async () => {
    const url = `file:${path.join(rig.folder, 'kept', 'some.db')}`;
    const made = await secretOf(undefined, url);
    expect(await secretOf(undefined, url)).toBe(made);
    const file = path.join(rig.folder, 'kept', 'secret');
    expect(existsSync(file) && statSync(file).mode & 0o077).toBe(0);
    expect(await secretOf('x'.repeat(40), url)).toBe('x'.repeat(40));
    await expect(secretOf('short', url)).rejects.toThrow('DOSTIK_SECRET');
  });

  it('signs everybody out where it is another', async () => {
    await begin();
    const entered = await house.signIn(OWNER, NOBODY, false);
    const other = new PeopleStore(rig.database, 'another secret that is long enough too', rig.addresses);
    expect(await other.asking(withCookies(entered), false)).toBeNull();
  });
});
