import { request as ask, type IncomingMessage } from 'node:http';
import { gzipSync } from 'node:zlib';
import { expect, type APIRequestContext, type APIResponse, type Page } from '@playwright/test';
import { strToU8, zipSync } from 'fflate';
import { Server, test } from './server.js';

const OWNER = { name: 'Una', mail: 'una@example.org', password: 'four quiet grey stones' };
/** It says so where it is run, breaks out of a quotation mark and a tag, and ends a script. */
const EVIL = `</script><img src=x onerror="document.title='run'"><svg onload="document.title='run'">"'><b id=evil>`;

/** The usual ways into a house that is reached from outside, each tried. */
test.describe('no way in', () => {
  let server: Server;
  let owner: APIRequestContext;
  let id: string;

  test.beforeAll(async ({ playwright }) => {
    server = new Server(null, { HOST: '0.0.0.0' });
    await server.start();
    owner = await playwright.request.newContext({ baseURL: server.url, extraHTTPHeaders: { origin: server.url } });
    const word = / word (\S+)/.exec(server.said)?.[1] ?? '';
    expect((await owner.post('/api/people/first', { data: { ...OWNER, word } })).ok()).toBe(true);
    const taken = await owner.post('/api/patterns', { data: { text: 'BALL\nRnd 1: 6 sc in MR (6)\n', name: 'Ball' } });
    ({ id } = (await taken.json()) as { id: string });
  });
  test.afterAll(async () => {
    await owner.dispose();
    await server.close();
  });

  /** A request as it is written, with nothing put right on the way. */
  function raw(
    path: string,
    headers: Record<string, string> = {},
  ): Promise<{ status: number; body: string; answer: IncomingMessage }> {
    const { hostname, port } = new URL(server.url);
    return new Promise((resolve, reject) => {
      ask({ hostname, port, path, headers }, (answer) => {
        let body = '';
        answer.setEncoding('utf8').on('data', (words: string) => (body += words));
        answer.once('end', () => resolve({ status: answer.statusCode ?? 0, body, answer }));
      })
        .once('error', reject)
        .end();
    });
  }
  const cookie = async (): Promise<string> =>
    (await owner.storageState()).cookies.map(({ name, value }) => `${name}=${value}`).join('; ');

  test('by a path that leads out of its folder', async () => {
    const own = await cookie();
    for (const up of ['..', '%2e%2e', '..%2f', '..%5c', '.%2e', '%252e%252e', '....//'])
      for (const folder of ['/', '/_app/', '/_app/immutable/', '/fonts/', `/api/patterns/${id}/drafts/`, '/release/']) {
        const path = `${folder}${`${up}/`.repeat(8)}etc/passwd`;
        const { status, body } = await raw(path, { cookie: own });
        expect(body, path).not.toContain('root:');
        expect([303, 307, 308, 400, 404], `${path}: ${status}`).toContain(status);
      }
    for (const file of ['package.json', 'data/dostik.db', 'secret', '.env', '.git/config'])
      expect((await raw(`/${file}`, { cookie: own })).status, file).toBe(404);
    // A file that comes under such a name is a name.
    const sent = await owner.post(`/api/documents?file=${encodeURIComponent('../../../../tmp/evil.txt')}`, {
      data: Buffer.from('HEAD\nRnd 1: 6 sc in MR (6)\n'),
      headers: { 'content-type': 'application/octet-stream' },
    });
    const came = JSON.parse((await sent.text()).trim().split('\n').at(-1) ?? '') as { id: string };
    const back = await owner.get(`/api/patterns/${came.id}/drafts/1`);
    expect(back.headers()['content-disposition']).not.toMatch(/filename\*=UTF-8''\S*[/\\]/);
  });

  test('by a line of its own in a header', async () => {
    const line = '\r\nset-cookie: evil=1\r\n\r\n<b>';
    for (const path of [
      `/enter?to=/${encodeURIComponent(line)}`,
      `/rules${encodeURIComponent(line)}`,
      `/?look=${encodeURIComponent(line)}`,
    ]) {
      const { answer } = await raw(path);
      expect(JSON.stringify(answer.headers), path).not.toContain('evil=1"');
      expect(answer.headers['set-cookie'] ?? [], path).not.toContainEqual(expect.stringContaining('evil'));
    }
    await owner.patch(`/api/patterns/${id}`, { data: { name: `Ball${line}` } });
    const told = await owner.get(`/api/patterns/${id}/release/draft?form=txt&terms=us`);
    expect(told.status()).toBeLessThan(500);
    expect(told.headersArray().filter(({ name }) => name === 'set-cookie')).toEqual([]);
    await owner.patch(`/api/patterns/${id}`, { data: { name: 'Ball' } });
  });

  test('by a page from elsewhere that asks in somebody’s name', async ({ page }) => {
    const own = await cookie();
    for (const headers of [{ origin: 'https://evil.example' }, { origin: 'null' }, { 'sec-fetch-site': 'cross-site' }])
      for (const type of ['text/plain', 'application/x-www-form-urlencoded', 'application/json']) {
        const forged = await fetch(`${server.url}/api/patterns/${id}`, {
          method: 'PATCH',
          headers: { ...(headers as Record<string, string>), 'content-type': type, cookie: own },
          body: '{"name":"Forged"}',
        });
        expect(forged.status, JSON.stringify(headers)).toBe(403);
      }
    // Nor may it show a page of ours inside its own, and lead a click there.
    await page.setContent(`<iframe src="${server.url}/enter"></iframe>`);
    const { answer } = await raw('/enter');
    expect(answer.headers['x-frame-options']).toBe('DENY');
    expect(answer.headers['content-security-policy']).toContain("frame-ancestors 'none'");
    expect(((await (await owner.get(`/api/patterns/${id}`)).json()) as { name: string }).name).toBe('Ball');
  });

  test('by a session that somebody else has chosen, or that has ended', async ({ playwright }) => {
    const before = await cookie();
    const planted = before.replace(/=[^;]+/g, '=planted-by-somebody.else');
    const signedIn = await fetch(`${server.url}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: server.url, cookie: planted },
      body: JSON.stringify({ mail: OWNER.mail, password: OWNER.password }),
    });
    expect(signedIn.headers.get('set-cookie')).not.toContain('planted');
    const status = async (words: string): Promise<number> =>
      (await fetch(`${server.url}/api/patterns`, { headers: { cookie: words } })).status;
    expect(await status(planted)).toBe(401);
    expect(await status(before)).toBe(200);
    // A cookie with a letter changed is nobody's, and one that was signed out is so at the server, not in the browser alone.
    expect(await status(before.replace(/=(.)/, (_, letter: string) => (letter === 'A' ? '=B' : '=A')))).toBe(401);
    const other = await playwright.request.newContext({
      baseURL: server.url,
      extraHTTPHeaders: { origin: server.url },
    });
    await other.post('/api/session', { data: OWNER });
    const theirs = (await other.storageState()).cookies.map(({ name, value }) => `${name}=${value}`).join('; ');
    expect(await status(theirs)).toBe(200);
    await other.delete('/api/session');
    expect(await status(theirs)).toBe(401);
    await other.dispose();
  });

  test('by what is said of an account that is there, and of one that is not', async () => {
    const said = async (mail: string) => {
      const answer = await fetch(`${server.url}/api/session`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', origin: server.url },
        body: JSON.stringify({ mail, password: 'a wrong password' }),
      });
      const { date: _, ...headers } = Object.fromEntries(answer.headers);
      return { status: answer.status, body: await answer.text(), headers };
    };
    expect(await said(OWNER.mail)).toEqual(await said('nobody-at-all@example.org'));
  });

  test('by a file that is a script', async () => {
    const types = {
      'evil.svg': '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script>alert(1)</script></svg>',
      'evil.html': '<script>alert(1)</script>',
      'evil.jpg': '\xff\xd8\xff<script>alert(1)</script>',
    };
    for (const [name, words] of Object.entries(types)) {
      const sent = await owner.post(`/api/patterns/${id}/photographs`, {
        data: Buffer.from(words, 'latin1'),
        headers: { 'content-type': 'image/svg+xml' },
      });
      expect([name, sent.status()]).toEqual([name, 422]);
    }
    const sent = await owner.post('/api/documents?file=evil.html', {
      data: Buffer.from(`<p>HEAD</p><p>Rnd 1: 6 sc in MR (6)</p><script>document.title='run'</script>`),
      headers: { 'content-type': 'text/html' },
    });
    const came = JSON.parse((await sent.text()).trim().split('\n').at(-1) ?? '') as { id: string };
    const back = await owner.get(`/api/patterns/${came.id}/drafts/1`);
    expect(back.headers()).toMatchObject({
      'content-type': 'application/octet-stream',
      'x-content-type-options': 'nosniff',
    });
    expect(back.headers()['content-disposition']).toMatch(/^attachment/);
    expect(((await (await owner.get(`/api/patterns/${came.id}`)).json()) as { text: string }).text).not.toContain(
      'title',
    );
  });

  test('by a script in any field that is shown', async ({ page }) => {
    const text = `${EVIL}\nUS terms\n\nMaterials\nDK cotton in ${EVIL} (20 g)\n\nBALL ${EVIL}\nRnd 1: 6 sc in MR (6) ${EVIL}\nRnd 2: inc x 6 (13)\nFasten off.\n`;
    const made = (await (await owner.post('/api/patterns', { data: { text, name: EVIL } })).json()) as { id: string };
    const evil = made.id;
    const put = async (method: 'put' | 'post' | 'patch', path: string, data: unknown): Promise<void> => {
      const answer = await owner[method](path, { data });
      expect(answer.ok(), `${method} ${path}: ${answer.status()} ${await answer.text()}`).toBe(true);
    };
    await put('put', `/api/patterns/${evil}/designer`, { designer: EVIL.slice(0, 80), designerMail: '' });
    await put('post', `/api/patterns/${evil}/queries`, {
      ref: 'a-query-of-a-test',
      scope: 'round',
      at: { from: text.indexOf('Rnd 2'), words: 'Rnd 2: inc x 6 (13)' },
      part: EVIL,
      round: EVIL.slice(0, 60),
      text: EVIL,
      proposal: EVIL,
    });
    await put('put', `/api/patterns/${evil}/hand`, { word: 'evil', sense: 'increase' });
    await put('put', `/api/patterns/${evil}/dismissals`, { key: 'k', rule: 'count/stated', reason: EVIL });
    await put('post', '/api/people', { name: EVIL.slice(0, 80), mail: 'evil@example.org', role: 'editor' });
    await put('post', `/api/patterns/${evil}/letters/address`, {});
    const broken = await watched(page);
    await page.context().addCookies((await owner.storageState()).cookies);
    for (const path of [
      '/',
      `/desk/${evil}`,
      `/intake/${evil}`,
      `/drafts/${evil}`,
      `/queries/${evil}`,
      `/terms/${evil}`,
      `/shape/${evil}`,
      `/tests/${evil}`,
      `/release/${evil}`,
      `/history/${evil}`,
      `/desk/${evil}/rules`,
      `/desk/${evil}/print`,
      '/style',
      '/rules',
      '/people',
      '/deeds',
      '/workspace',
      '/away',
    ]) {
      await page.goto(server.url + path, { waitUntil: 'networkidle' });
      expect(
        await page.evaluate(() => [document.title === 'run', document.querySelectorAll('#evil').length]),
        path,
      ).toEqual([false, 0]);
    }
    // And what is only given back: in addresses and in what is looked for.
    const words = encodeURIComponent(EVIL);
    for (const path of [
      `/?find=${words}&show=${words}`,
      `/enter?to=/${words}`,
      `/join/${words}`,
      `/letter/${words}`,
      `/bench/${words}`,
      `/deeds?words=${words}`,
      `/deeds?who=${words}`,
      `/desk/${words}`,
      `/no/${words}`,
      `/desk/${evil}?line=${words}`,
    ]) {
      await page.goto(server.url + path, { waitUntil: 'networkidle' });
      expect(
        await page.evaluate(() => [document.title === 'run', document.querySelectorAll('#evil').length]),
        path,
      ).toEqual([false, 0]);
    }
    // Nothing was stopped by the policy of the page: nothing tried to run.
    expect(broken).toEqual([]);
    // What goes out as a page of its own has the words, and none of the elements.
    const page2 = await (await owner.get(`/api/patterns/${evil}/release/draft?form=html&terms=us`)).text();
    expect(page2).not.toMatch(/<b id=evil>|<svg onload|<img src=x/);
  });

  test('by an address that is guessed', async ({ playwright }) => {
    const stranger = await playwright.request.newContext({
      baseURL: server.url,
      extraHTTPHeaders: { origin: server.url },
    });
    const statuses: number[] = [];
    for (let i = 0; i < 24; i += 1)
      statuses.push((await stranger.get(`/api/bench/${'a'.repeat(18)}${String(i).padStart(6, '0')}`)).status());
    expect(statuses[0]).toBe(404);
    expect(statuses.at(-1)).toBe(429);
    // What stands on the shelf is asked for by numbers that can't be counted up, and not without signing in.
    expect(id).toMatch(/^[\da-f-]{36}$/);
    expect((await stranger.get(`/api/patterns/${id}/photographs/1`)).status()).toBe(401);
    await stranger.dispose();
  });

  test('by fields that nobody asked for', async ({ playwright }) => {
    const more = {
      role: 'owner',
      id: 'mine',
      revision: 99,
      demoKey: 'x',
      counted: 1,
      isAdmin: true,
      __proto__: { role: 'owner' },
    };
    await owner.put(`/api/patterns/${id}`, { data: { text: 'BALL\nRnd 1: 6 sc in MR (6)\n', base: 1, ...more } });
    await owner.patch(`/api/patterns/${id}`, { data: { name: 'Ball', ...more } });
    expect(await (await owner.get(`/api/patterns/${id}`)).json()).toMatchObject({ id, name: 'Ball' });
    expect(((await (await owner.get(`/api/patterns/${id}`)).json()) as { revision: number }).revision).toBeLessThan(99);
    const invited = await owner.post('/api/people', {
      data: { name: 'Tess', mail: 'tess@example.org', role: 'tester' },
    });
    const { secret } = (await invited.json()) as { secret: string };
    const tess = await playwright.request.newContext({ baseURL: server.url, extraHTTPHeaders: { origin: server.url } });
    await tess.post(`/api/join/${secret}`, { data: { password: 'a long word of theirs', ...more } });
    await tess.put('/api/account/password', {
      data: { before: 'a long word of theirs', password: 'another long word', ...more },
    });
    expect((await tess.get('/api/patterns')).status()).toBe(403);
    expect((await tess.post('/api/people/first', { data: { ...OWNER, word: '', ...more } })).status()).toBe(403);
    await tess.dispose();
  });

  test('by what unpacks to more than there is room for', async () => {
    const bomb = zipSync({ 'word/document.xml': strToU8(`<w:document>${' '.repeat(60_000_000)}</w:document>`) });
    // It says of itself that it is small.
    const view = new DataView(bomb.buffer, bomb.byteOffset, bomb.byteLength);
    for (let at = 0; at + 46 < bomb.length; at += 1) {
      if (view.getUint32(at, true) === 0x02014b50) view.setUint32(at + 24, 1000, true);
      if (view.getUint32(at, true) === 0x04034b50) view.setUint32(at + 22, 1000, true);
    }
    const sent = await owner.post('/api/documents?file=bomb.docx', {
      data: Buffer.from(bomb),
      headers: { 'content-type': 'application/octet-stream' },
    });
    expect(await sent.text()).toMatch(/"message":"This document/);
    const packed = await owner.post('/api/patterns', {
      data: gzipSync(JSON.stringify({ text: 'x'.repeat(5_000_000), name: '' })),
      headers: { 'content-type': 'application/json', 'content-encoding': 'gzip' },
    });
    expect(packed.status()).toBe(400);
    expect((await owner.get('/healthz')).ok()).toBe(true);
  });

  test('for more than one’s share: who asks without a pause waits, and nobody else does', async ({ playwright }) => {
    const invited = await owner.post('/api/people', {
      data: { name: 'Greta', mail: 'greta@example.org', role: 'designer' },
    });
    const { secret } = (await invited.json()) as { secret: string };
    const greedy = await playwright.request.newContext({
      baseURL: server.url,
      extraHTTPHeaders: { origin: server.url },
    });
    expect((await greedy.post(`/api/join/${secret}`, { data: { password: 'a long word of hers' } })).ok()).toBe(true);
    const answers: APIResponse[] = [];
    for (let round = 0; round < 13; round += 1)
      answers.push(
        ...(await Promise.all(Array.from({ length: 50 }, () => greedy.post('/api/patterns', { data: {} })))),
      );
    expect(new Set(answers.map((answer) => answer.status()))).toEqual(new Set([403, 429]));
    const late = answers.findLast((answer) => answer.status() === 429);
    expect(Number(late?.headers()['retry-after'])).toBeGreaterThan(0);
    expect(((await late?.json()) as { message: string }).message).toContain('Wait a minute');
    expect((await owner.post('/api/patterns', { data: { text: 'BALL\n', name: 'Another' } })).ok()).toBe(true);
    await greedy.dispose();
  });
});

/** What the page's own policy has stopped, as it is said on its console. */
async function watched(page: Page): Promise<string[]> {
  const broken: string[] = [];
  page.on('console', (message) => {
    if (/Content.Security.Policy/i.test(message.text())) broken.push(message.text());
  });
  page.on('dialog', (dialog) => {
    broken.push(dialog.message());
    void dialog.dismiss();
  });
  await page.addInitScript(() => {
    document.addEventListener('securitypolicyviolation', (event) =>
      console.log(`Content Security Policy: ${event.blockedURI}`),
    );
  });
  return broken;
}
