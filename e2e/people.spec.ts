import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { expect, type BrowserContext, type Page } from '@playwright/test';
import { may, type Asking } from '../src/lib/server/people/access.js';
import { sound } from './page.js';
import { Server, test } from './server.js';

const OWNER = { name: 'Una', mail: 'una@example.org', password: 'four quiet grey stones' };
const INES = { name: 'Ines', mail: 'ines@example.org', password: 'a long word of mine' };

/** Signs in as somebody who has an account. */
async function signIn(page: Page, { mail, password }: typeof INES): Promise<void> {
  await page.getByLabel('Mail address').fill(mail);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
}

test.describe('a server that others can reach', () => {
  let server: Server;
  test.beforeAll(async () => {
    server = new Server(null, { HOST: '0.0.0.0' });
    await server.start();
  });
  test.afterAll(() => server.kill());

  test('asks for the first account, and from then on who one is', async ({ browser }) => {
    const page = await (await browser.newContext()).newPage();
    const word = wordOf(server);
    expect(word.length).toBeGreaterThan(8);

    // Whoever comes is led to the door, and stays there without the word.
    await page.goto(`${server.url}/rules`);
    await expect(page.getByRole('heading', { name: 'The first account' })).toBeVisible();
    await sound(page);
    await page.getByLabel('Word', { exact: true }).fill('guessed');
    await page.getByLabel('Name').fill(OWNER.name);
    await page.getByLabel('Mail address').fill(OWNER.mail);
    await page.getByLabel('Password').fill(OWNER.password);
    await page.getByRole('button', { name: 'Make the account' }).click();
    await expect(page.getByRole('alert')).toContainText('not the word that stands on the terminal');
    await page.getByLabel('Word', { exact: true }).fill(word);
    await page.getByRole('button', { name: 'Make the account' }).click();
    await expect(page.getByRole('heading', { name: 'Rules', level: 1 })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Sign out Una' })).toBeVisible();

    // Ines is asked in; her address is opened in another browser.
    await page.keyboard.press('Alt+Shift+m');
    await page.getByRole('button', { name: 'Ask somebody in' }).click();
    await page.getByLabel('Name').fill(INES.name);
    await page.getByLabel('Mail address').fill(INES.mail);
    await page.getByRole('button', { name: 'Make the address' }).click();
    const address = await page.locator('.address').textContent();
    await expect(page.getByText('has not set a password yet')).toBeVisible();
    await sound(page);

    const other = await browser.newContext();
    const hers = await other.newPage();
    await hers.goto(address ?? '');
    await expect(hers.getByRole('heading', { name: 'Welcome, Ines' })).toBeVisible();
    await hers.getByLabel('Password').fill(INES.password);
    await hers.getByRole('button', { name: 'Keep it, and go in' }).click();
    await expect(hers.getByRole('heading', { name: 'Shelf', level: 1 })).toBeVisible();
    // What is the owner’s is neither shown nor given.
    await expect(hers.getByRole('link', { name: 'People' })).toBeHidden();
    await hers.goto(`${server.url}/people`);
    await expect(hers.getByText('This is not for you to see or to do.', { exact: false })).toBeVisible();
    await hers.goto(address ?? '');
    await expect(hers.getByRole('heading', { name: 'This leads nowhere' })).toBeVisible();

    // She signs out, and in again; then she is put out.
    await hers.goto(`${server.url}/style`);
    await hers.getByRole('button', { name: 'Sign out Ines' }).click();
    await expect(hers.getByRole('heading', { name: 'Sign in' })).toBeVisible();
    await sound(hers);
    await signIn(hers, { ...INES, password: 'something else' });
    await expect(hers.getByRole('alert')).toContainText('do not belong together');
    await signIn(hers, INES);
    await expect(hers.getByRole('heading', { name: 'Shelf', level: 1 })).toBeVisible();
    await page.reload();
    await page.getByRole('button', { name: 'Put out Ines' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Put out' }).click();
    await expect(page.getByText('Ines is out', { exact: false })).toBeVisible();
    await hers.goto(`${server.url}/`);
    await expect(hers.getByRole('heading', { name: 'Sign in' })).toBeVisible();
    await other.close();
  });

  test('goes by the same rules at every address, with every role and without one', async ({ browser }) => {
    const owner = await browser.newContext();
    const { request } = owner;
    await request.post(`${server.url}/api/people/first`, { data: { ...OWNER, word: wordOf(server) } });
    await request.post(`${server.url}/api/session`, { data: OWNER });
    const roles: Partial<Record<Asking, string>> = { nobody: '', owner: await cookieOf(owner) };
    for (const role of ['editor', 'designer', 'tester'] as const) {
      const invited = await request.post(`${server.url}/api/people`, {
        data: { name: role, mail: `${role}@example.org`, role },
      });
      const { secret } = (await invited.json()) as { secret: string };
      const context = await browser.newContext();
      const joined = await context.request.post(`${server.url}/api/join/${secret}`, {
        data: { password: 'a long word of theirs' },
      });
      expect(joined.ok()).toBe(true);
      roles[role] = await cookieOf(context);
      await context.close();
    }

    const wrong: string[] = [];
    let asked = 0;
    for (const [asking, cookie] of Object.entries(roles) as [Asking, string][])
      for (const { route, methods } of routes())
        for (const method of methods) {
          // Nothing is done by it: there is no such pattern, and nothing is sent along.
          const to = route.replaceAll(/\(\w+\)\//g, '').replaceAll(/\[\w+\]/g, 'none');
          if (route === '/api/session' && method === 'DELETE') continue;
          const headers = { origin: server.url, ...(cookie ? { cookie } : {}) };
          const { status } = await fetch(server.url + to, { method, headers, redirect: 'manual' });
          asked += 1;
          const barred = status === 401 || status === 403 || status === 303;
          // What leads nowhere says so with 401 too, where a password is asked for.
          if (route !== '/api/session' && route !== '/api/people/first' && barred === may(asking, route, method))
            wrong.push(`${asking} ${method} ${route}: ${status}`);
          expect(status, `${asking} ${method} ${route}`).toBeLessThan(500);
        }
    expect(wrong).toEqual([]);
    expect(asked).toBeGreaterThan(400);
  });

  test('slows down who tries passwords', async ({ page }) => {
    const tried: number[] = [];
    for (let i = 0; i < 22; i += 1) {
      const answer = await page.request.post(`${server.url}/api/session`, {
        data: { mail: OWNER.mail, password: `guess ${i}` },
      });
      tried.push(answer.status());
    }
    expect(tried[0]).toBe(401);
    expect(tried.at(-1)).toBe(429);
  });

  test('leads to no place of another house', async ({ page }) => {
    for (const to of ['//evil.example', 'https://evil.example', '/\\evil.example', 'javascript:alert(1)', '/a b']) {
      await page.goto(`${server.url}/enter?to=${encodeURIComponent(to)}`);
      const data = await page.evaluate(() => document.documentElement.innerHTML);
      expect(data.includes(`to:"${to}"`), to).toBe(false);
    }
  });
});

test('a key of the device signs in, until it is taken out', async ({ page, server }) => {
  // A key is for a name, not for an address.
  const home = server.url.replace('127.0.0.1', 'localhost');
  const post = (path: string, data: unknown) => page.request.post(home + path, { data, headers: { origin: home } });
  expect((await post('/api/people/first', { ...OWNER, word: '' })).ok()).toBe(true);
  expect((await post('/api/people', { name: INES.name, mail: INES.mail, role: 'editor' })).ok()).toBe(true);
  const device = await page.context().newCDPSession(page);
  await device.send('WebAuthn.enable');
  await device.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });

  await page.goto(`${home}/account`);
  await page.getByLabel('What this device is called').fill('Laptop at the desk');
  await page.getByRole('button', { name: 'Make a key' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Laptop at the desk' })).toBeVisible();
  await sound(page);

  await page.getByRole('button', { name: 'Sign out' }).click();
  await page.getByRole('button', { name: 'Sign in by a passkey' }).click();
  await expect(page.getByRole('heading', { name: 'Shelf', level: 1 })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Sign out Una' })).toBeVisible();

  // It is written down, and can be looked up.
  await page.goto(`${home}/deeds?matter=people`, { waitUntil: 'networkidle' });
  await expect(page.getByText('signed in by a passkey')).toBeVisible();
  await expect(page.getByText('added a passkey')).toBeVisible();
  await sound(page);
  const table = await page.request.get(`${home}/api/deeds?matter=people`);
  expect(await table.text()).toContain('signed in by a passkey');

  await page.goto(`${home}/account`);
  await page.getByRole('button', { name: 'Take out Laptop at the desk' }).click();
  await expect(page.getByText('signs nobody in any more', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await page.getByRole('button', { name: 'Sign in by a passkey' }).click();
  await expect(page.getByRole('alert')).toContainText('This key was not taken');
});

test('whoever works alone at home notices nothing of it, until there is a second person', async ({ page, server }) => {
  const stranger = (path: string) => fetch(server.url + path, { redirect: 'manual' });
  await page.goto(`${server.url}/people`);
  await expect(page.getByText('You work alone, on this machine', { exact: false })).toBeVisible();
  await expect(page.getByRole('button', { name: /Sign out/ })).toHaveCount(0);
  expect((await stranger('/enter')).headers.get('location')).toBe('/');

  // A proxy that somebody put before it makes it no home for all the world.
  const passedOn = { headers: { 'x-forwarded-for': '203.0.113.9' }, redirect: 'manual' } as const;
  expect((await fetch(`${server.url}/api/patterns`, passedOn)).status).toBe(401);
  expect((await fetch(`${server.url}/rules`, passedOn)).headers.get('location')).toBe('/enter?to=%2Frules');
  expect(server.said).toMatch(/ word \S{8}/);

  // An account of one's own changes nothing yet.
  await page.getByLabel('Name').fill(OWNER.name);
  await page.getByLabel('Mail address').fill(OWNER.mail);
  await page.getByLabel('Password').fill(OWNER.password);
  await page.getByRole('button', { name: 'Make the account' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: OWNER.mail })).toContainText('you');
  expect((await stranger('/rules')).status).toBe(200);

  await page.getByRole('button', { name: 'Ask somebody in' }).click();
  await expect(page.getByText('From now on everybody signs in, you too.', { exact: false })).toBeVisible();
  await page.getByLabel('Name').fill(INES.name);
  await page.getByLabel('Mail address').fill(INES.mail);
  await page.getByRole('button', { name: 'Make the address' }).click();
  await expect(page.getByRole('heading', { name: 'The address for Ines' })).toBeVisible();
  expect((await stranger('/rules')).headers.get('location')).toBe('/enter?to=%2Frules');
  expect((await stranger('/api/patterns')).status).toBe(401);
  await page.goto(`${server.url}/rules`);
  await expect(page.getByRole('heading', { name: 'Rules', level: 1 })).toBeVisible();
});

/** The word that makes the first account. */
const wordOf = ({ said }: Server): string => / word (\S+)/.exec(said)?.[1] ?? '';

async function cookieOf(context: BrowserContext): Promise<string> {
  const cookies = await context.cookies();
  expect(cookies.every(({ httpOnly, sameSite }) => httpOnly && sameSite === 'Lax')).toBe(true);
  return cookies.map(({ name, value }) => `${name}=${value}`).join('; ');
}

/** Every page and every address there is, with what can be asked of it. */
function routes(): { route: string; methods: string[] }[] {
  return readdirSync('src/routes', { recursive: true, encoding: 'utf8' }).flatMap((file) => {
    const name = path.basename(file);
    if (name !== '+page.svelte' && name !== '+server.ts') return [];
    const folder = path.posix.dirname(file);
    const route = folder === '.' ? '/' : `/${folder}`;
    if (name === '+page.svelte') return [{ route, methods: ['GET'] }];
    const source = readFileSync(path.join('src/routes', file), 'utf8');
    return [
      {
        route,
        methods: [...source.matchAll(/export const (GET|POST|PUT|PATCH|DELETE)\b/g)].flatMap(([, m]) => m ?? []),
      },
    ];
  });
}
