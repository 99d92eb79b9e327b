import { expect, type Page } from '@playwright/test';
import { NOTHING_WANTED } from '../src/lib/bench.js';
import { openDesk, weightOf } from './page.js';
import { test } from './server.js';

/** Something on the page that has moved by itself. */
type Shift = PerformanceEntry & { value: number; hadRecentInput: boolean; sources?: { node?: Node }[] };

const BALL = 'Ball\nUS terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (13)\nFasten off.\n';

/** A key pressed before the page is alive does nothing; one presses it again. */
async function press(page: Page, key: string, seen: () => Promise<void>): Promise<void> {
  await expect(async () => {
    await page.keyboard.press(key);
    await seen();
  }).toPass({ intervals: [200, 500, 1000] });
}

const heading = (page: Page, name: string | RegExp) => async () =>
  expect(page.getByRole('heading', { name, level: 1 })).toBeVisible({ timeout: 1500 });

test('the whole house is walked by keys alone', async ({ page, server }) => {
  const id = await server.takeIn(BALL, 'Ball');
  await page.goto(server.url);

  // From place to place; each says where one is.
  for (const [key, name] of [
    ['Alt+Shift+y', 'Plan'],
    ['Alt+Shift+n', 'Trainer'],
    ['Alt+Shift+r', 'Rules'],
    ['Alt+Shift+h', 'House style'],
    ['Alt+Shift+c', 'Reference card'],
    ['Alt+Shift+s', 'Shelf'],
  ] as const) {
    await press(page, key, heading(page, name));
    await expect(page.getByRole('navigation', { name: 'House' }).locator('[aria-current=page]')).toHaveText(name);
  }

  // On the shelf: to the search field, through the rows, and into a pattern.
  await press(page, '/', async () => expect(page.getByRole('searchbox')).toBeFocused({ timeout: 500 }));
  await page.keyboard.type('ball');
  await expect(page.locator('[data-row]')).toHaveCount(1);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await page.locator('body').press('j');
  await page.keyboard.press('x');
  await expect(page.getByText('1 of 8 selected')).toBeVisible();
  await page.keyboard.press('x');
  await page.keyboard.press('a');
  await expect(page.getByText('8 of 8 selected')).toBeVisible();
  await page.keyboard.press('Delete');
  await expect(page.getByText('The shelf is empty.')).toBeVisible();

  // What was put away, brought back.
  await page.goto(`${server.url}/away`);
  await press(page, 'a', async () => expect(page.getByText('8 of 8 selected')).toBeVisible({ timeout: 500 }));
  await page.keyboard.press('b');
  await expect(page.getByText('Nothing is put away.')).toBeVisible();

  // By its name from the finder, to each of its places, and back to its text.
  await page.keyboard.press('Alt+a');
  await expect(page.getByRole('combobox')).toBeFocused();
  await page.keyboard.type('Ball');
  await expect(page.getByRole('option', { name: /^Ball/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('tab', { name: 'Findings 1' })).toBeVisible();
  const contents = page.getByRole('navigation', { name: 'This pattern' });
  await expect(contents.getByRole('link', { name: /^Desk/ })).toContainText('1 off');
  await page.keyboard.press('Alt+Shift+p');
  await expect(contents.locator('[aria-current=page]')).toContainText('Its rules');
  await page.keyboard.press('Alt+Shift+t');
  await expect(contents.locator('[aria-current=page]')).toContainText('Terms');
  await expect(page.getByRole('heading', { name: 'Proved' })).toBeVisible();
  await page.keyboard.press('Alt+s');
  await expect(page.getByText('The edition is on the shelf.')).toBeVisible();
  await expect(contents.getByRole('link', { name: /^Terms/ })).toContainText('UK edition');
  await page.keyboard.press('Alt+Shift+d');
  await expect(page.getByLabel('Manuscript')).toBeFocused();
  await expect(page.getByRole('heading', { name: /^Rnd 2/ })).toBeVisible();
  expect(page.url()).toContain(id);

  // At the Desk: the keys are told, lines stand closer, a round is ticked, and the panel is turned.
  await page.keyboard.press('Alt+k');
  await expect(page.getByRole('dialog')).toContainText('Closer lines, or wider ones again');
  await page.keyboard.press('Escape');
  const line = page.locator('.cm-line').first();
  const before = (await line.boundingBox())?.height ?? 0;
  await page.keyboard.press('Alt+d');
  await expect.poll(async () => (await line.boundingBox())?.height ?? 0).toBeLessThan(before);
  await page.keyboard.press('Alt+t');
  await expect(page.getByText('1 of 2 ticked')).toBeVisible();
  await page.keyboard.press('Alt+l');
  await expect(page.getByRole('tab', { name: 'Findings 1' })).toHaveAttribute('aria-selected', 'true');
  await page.keyboard.press('Alt+1');
  await expect(page.getByText('Nothing left to mend')).toBeVisible();
});

test('the Desk opens where one left it, with the front folded, in the density that one has chosen', async ({
  page,
  server,
}) => {
  const long = `${'A note on the yarn.\n'.repeat(12)}\n${BALL}`;
  const id = await server.takeIn(long, 'Long');
  await openDesk(page, server.url, id);
  await expect(page.getByRole('heading', { name: /^Rnd 2/ })).toBeVisible();
  await page.keyboard.press('Alt+d');
  await page.keyboard.press('Alt+ArrowUp');
  await expect(page.getByRole('heading', { name: /^Rnd 1/ })).toBeVisible();
  await page.goto(server.url);
  await openDesk(page, server.url, id);
  await expect(page.getByRole('heading', { name: /^Rnd 1/ })).toBeVisible();
  await expect(page.locator('.folded')).toBeVisible();
  await expect(page.locator('.manuscript.even')).toBeVisible();
  await page.keyboard.press('Alt+b');
  await expect(page.locator('.folded')).toBeHidden();
});

test('at least 24 rounds stand on the screen in the closest density, and the rail keeps step', async ({
  page,
  server,
}) => {
  const rounds = Array.from({ length: 60 }, (_, i) => `Rnd ${i + 3}: sc around (12)\n`).join('');
  const id = await server.takeIn(
    `Tube\nUS terms\n\nTUBE\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n${rounds}`,
    'Tube',
  );
  await openDesk(page, server.url, id);
  for (const density of ['even', 'close']) {
    await page.keyboard.press('Alt+d');
    await expect(page.locator(`.manuscript.${density}`)).toBeVisible();
    await page.waitForTimeout(200);
    const tops = await page.evaluate(() => {
      const top = (element: Element) => element.getBoundingClientRect().top;
      const lines = [...document.querySelectorAll('.cm-line')].filter((one) => one.textContent.startsWith('Rnd'));
      const rows = [...document.querySelectorAll('.rail .cm-gutterElement')].filter((one) =>
        one.querySelector('.rail-row:not([data-key=""])'),
      );
      const seen = lines.filter((one) => top(one) > 90 && one.getBoundingClientRect().bottom < innerHeight);
      const off = seen.map((one) => Math.min(...rows.map((row) => Math.abs(top(row) - top(one)))));
      return { seen: seen.length, off: Math.max(...off) };
    });
    expect(tops.off).toBeLessThan(1.5);
    if (density === 'close') expect(tops.seen).toBeGreaterThanOrEqual(24);
  }
});

test('nothing moves on the Desk while it opens, nor while one goes through it', async ({ page, server }) => {
  const id = await server.takeIn(BALL, 'Ball');
  await page.addInitScript(() => {
    const moved: string[] = [];
    Object.assign(window, { moved });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as Shift[])
        if (!entry.hadRecentInput)
          moved.push(
            `${entry.value.toFixed(4)} ${entry.sources?.map(({ node }) => node?.parentElement?.outerHTML.slice(0, 80)).join(' ')}`,
          );
    }).observe({ type: 'layout-shift', buffered: true });
  });
  for (let visit = 0; visit < 2; visit += 1) {
    await openDesk(page, server.url, id);
    await expect(page.getByRole('heading', { name: /^Rnd 2/ })).toBeVisible();
    await page.waitForTimeout(800);
    for (const key of ['Alt+ArrowUp', 'Alt+ArrowDown', 'Alt+t', 'Alt+t', 'Alt+PageUp']) {
      await page.keyboard.press(key);
      await page.waitForTimeout(700);
    }
    expect(await page.evaluate(() => (window as unknown as { moved: string[] }).moved)).toEqual([]);
    await page.keyboard.press('Alt+Period');
  }
});

/** With one slip, as most texts have: nine rounds in ten come out by the forms that are known. */
const ORDINARY = `${[
  'Ball\nUS terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)',
  ...[1, 2, 3, 4].map((sc) => `Rnd ${sc + 2}: (sc ${sc}, inc) x 6 (${(sc + 2) * 6})`),
  'Rnds 7-10: sc around (36)',
  ...[4, 3, 2, 1].map((sc) => `Rnd ${15 - sc}: (sc ${sc}, dec) x 6 (${(sc + 1) * 6})`),
].join('\n')}\nRnd 15: dec x 6 (7)\nFasten off.\n`;

test('what a page ships is small: less than 250 KB for the Desk, 120 for the Bench, 90 for what has no editor, faces and the worker apart', async ({
  browser,
  server,
}) => {
  const id = await server.takeIn(ORDINARY, 'Ball');
  await server.ask('POST', `/api/patterns/${id}/calls`, NOTHING_WANTED);
  const page = await (await server.ask('GET', `/tests/${id}`)).text();
  const secret = /secret:"([\w-]+)"/.exec(page)?.[1] ?? '';
  expect(secret).not.toBe('');
  const counts: string[] = [`/terms/${id}`, `/desk/${id}`];
  for (const [path, most] of [
    ['/', 90],
    ['/rules', 90],
    ['/style', 90],
    ['/card', 90],
    ['/away', 90],
    ['/plan', 90],
    ['/trainer', 90],
    [`/terms/${id}`, 90],
    [`/desk/${id}/rules`, 90],
    [`/desk/${id}/print`, 90],
    [`/bench/${secret}`, 120],
    [`/desk/${id}`, 250],
  ] as const) {
    const weight = await weightOf(browser, server.url + path);
    expect(weight.page, path).toBeLessThan(most);
    expect(weight.workers, path).toBeLessThan(137);
    // Only what counts at once brings what it counts with.
    expect(weight.workers > 100, path).toBe(counts.includes(path));
  }
});

test('5,000 patterns: the shelf is drawn as far as it is seen, searched and walked through', async ({
  page,
  server,
}) => {
  await server.fill(5000);
  // A word that stands in one text alone, and in the name of none.
  const id = await server.takeIn('Newt\nUS terms\n\nBODY\nRnd 1: 6 sc in MR (6)\nSew the quibblet on.\n');
  await page.goto(server.url);
  await expect(page.getByRole('button', { name: /^All 5,?008/ })).toBeVisible();
  expect((await page.content()).length).toBeLessThan(300_000);
  expect(await page.locator('[data-row]').count()).toBeLessThan(60);
  await press(page, 'k', async () => expect(page.locator('[data-row]:focus-within')).toBeVisible({ timeout: 1000 }));
  await page.getByRole('searchbox').fill('pattern 1234');
  await expect(page.getByRole('link', { name: 'Pattern 1234', exact: true })).toBeVisible();
  await expect(page.locator('[data-row]')).toHaveCount(1);
  await page.getByRole('searchbox').fill('quibb');
  await expect(page.locator(`[data-row="${id}"]`)).toContainText('Sew the quibblet on.');
  await expect(page.locator('[data-row]')).toHaveCount(1);
  // What is looked for is found again by whoever comes back.
  await page.locator(`[data-row="${id}"] a`).first().click();
  await page.waitForURL(/\/desk\//);
  await page.goBack();
  await expect(page.getByRole('searchbox')).toHaveValue('quibb');

  // All of them are selected, also those that have not been seen.
  await page.getByRole('searchbox').fill('');
  await expect(page.getByRole('checkbox', { name: 'Select all 5008' })).toBeVisible();
  await page.getByRole('checkbox', { name: 'Select all 5008' }).check();
  await expect(page.getByText('5,008 of 5,008 selected')).toBeVisible();
});
