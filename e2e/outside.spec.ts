import { expect, type APIRequestContext, type Page } from '@playwright/test';
import { sound } from './page.js';
import { Server, test } from './server.js';

const OWNER = { name: 'Una', mail: 'una@example.org', password: 'four quiet grey stones' };
const BALL =
  'Ball\nUS terms, about 5 cm tall\n\nMaterials\nDK cotton in Moss (20 g)\n3 mm hook\n\nsc = single crochet, inc = 2 sc in one\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (13)\nFasten off.\n';

/** What nobody from outside may have, and how that is refused. */
async function seesNoMore(page: Page, server: Server, id: string): Promise<void> {
  for (const path of [`/api/patterns/${id}`, '/api/patterns', '/api/people', '/api/workspace', '/api/backups']) {
    const answer = await page.request.get(server.url + path);
    expect([401, 403, 405], path).toContain(answer.status());
  }
  const written = await page.request.put(`${server.url}/api/patterns/${id}`, {
    data: { text: 'Mine now\n', base: 1 },
    headers: { origin: server.url },
  });
  expect([401, 403]).toContain(written.status());
}

async function posted(request: APIRequestContext, server: Server, path: string, data?: unknown): Promise<unknown> {
  const answer = await request.post(server.url + path, { data, headers: { origin: server.url } });
  expect(answer.ok(), `${path}: ${answer.status()}`).toBe(true);
  return answer.status() === 204 ? null : answer.json();
}

test.describe('from outside, without an account or with one of few rights', () => {
  let server: Server;
  let id: string;
  test.beforeAll(async ({ browser }) => {
    server = new Server(null, { HOST: '0.0.0.0' });
    await server.start();
    const { request } = await browser.newContext();
    await posted(request, server, '/api/people/first', { ...OWNER, word: / word (\S+)/.exec(server.said)?.[1] ?? '' });
    ({ id } = (await posted(request, server, '/api/patterns', { text: BALL, name: 'Ball' })) as { id: string });
  });
  test.afterAll(() => server.kill());

  test('a designer answers a query by a link, and the same letter with an account', async ({ page, browser }) => {
    const { request } = page;
    await posted(request, server, '/api/session', OWNER);
    await posted(request, server, `/api/patterns/${id}/queries`, {
      ref: 'a-query-of-a-test',
      scope: 'round',
      at: { from: BALL.indexOf('Rnd 2'), words: 'Rnd 2: inc x 6 (13)' },
      part: 'Ball',
      round: 'Rnd 2',
      text: 'Are 12 meant?',
      proposal: 'Rnd 2: inc x 6 (12)',
    });

    // The editor makes the address, and sends the letter.
    await page.goto(`${server.url}/queries/${id}`);
    await page.keyboard.press('Alt+l');
    await page.getByLabel('Designer', { exact: true }).fill('Jonne');
    await page.getByLabel('Their address for post').fill('jonne@example.org');
    await page.getByRole('button', { name: 'Make an address' }).click();
    const address = await page.getByText(/\/letter\//).innerText();
    await page.getByRole('button', { name: 'I have sent it' }).click();
    await expect(page.getByText('Written down as sent.')).toBeVisible();

    const outside = await browser.newContext();
    const letter = await outside.newPage();
    await letter.goto(address);
    await expect(letter.getByText('1 query waits for your answer', { exact: false })).toBeVisible();
    await sound(letter);
    await expect(letter.getByText('DK cotton')).toHaveCount(0);
    await letter.getByLabel('Your answer to query 1').fill('Yes, 12. A slip.');
    await letter.getByRole('button', { name: 'Send the answer' }).click();
    await expect(letter.getByText('Your answer is with the editor.')).toBeVisible();
    await seesNoMore(letter, server, id);
    await page.goto(`${server.url}/queries/${id}`);
    await expect(page.getByText('Yes, 12. A slip.').first()).toBeVisible();

    // Withdrawn, it leads nowhere; what was answered stays.
    await page.keyboard.press('Alt+l');
    await page.getByRole('button', { name: 'Withdraw', exact: true }).click();
    await expect(page.getByText('The address is withdrawn', { exact: false })).toBeVisible();
    await letter.reload();
    await expect(letter.getByRole('heading', { name: 'This leads nowhere' })).toBeVisible();
    await outside.close();

    // With an account they find the pattern under their own, and nothing else.
    const invited = { name: 'Jonne', mail: 'jonne@example.org', role: 'designer' };
    const { secret } = (await posted(request, server, '/api/people', invited)) as { secret: string };
    const own = await browser.newContext();
    const mine = await own.newPage();
    await mine.goto(`${server.url}/join/${secret}`);
    await mine.getByLabel('Password').fill('a long word of mine');
    await mine.getByRole('button', { name: 'Keep it, and go in' }).click();
    await expect(mine.getByRole('heading', { name: 'Your patterns' })).toBeVisible();
    await sound(mine);
    await expect(mine.getByRole('listitem')).toHaveCount(1);
    await mine.locator('input[type=file]').setInputFiles({
      name: 'ball 2.txt',
      mimeType: 'text/plain',
      buffer: Buffer.from(BALL.replace('(13)', '(12)')),
    });
    await expect(mine.getByText('is with the editor, as the newest draft of Ball', { exact: false })).toBeVisible();
    await mine.getByRole('link', { name: 'Ball' }).click();
    await expect(mine.getByText('Yes, 12. A slip.')).toBeVisible();
    await seesNoMore(mine, server, id);
    const other = ((await (await request.get(`${server.url}/api/patterns`)).json()) as { id: string }[]).find(
      (one) => one.id !== id,
    );
    await mine.goto(`${server.url}/mine/${other?.id ?? ''}`);
    await expect(mine.getByText('There is no such pattern of yours.')).toBeVisible();
    await own.close();
  });

  test('a tester works two rounds by a link, and finds the test on another device with an account', async ({
    page,
    browser,
  }) => {
    const { request } = page;
    await posted(request, server, '/api/session', OWNER);
    await page.goto(`${server.url}/tests/${id}`);
    await page.getByRole('button', { name: 'Freeze the draft and make the address' }).click();
    const address = await page.getByText(/^http.*\/bench\//).innerText();
    const invited = { name: 'Aune', mail: 'aune@example.org', role: 'tester' };
    const { secret } = (await posted(request, server, '/api/people', invited)) as { secret: string };

    const phone = await browser.newContext({ viewport: { width: 390, height: 844 } });
    const bench = await phone.newPage();
    await posted(phone.request, server, `/api/join/${secret}`, { password: 'a long word of theirs' });
    await bench.goto(server.url);
    await expect(bench.getByRole('heading', { name: 'Bench' })).toBeVisible();
    await bench.goto(address);
    await bench.getByLabel('The name you want to be known by').fill('Aune');
    await bench.getByRole('checkbox', { name: 'I have read this' }).check();
    await bench.getByRole('button', { name: 'Begin' }).click();
    await expect(bench.getByText('6 sc in MR (6)')).toBeVisible();
    for (let touch = 0; touch < 7 + 13; touch += 1) await bench.locator('.pad').click();
    await seesNoMore(bench, server, id);
    await expect
      .poll(async () => {
        const results = await request.get(`${server.url}/api/patterns/${id}/calls/1/results`);
        return ((await results.json()) as { all: { testers: { done: number }[] } }).all.testers[0]?.done;
      })
      .toBe(2);

    // On another device the account leads to it.
    const tablet = await browser.newContext();
    await posted(tablet.request, server, '/api/session', { mail: invited.mail, password: 'a long word of theirs' });
    const further = await tablet.newPage();
    await further.goto(`${server.url}/bench`);
    await further.getByRole('button', { name: 'Ball as Aune' }).click();
    await expect(further.getByRole('heading', { name: 'All rounds are done' })).toBeVisible();
    await phone.close();
    await tablet.close();
  });
});
