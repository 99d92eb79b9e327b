import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import type { RequestEvent } from '@sveltejs/kit';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DEEDS, inWords, NOT_NOTED } from '../deeds.js';
import type { Person } from '../people.js';
import { PAGE, type Doing } from './deeds.js';
import { deedsOf, noteDeeds } from './people/noting.js';
import { makeRig, type Rig } from './testing.js';

let rig: Rig;
vi.mock('./store.js', () => ({ stores: () => Promise.resolve(rig) }));
beforeEach(async () => {
  rig = await makeRig();
});
afterEach(() => rig.end());

const UNA: Person = { id: 'una', name: 'Una', mail: 'una@example.org', role: 'owner' };
const INES: Person = { id: 'ines', name: 'Ines', mail: 'ines@example.org', role: 'editor' };
const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;

const doing = (deed: string, more: Partial<Doing> = {}): Doing => ({
  deed,
  person: UNA,
  patternId: null,
  about: '',
  place: '10.0.0.7',
  refused: false,
  ...more,
});

/** A request, as the front door sees it. */
function event(method: string, route: string, more: Partial<App.Locals> = {}, params: Record<string, string> = {}) {
  return {
    request: new Request('http://here/', { method }),
    route: { id: route },
    params,
    locals: { person: UNA, signedIn: true, ...more },
    getClientAddress: () => '10.0.0.7',
  } as unknown as RequestEvent;
}

describe('what is noted', () => {
  it('is said of every route that writes, and of none that there is not', () => {
    const folder = path.resolve('src/routes');
    const writing = readdirSync(folder, { recursive: true, encoding: 'utf8' })
      .filter((file) => file.endsWith('+server.ts'))
      .flatMap((file) =>
        [...readFileSync(path.join(folder, file), 'utf8').matchAll(/export const (POST|PUT|PATCH|DELETE)\b/g)].map(
          ([, method]) => `${method} /${path.posix.dirname(file)}`,
        ),
      );
    expect(writing.length).toBeGreaterThan(50);
    const said = [...Object.keys(DEEDS), ...NOT_NOTED].map((key) => key.split(' ').slice(0, 2).join(' '));
    expect([...new Set(said)].filter((key) => !key.startsWith('GET ')).toSorted()).toEqual(writing.toSorted());
  });

  it('is what was done where people sign in, with who, about what and from where', () => {
    expect(deedsOf(event('PUT', '/api/patterns/[id]', {}, { id: 'p1' }), 200)).toEqual([
      { deed: 'PUT /api/patterns/[id]', person: UNA, patternId: 'p1', about: '', place: '10.0.0.7', refused: false },
    ]);
    const several = { deed: { patterns: ['a', 'b'], as: 'away' } };
    expect(deedsOf(event('PUT', '/api/shelf', several), 200).map(({ deed, patternId }) => [deed, patternId])).toEqual([
      ['PUT /api/shelf away', 'a'],
      ['PUT /api/shelf away', 'b'],
    ]);
  });

  it('is nothing at home, nor of what was read, or could not be done as it was asked', () => {
    expect(deedsOf(event('PUT', '/api/patterns/[id]', { signedIn: false }), 200)).toEqual([]);
    expect(deedsOf(event('GET', '/api/patterns/[id]'), 200)).toEqual([]);
    for (const status of [400, 404, 409, 413, 507])
      expect(deedsOf(event('PUT', '/api/patterns/[id]'), status)).toEqual([]);
  });

  it('is what was refused to somebody: a wrong password with the address, what is not theirs, secrets that lead nowhere', () => {
    const nobody = { person: null, deed: { about: 'una@example.org' } };
    expect(deedsOf(event('POST', '/api/session', nobody), 401)).toMatchObject([
      { about: 'una@example.org', person: null, refused: true },
    ]);
    expect(deedsOf(event('POST', '/api/session', { person: UNA, deed: nobody.deed }), 200)).toMatchObject([
      { about: '', person: UNA, refused: false },
    ]);
    expect(deedsOf(event('DELETE', '/api/people/[id]', { person: INES }), 403)).toMatchObject([{ refused: true }]);
    expect(deedsOf(event('POST', '/api/join/[secret]', { person: null }), 404)).toMatchObject([{ refused: true }]);
  });

  it('does not undo what was done where it can’t be noted', async () => {
    const said = vi.spyOn(console, 'error').mockImplementation(() => undefined);
    vi.spyOn(rig.deeds, 'note').mockRejectedValue(new Error('database or disk is full'));
    await noteDeeds(event('PUT', '/api/style'), new Response(null, { status: 204 }));
    expect(said).toHaveBeenCalledOnce();
    said.mockRestore();
  });
});

describe('the list of what was done', () => {
  it('has the same again within a quarter of an hour as one, with its first and last time', async () => {
    const id = await rig.patterns.add({ name: 'Tug', text: 'Rnd 1: 6 sc (6)\n' });
    const wrote = doing('PUT /api/patterns/[id]', { patternId: id });
    for (const at of [0, 5, 14, 60]) await rig.deeds.note([wrote], 1e12 + at * MINUTE);
    await rig.deeds.note([{ ...wrote, person: INES }], 1e12 + 61 * MINUTE);
    const list = await rig.deeds.list({});
    expect(list.map(({ who, times, about, pattern }) => [who, times, about, pattern])).toEqual([
      ['Ines', 1, 'Tug', id],
      ['Una', 1, 'Tug', id],
      ['Una', 3, 'Tug', id],
    ]);
    expect(list[2]).toMatchObject({ first: 1e12, at: 1e12 + 14 * MINUTE });
  });

  it('is looked through by who, what, words and days', async () => {
    const id = await rig.patterns.add({ name: '100% Tug_boat', text: 'Rnd 1: 6 sc (6)\n' });
    const noon = Date.parse('2026-03-14T12:00:00Z');
    await rig.deeds.note([doing('PUT /api/patterns/[id]', { patternId: id })], noon);
    await rig.deeds.note([doing('POST /api/people', { about: 'Ines, editor' })], noon + DAY);
    await rig.deeds.note([doing('POST /api/session', { person: INES })], noon + 2 * DAY);
    const deeds = async (sought: Parameters<typeof rig.deeds.list>[0]) =>
      (await rig.deeds.list(sought)).map(({ deed }) => deed);
    expect(await deeds({ who: 'Ines' })).toEqual(['POST /api/session']);
    expect(await deeds({ matter: 'people' })).toEqual(['POST /api/session', 'POST /api/people']);
    expect(await deeds({ words: '0% tug_' })).toEqual(['PUT /api/patterns/[id]']);
    expect(await deeds({ words: '%' })).toEqual(['PUT /api/patterns/[id]']);
    expect(await deeds({ words: 'ines' })).toEqual(['POST /api/people']);
    expect(await deeds({ from: '2026-03-15', to: '2026-03-15' })).toEqual(['POST /api/people']);
    expect(await rig.deeds.names()).toEqual(['Ines', 'Una']);
  });

  it('is told a page at a time, and all of it when it is taken out', async () => {
    await rig.deeds.note(Array.from({ length: PAGE + 5 }, (_, i) => doing('POST /api/people', { about: `No. ${i}` })));
    const first = await rig.deeds.list({});
    expect([first.length, first[0]?.about]).toEqual([PAGE, `No. ${PAGE + 4}`]);
    const next = await rig.deeds.list({ before: first.at(-1)?.id });
    expect(next.map(({ about }) => about)).toEqual(['No. 4', 'No. 3', 'No. 2', 'No. 1', 'No. 0']);
    expect((await rig.deeds.all({})).length).toBe(PAGE + 5);
  });

  it('forgets what is older than 400 days', async () => {
    await rig.deeds.note([doing('PUT /api/style')], 1e12);
    await rig.deeds.note([doing('PUT /api/rules')], 1e12 + 401 * DAY);
    expect((await rig.deeds.list({})).map(({ deed }) => deed)).toEqual(['PUT /api/rules']);
  });
});

describe('a deed in words', () => {
  it.each([
    [{ deed: 'PUT /api/patterns/[id]', about: 'Tug', refused: false, times: 1 }, 'wrote in Tug'],
    [{ deed: 'PUT /api/patterns/[id]', about: 'Tug', refused: false, times: 3 }, 'wrote in Tug, 3 times'],
    [
      { deed: 'POST /api/session', about: 'una@example.org', refused: true, times: 2 },
      'signed in una@example.org, 2 times: refused',
    ],
  ])('%j', (deed, words) => {
    expect(inWords(deed)).toBe(words);
  });
});
