import { describe, expect, it } from 'vitest';
import { readFrontDoor } from './environment.js';
import { fromOutside, isLoopback, isOutside, refusal } from './frontDoor.js';

const HOME = readFrontDoor({ HOST: '127.0.0.1' });
const OPEN = readFrontDoor({ HOST: '0.0.0.0', ALLOWED_HOSTS: 'Dostik.Example, desk.example' });

const asked = (headers: Record<string, string>, method = 'GET') =>
  new Request('http://x/', { method, headers: { host: '127.0.0.1:4870', ...headers } });

describe('the name that a request asks for', () => {
  it.each(['127.0.0.1', '127.0.0.1:4870', 'localhost:4870', 'LOCALHOST', '[::1]:4870', 'desk.localhost:1'])(
    '%s is this machine',
    (host) => {
      expect(refusal(asked({ host }), HOME)).toBeNull();
    },
  );

  it.each([
    'evil.example',
    'localhost.evil.example:4870',
    '192.168.0.7',
    '127.0.0.1.evil.example',
    '',
    'a b',
    '127.0.0.1@evil',
  ])('%j is not, and is refused', (host) => {
    expect(refusal(asked({ host }), HOME)?.status).toBe(421);
  });

  it('may be an address, or a name that was allowed, where the server listens to all', () => {
    for (const host of ['192.168.0.7:80', '[fe80::1]:80', 'dostik.example', 'desk.example:443', 'localhost'])
      expect(refusal(asked({ host }), OPEN), host).toBeNull();
    expect(refusal(asked({ host: 'evil.example' }), OPEN)?.message).toContain('ALLOWED_HOSTS');
  });
});

describe('the origin of what writes', () => {
  const own = { origin: 'http://127.0.0.1:4870' };
  it.each(['POST', 'PUT', 'PATCH', 'DELETE'])('%s from our own page is done', (method) => {
    expect(refusal(asked({ ...own, 'content-type': 'application/json' }, method), HOME)).toBeNull();
  });

  it.each([
    ['another site', { origin: 'https://evil.example' }],
    ['another port of this machine', { origin: 'http://127.0.0.1:9999' }],
    ['nowhere', { origin: 'null' }],
    ['a page that hides it', { 'sec-fetch-site': 'cross-site' }],
    ['a neighbour that hides it', { 'sec-fetch-site': 'same-site' }],
  ])('from %s it is refused, JSON or not', (_, headers) => {
    for (const type of ['application/json', 'text/plain', 'application/x-www-form-urlencoded'])
      for (const method of ['POST', 'PUT', 'PATCH', 'DELETE'])
        expect(refusal(asked({ ...headers, 'content-type': type }, method), HOME)?.status).toBe(403);
  });

  it('is not asked of what only reads, nor of a program that is no browser', () => {
    expect(refusal(asked({ origin: 'https://evil.example' }), HOME)).toBeNull();
    expect(refusal(asked({}, 'PUT'), HOME)).toBeNull();
  });
});

describe('an address', () => {
  it.each(['127.0.0.1', '127.9.9.9', 'localhost', '::1', '[::1]'])('%s is this machine', (host) => {
    expect(isLoopback(host)).toBe(true);
  });
  it.each(['0.0.0.0', '::', '10.0.0.1', 'localhost.example', '128.0.0.1'])('%s is not', (host) => {
    expect(isLoopback(host)).toBe(false);
  });
});

describe('a request from outside', () => {
  it('is every one where the server listens to others, or answers to a name that they know', () => {
    expect(fromOutside(asked({}), HOME)).toBe(false);
    expect(fromOutside(asked({}), OPEN)).toBe(true);
    const proxied = readFrontDoor({ HOST: '127.0.0.1', ALLOWED_HOSTS: 'dostik.example' });
    expect([isOutside(proxied), fromOutside(asked({}), proxied)]).toEqual([true, true]);
    expect(isOutside(readFrontDoor({ HOST: '127.0.0.1', ALLOWED_HOSTS: 'desk.localhost' }))).toBe(false);
  });

  it.each(['X-Forwarded-For', 'Forwarded', 'X-Real-IP', 'Via', 'X-Forwarded-Proto', 'X-Forwarded-Host'])(
    'is one that a proxy has passed on, whatever name it asks for: %s',
    (header) => {
      expect(fromOutside(asked({ [header]: 'anything' }), HOME)).toBe(true);
    },
  );
});
