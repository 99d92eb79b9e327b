/**
 * What the application has to bear: kills, hostile requests, script in every field, texts that are too much. A share of it
 * runs with all tests; `npm run endure` runs the whole.
 */
import { renameSync } from 'node:fs';
import { request } from 'node:http';
import { Worker } from 'node:worker_threads';
import { expect } from '@playwright/test';
import { openDesk, saved, typeFirst } from './page.js';
import { test, type Server } from './server.js';

const WHOLE = process.env.ENDURE === 'whole';
const BALL = 'Ball\nUS terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nFasten off.\n';

test('kills while one types lose nothing', async ({ page, server }) => {
  const id = await server.takeIn(BALL);
  await openDesk(page, server.url, id);
  await typeFirst(page, '');
  let typed = '';
  for (let kill = 1; kill <= (WHOLE ? 20 : 2); kill += 1) {
    const words = `kill ${kill}, `;
    const typing = page.keyboard.type(words, { delay: 20 });
    await page.waitForTimeout((kill * 37) % 180);
    await server.kill();
    await typing;
    await server.start();
    typed += words;
    if (kill % 4 === 0) {
      await page.reload();
      await expect(page.getByLabel('Manuscript')).toContainText(typed.trim());
      await page.getByLabel('Manuscript').focus();
      await page.keyboard.press('Control+Home');
      for (let i = 0; i < typed.length; i += 1) await page.keyboard.press('ArrowRight');
    }
  }
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await saved(page);
  expect((await server.pattern(id)).text).toBe(typed + BALL);
});

test('server and browser together, killed after typing without a pause, lose little more than a second', async ({
  browser,
  server,
}) => {
  const id = await server.takeIn(BALL);
  const context = await browser.newContext();
  const page = await context.newPage();
  await openDesk(page, server.url, id);
  await typeFirst(page, '');
  const end = Date.now() + (WHOLE ? 15_000 : 8000);
  const typed: { at: number; words: string }[] = [];
  // However slowly this machine types, enough has been typed long before the end.
  const due = (until: number) => typed.filter(({ at }) => at < until - 2000).map(({ words }) => words);
  while (Date.now() < end || due(Date.now()).length <= 10) {
    const words = `${typed.length} `;
    await page.keyboard.type(words);
    typed.push({ at: Date.now(), words });
    await page.waitForTimeout(60);
  }
  const killed = Date.now();
  await server.kill();
  await context.close();
  await server.start();
  const { text } = await server.pattern(id);
  // A second, and what a busy machine takes to send it.
  expect(due(killed).length).toBeGreaterThan(10);
  expect(text.startsWith(due(killed).join(''))).toBe(true);
});

/** Messages are for people: none of the schema's own words, none of the database's. */
const NO_WORDS_FOR_PEOPLE = /invalid|expected|received|undefined|zod|sqlite|\bnull\b|at path|regex/i;

test('hostile requests are refused in words, and change nothing', async ({ page, server }) => {
  const id = await server.takeIn(BALL);
  const api = `/api/patterns/${id}`;
  const bodies: unknown[] = [
    null,
    3,
    'x',
    [],
    {},
    { text: 1 },
    { __proto__: null, base: -1 },
    { text: ['x'], base: 1.5 },
  ];
  const routes = [
    ['POST', '/api/patterns'],
    ['PUT', api],
    ['PATCH', api],
    ['PUT', `${api}/ticks`],
    ['PUT', `${api}/dismissals`],
    ['PUT', `${api}/rules`],
    ['PUT', `${api}/terms`],
    ['PUT', `${api}/terms/decisions`],
    ['POST', `${api}/editions`],
    ['POST', `${api}/settle`],
    ['PUT', '/api/rules'],
    ['PUT', '/api/style'],
  ] as const;
  for (const [method, address] of routes) {
    for (const body of bodies) {
      // Any object is a house style, as long as it is one of words.
      if (address === '/api/style' && typeof body === 'object' && !Array.isArray(body) && body !== null) continue;
      const answer = await server.ask(method, address, body);
      const words = await answer.text();
      expect(answer.status, `${method} ${address} ${JSON.stringify(body)}: ${words}`).toBe(400);
      expect(words).not.toMatch(NO_WORDS_FOR_PEOPLE);
    }
    const broken = await fetch(server.url + address, {
      method,
      headers: { 'content-type': 'application/json' },
      body: '{"text":',
    });
    expect([broken.status, await broken.text()]).toEqual([400, expect.stringContaining('not JSON')]);
    for (const headers of [{ origin: 'https://evil.example' }, { origin: 'null' }])
      for (const type of ['application/json', 'text/plain'])
        expect(await raw(server, method, address, { ...headers, 'content-type': type }, '{}')).toBe(403);
    expect(await raw(server, method, address, { host: 'evil.example' }, '{}')).toBe(421);
  }
  for (const address of ['/', `/desk/${id}`, api, '/card', '/rules'])
    expect(await raw(server, 'GET', address, { host: 'evil.example:80' })).toBe(421);

  for (const rule of ['__proto__', 'constructor', 'toString', 'count/never'])
    for (const address of ['/api/rules', `${api}/rules`]) {
      const answer = await server.ask('PUT', address, { rule, severity: 'off' });
      expect([answer.status, await answer.text()]).toEqual([404, expect.stringMatching(/there is no such rule/i)]);
    }
  const tooLarge = await server.ask('POST', '/api/patterns', { text: 'x'.repeat(30_000_000), name: '' });
  expect([tooLarge.status, await tooLarge.text()]).toEqual([
    413,
    expect.stringContaining('larger than a pattern can be'),
  ]);
  const tooLong = await server.ask('POST', '/api/patterns', { text: 'x'.repeat(5_000_000), name: '' });
  expect([tooLong.status, await tooLong.text()]).toEqual([400, expect.stringContaining('longer than 4,000,000')]);
  await server.ask('PATCH', api, { name: 'a\0b' });
  expect(await server.pattern(id)).toMatchObject({ text: BALL, revision: 1, name: 'a b' });
  for (const address of ['/desk/nobody', '/nowhere', '/desk/%00', '/desk/..%2f..%2fetc', '/style?from=%27;--'])
    expect((await server.ask('GET', address)).status).toBeLessThan(500);
  await openDesk(page, server.url, id);
});

test('pages and answers carry what keeps them safe', async ({ server }) => {
  const id = await server.takeIn(BALL);
  for (const address of ['/', `/desk/${id}`, '/rules', '/style', '/card', '/away', '/nowhere']) {
    const { headers } = await server.ask('GET', address);
    const policy = headers.get('content-security-policy') ?? '';
    expect(policy, address).toContain("frame-ancestors 'none'");
    expect(policy, address).toMatch(/script-src 'self'/);
    expect(/script-src[^;]*/.exec(policy)?.[0], address).not.toContain('unsafe');
    expect(headers.get('x-content-type-options'), address).toBe('nosniff');
    expect(headers.get('x-frame-options'), address).toBe('DENY');
    expect(headers.get('cache-control'), address).toContain('private');
  }
  const { headers } = await server.ask('GET', `/api/patterns/${id}`);
  expect(headers.get('cache-control')).toBe('private, no-store');
});

test('script in every field stays text', async ({ page, server }) => {
  const payloads = [
    '<script>window.caught=1</script>',
    '"><img src=x onerror=window.caught=1>',
    '</script><script>window.caught=1</script>',
    '{@html "<img src=x onerror=window.caught=1>"}',
    "javascript:window.caught=1//'",
    ...(WHOLE
      ? ['<svg/onload=window.caught=1>', '\u2028window.caught=1', ']]><!--', '%3Cscript%3E', '`${window.caught=1}`']
      : []),
  ];
  for (const payload of payloads) {
    const text = `${payload}\nUS terms\n\nMaterials\n- ${payload}\n\n${payload} (make 2)\nRnd 1: 6 sc in MR (7) ${payload}\nRnd 2: ${payload} (12)\nSew the ${payload} on.\n`;
    const id = await server.takeIn(text, payload);
    await server.ask('PUT', `/api/patterns/${id}/dismissals`, { key: 'k', rule: 'count/stated', reason: payload });
    await server.ask('PUT', `/api/patterns/${id}/terms/decisions`, { to: 'uk', key: 'k', written: payload });
    await server.ask('PUT', '/api/style', { [payload.slice(0, 40)]: payload.slice(0, 40) });
    for (const address of [
      `/desk/${id}`,
      `/terms/${id}`,
      `/desk/${id}/print`,
      `/desk/${id}/rules`,
      `/style?from=${id}`,
      '/',
    ]) {
      await page.goto(server.url + address);
      await page.waitForLoadState('networkidle');
      expect(await page.evaluate(() => 'caught' in window), address).toBe(false);
    }
    await server.ask('PUT', '/api/shelf', { ids: [id], away: true });
  }
});

test('a database that goes from under the server: all can be read, and typed on, until it is there again', async ({
  page,
  server,
}) => {
  const id = await server.takeIn(BALL);
  await openDesk(page, server.url, id);
  const away = `${server.database}.away`;
  renameSync(server.database, away);
  await typeFirst(page, 'Where to? ');
  await expect(page.getByRole('alert')).toContainText('was moved or deleted');
  await expect(page.locator('[data-save=failed]')).toBeVisible();
  expect((await server.ask('PUT', `/api/patterns/${id}`, { text: 'x', base: 1 })).status).toBe(503);
  expect((await server.ask('GET', '/healthz')).status).toBe(503);

  // It is no error page: the shelf and the Desk are there, and say it.
  await page.goto(server.url);
  await expect(page.getByRole('alert')).toContainText('Nothing can be kept at present.');
  await expect(page.locator('[data-row]').first()).toBeVisible();
  await page.goto(`${server.url}/desk/${id}`);
  await expect(page.getByText('Where to? ', { exact: false }).first()).toBeVisible();
  await expect(page.getByRole('alert')).toContainText('was moved or deleted');

  renameSync(away, server.database);
  await expect(page.getByRole('alert')).toBeHidden();
  await expect(page.locator('[data-save=saved]')).toBeVisible();
  expect((await server.pattern(id)).text).toContain('Where to? ');
});

/** Texts of up to 2 MB, each the worst of its kind for somebody. */
const HEAVY: Readonly<Record<string, () => string>> = {
  'many rounds': () => Array.from({ length: 75_000 }, (_, i) => `Rnd ${i + 1}: sc ${i + 3} (${i + 4})\n`).join(''),
  brackets: () => Array.from({ length: 2_000_000 }, (_, i) => '()[]{}<>'.charAt((i * 7919) % 8)).join(''),
  'strange characters': () => '\u2028é"</script>'.repeat(100_000),
  'lines of brackets': () => Array.from({ length: 2_000_000 }, (_, i) => '()[]{}<>\n'.charAt((i * 7919) % 9)).join(''),
  'a faulty round of many steps': () => `Rnd 1: 6 sc in MR (6)\nRnd 2: ${'sc 1, inc, '.repeat(160)}(7)\n`.repeat(800),
};
/** No other request may wait longer; a machine that runs other tests beside it is given more. Milliseconds. */
const LONGEST_WAIT = WHOLE ? 100 : 1000;

for (const [name, write] of Object.entries(HEAVY).slice(0, WHOLE ? undefined : 2)) {
  test(`no text of up to 2 MB holds up another request, or makes its Desk unusable: ${name}`, async ({
    page,
    server,
  }) => {
    const text = write();
    const id = await server.takeIn(text, name);
    const others = waits(server);
    for (const [method, address, body] of [
      ['PUT', `/api/patterns/${id}`, { text: `${text}\n`, base: 1 }],
      ['GET', `/desk/${id}`],
      ['GET', `/desk/${id}/print`],
      ['GET', `/desk/${id}/print/__data.json`],
      ['GET', `/style?from=${id}`],
      ['GET', `/terms/${id}`],
      ['POST', `/api/patterns/${id}/editions`, { to: 'uk' }],
      ['GET', '/'],
    ] as const)
      await (await server.ask(method, address, body)).arrayBuffer();
    expect(await others(), name).toBeLessThan(LONGEST_WAIT);

    await page.goto(`${server.url}/desk/${id}`);
    await typeFirst(page, 'Here. ');
    await expect(page.getByLabel('Manuscript')).toContainText('Here. ');
    await saved(page);
    expect((await server.pattern(id)).text.startsWith('Here. ')).toBe(true);
  });
}

/** Asks something small again and again until it is called; returns the longest wait. */
function waits(server: Server): () => Promise<number> {
  // In a thread of its own: this one is busy with writing the large requests.
  const asking = new Worker(
    `const { parentPort, workerData } = require('node:worker_threads');
    let on = true;
    parentPort.once('message', () => (on = false));
    (async () => {
      let longest = 0;
      while (on) {
        const start = performance.now();
        await (await fetch(workerData)).text();
        longest = Math.max(longest, performance.now() - start);
        await new Promise((resolve) => setTimeout(resolve, 5));
      }
      parentPort.postMessage(longest);
    })();`,
    { eval: true, workerData: `${server.url}/api/patterns/nobody` },
  );
  const longest = new Promise<number>((resolve) => asking.once('message', resolve));
  return () => {
    asking.postMessage('enough');
    return longest;
  };
}

/** The status of a request with headers that fetch would not send. */
function raw(
  server: Server,
  method: string,
  address: string,
  headers: Record<string, string>,
  body = '',
): Promise<number> {
  return new Promise((resolve, reject) => {
    const asked = request(server.url + address, { method, headers }, (answer) => {
      answer.resume();
      resolve(answer.statusCode ?? 0);
    });
    asked.on('error', reject);
    asked.end(body);
  });
}
