import { readdirSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { ROLES } from '../../people.js';
import { ACCESS, may, type Asking } from './access.js';

const ROUTES = path.resolve('src/routes');
const METHODS = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'] as const;
const ASKING: readonly Asking[] = [...ROLES, 'nobody'];

/** Every page and every address there is, as SvelteKit names it. */
const routes = readdirSync(ROUTES, { recursive: true, encoding: 'utf8' })
  .filter((file) => /(?:^|\/)\+(?:page\.svelte|server\.ts)$/.test(file))
  .map((file) => {
    const folder = path.posix.dirname(file);
    return folder === '.' ? '/' : `/${folder}`;
  });

/** What somebody reaches who should reach no more than this. */
const reached = (asking: Asking) =>
  Object.keys(ACCESS).filter((route) => METHODS.some((method) => may(asking, route, method)));

/** What leads to the patterns that somebody has written themselves. */
const OWN = ['/mine', '/mine/[id]', '/api/mine/[id]/[number]', '/api/mine/[id]/drafts'];

describe('who may what', () => {
  it('is said of every route there is, and of no other', () => {
    expect(routes.length).toBeGreaterThan(60);
    expect(Object.keys(ACCESS).toSorted()).toEqual([...new Set(routes)].toSorted());
  });

  it('lets nobody to what is not named', () => {
    for (const asking of ASKING) {
      expect(may(asking, '/api/new', 'GET')).toBe(false);
      expect(may(asking, '/api/session', 'PUT')).toBe(false);
      expect(may(asking, 'constructor', 'name')).toBe(false);
    }
  });

  it('leaves to who is not signed in the door, the card, and what asks after a secret itself', () => {
    expect(reached('nobody')).toEqual([
      '/bench',
      '/bench/[secret]',
      '/bench/devices',
      '/calendar/[secret]',
      '/card',
      '/enter',
      '/healthz',
      '/join/[secret]',
      '/letter/[secret]',
      '/metrics',
      '/api/bench/[secret]',
      '/api/bench/[secret]/[token]/photographs/[photograph]',
      '/api/bench/[secret]/[token]/steps',
      '/api/bench/[secret]/testers',
      '/api/join/[secret]',
      '/api/letter/[secret]/[number]',
      '/api/people/first',
      '/api/schema',
      '/api/session/passkey',
      '/api/session/passkey/begin',
      '/api/session',
    ]);
  });

  it('gives a designer their own patterns besides, and a tester those that they have joined', () => {
    const known = new Set(reached('nobody'));
    const more = (asking: Asking) => reached(asking).filter((route) => !known.has(route));
    const account = [
      '/account',
      '/api/account/passkeys',
      '/api/account/passkeys/[id]',
      '/api/account/passkeys/begin',
      '/api/account/password',
      '/api/bench/own',
    ];
    expect(more('designer').toSorted()).toEqual([...OWN, ...account].toSorted());
    expect(more('tester').toSorted()).toEqual(account);
  });

  it('gives an editor all but people and the whole of it at once; the owner everything but what is a designer’s own', () => {
    const all = reached('owner');
    expect(all).toEqual(Object.keys(ACCESS).filter((route) => !OWN.includes(route)));
    const kept = new Set(reached('editor'));
    expect(all.filter((route) => !kept.has(route))).toEqual([
      '/deeds',
      '/people',
      '/workspace',
      '/api/addresses/[mark]',
      '/api/backups',
      '/api/deeds',
      '/api/people',
      '/api/people/[id]',
      '/api/people/[id]/address',
      '/api/workspace',
    ]);
  });
});
