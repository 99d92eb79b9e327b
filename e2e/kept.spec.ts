import { expect, type BrowserContext } from '@playwright/test';
import { openDesk, railRow, saved, typeFirst } from './page.js';
import { test } from './server.js';

const BALL = 'Ball\nUS terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc around (12)\nFasten off.\n';
/** Stitches no round has: long enough that no check of it ends in time. */
/** As long as a text may be, and dense: no machine counts it while one waits. */
const TOO_MUCH = Array.from(
  { length: 60_000 },
  (_, i) => `Rnd ${i + 1}: (sc,inc)*${i % 97},${i} sc,dec,hdc,2 dc,inc,sc2tog (${i + 4})\n`,
).join('');

const keptPlaces = (context: BrowserContext) =>
  context.pages()[0]?.evaluate(() => Object.keys(localStorage).filter((key) => key.startsWith('dostik.kept.')));

test.describe('what was typed just before a Desk is left', () => {
  for (const [way, leave] of [
    ['by its link', (page) => page.getByRole('link', { name: 'Shelf' }).click()],
    ['with Back', (page) => page.goBack()],
    ['by closing the window', (page) => page.close()],
  ] as const satisfies readonly (readonly [string, (page: import('@playwright/test').Page) => Promise<unknown>])[])
    test(`is saved: ${way}`, async ({ page, server }) => {
      const id = await server.takeIn(BALL);
      await page.goto(server.url);
      await page.getByRole('link', { name: 'Ball', exact: true }).click();
      await expect(railRow(page, 'Rnd 1')).toBeVisible();
      await typeFirst(page, 'Just now. ');
      await leave(page);
      await expect.poll(async () => (await server.pattern(id)).text).toBe(`Just now. ${BALL}`);
    });

  test('is saved by itself when the server is back, and seen on the shelf until then', async ({ page, server }) => {
    const id = await server.takeIn(BALL);
    await page.goto(server.url);
    await page.getByRole('link', { name: 'Ball', exact: true }).click();
    await expect(railRow(page, 'Rnd 1')).toBeVisible();
    // The page of the shelf is fetched before the server goes.
    await page.getByRole('link', { name: 'Shelf' }).hover();
    await page.route('**/api/patterns/**', (route) => route.abort());
    await typeFirst(page, 'Unsent. ');
    await page.getByRole('link', { name: 'Shelf' }).click();
    const kept = page.getByRole('region', { name: 'Kept in this browser' });
    await expect(kept).toContainText('Ball');
    await page.unrouteAll();
    await page.evaluate(() => window.dispatchEvent(new Event('online')));
    await expect.poll(async () => (await server.pattern(id)).text, { timeout: 20_000 }).toBe(`Unsent. ${BALL}`);
    await expect(kept).toBeHidden();
  });
});

test('a window that is open keeps what it has not saved; a second one neither takes nor loses it', async ({
  page,
  server,
  context,
}) => {
  const id = await server.takeIn(BALL);
  await openDesk(page, server.url, id);
  await page.route('**/api/patterns/**', (route) => route.abort());
  await typeFirst(page, 'First. ');
  await expect(page.locator('[data-save=failed]')).toBeVisible();

  const other = await context.newPage();
  await openDesk(other, server.url, id);
  await expect(other.getByLabel('Manuscript')).not.toContainText('First.');
  await typeFirst(other, 'Second. ');
  await saved(other);
  expect(await keptPlaces(context)).toHaveLength(1);

  // The other one has saved, and this one is closed: its text is still there.
  await other.close();
  await page.close();
  const later = await context.newPage();
  await openDesk(later, server.url, id);
  const clash = later.getByRole('alert', { name: 'Changed here and there' });
  await expect(clash).toContainText('First. Ball');
  await expect(clash).toContainText('Second. Ball');
  await clash.getByRole('button', { name: 'Keep what stands here' }).click();
  await saved(later);
  expect((await server.pattern(id)).text).toBe(`First. ${BALL}`);
});

test('a clash is settled with what stands there now, whatever the other window saves meanwhile', async ({
  page,
  server,
}) => {
  const id = await server.takeIn(BALL);
  await openDesk(page, server.url, id);
  const theirs = (words: string) => `${words} ${BALL}`;
  await server.ask('PUT', `/api/patterns/${id}`, { text: theirs('One.'), base: 1 });
  await typeFirst(page, 'Mine. ');
  const clash = page.getByRole('alert', { name: 'Changed here and there' });
  await expect(clash).toContainText('One. Ball');
  await server.ask('PUT', `/api/patterns/${id}`, { text: theirs('Two.'), base: 2 });
  await server.ask('PUT', `/api/patterns/${id}`, { text: theirs('Three.'), base: 3 });
  await expect(clash).toContainText('Three. Ball');
  await clash.getByRole('button', { name: 'Keep what stands here' }).click();
  await saved(page);
  expect(await server.pattern(id)).toMatchObject({ text: `Mine. ${BALL}`, revision: 5 });

  const second = await server.takeIn(BALL, 'Second');
  await openDesk(page, server.url, second);
  await server.ask('PUT', `/api/patterns/${second}`, { text: theirs('One.'), base: 1 });
  await typeFirst(page, 'Mine. ');
  await expect(clash).toContainText('One. Ball');
  await clash.getByRole('button', { name: 'Take what stands there' }).click();
  await expect(page.getByLabel('Manuscript')).toContainText('One. Ball');
  await expect(page.getByLabel('Manuscript')).not.toContainText('Mine.');
  await saved(page);
  expect((await server.pattern(second)).text).toBe(theirs('One.'));
});

test('a text whose pattern was put away can be taken from the shelf; what is put away comes back', async ({
  page,
  server,
}) => {
  const id = await server.takeIn(BALL);
  await openDesk(page, server.url, id);
  await server.ask('PUT', '/api/shelf', { ids: [id], away: true });
  await typeFirst(page, 'Too late. ');
  await expect(page.getByRole('alert')).toContainText('no longer on the shelf. Your text is kept in this browser.');
  await page.getByRole('link', { name: 'Shelf' }).click();
  const kept = page.getByRole('region', { name: 'Kept in this browser' });
  await expect(kept).toContainText('its pattern is not on the shelf');
  await kept.getByRole('button', { name: 'Take in as its own pattern' }).click();
  await expect(page.getByLabel('Manuscript')).toContainText('Too late. Ball');

  await page.goto(server.url);
  await expect(kept).toBeHidden();
  await page.getByRole('link', { name: '1 pattern put away' }).click();
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(page.getByText('Nothing is put away.')).toBeVisible();
  await page.getByRole('link', { name: 'Shelf' }).click();
  await expect(page.getByRole('link', { name: 'Ball', exact: true })).toBeVisible();
});

test('a text that is too much to count is given up in words; it is typed in and saved all the same', async ({
  page,
  server,
}) => {
  const id = await server.takeIn(TOO_MUCH, 'Far too much');
  await page.goto(`${server.url}/desk/${id}`);
  await expect(page.locator('[data-check=gave-up]')).toHaveText('Given up');
  await expect(page.getByRole('alert')).toContainText('Take its parts in as patterns of their own.');
  await typeFirst(page, 'Still typing. ');
  await saved(page);
  expect((await server.pattern(id)).text.startsWith('Still typing. Rnd 1')).toBe(true);

  // What is left of it can be counted, and is.
  await page.keyboard.press('Control+a');
  await page.keyboard.insertText(BALL);
  await expect(railRow(page, 'Rnd 2')).toBeVisible();
  await expect(page.locator('[data-check=done]')).toBeVisible();
  await saved(page);

  await server.ask('PUT', `/api/patterns/${id}`, { text: TOO_MUCH, base: (await server.pattern(id)).revision });
  await page.goto(`${server.url}/desk/${id}/print`);
  await expect(page.getByText('too long to print with its sums')).toBeVisible();
  await page.goto(`${server.url}/terms/${id}`);
  await expect(page.getByRole('alert')).toContainText('too much to convert at once');
});

test('ticks stand in the rail after a load', async ({ page, server }) => {
  const id = await server.takeIn(BALL);
  await openDesk(page, server.url, id);
  await railRow(page, 'Rnd 2').locator('.tick').click();
  await expect(railRow(page, 'Rnd 2')).toHaveClass(/ticked/);
  await saved(page);
  await page.reload();
  await expect(railRow(page, 'Rnd 2')).toHaveClass(/ticked/);
  await expect(railRow(page, 'Rnd 1')).not.toHaveClass(/ticked/);

  // A tick that is still on its way when the page goes is kept all the same.
  await railRow(page, 'Rnd 3').locator('.tick').click();
  await page.goto('about:blank');
  await expect(async () => {
    await openDesk(page, server.url, id);
    await expect(railRow(page, 'Rnd 3')).toHaveClass(/ticked/, { timeout: 1000 });
  }).toPass();
});

test('a part of the page that can’t be fetched is told; the keys go on, and no line is moved', async ({
  page,
  server,
}) => {
  const id = await server.takeIn(BALL);
  await openDesk(page, server.url, id);
  await expect(page.getByRole('heading', { name: /^Rnd 1/ })).toBeVisible();
  await page.route('**/_app/immutable/**', (route) => route.abort());
  await page.route('**/_app/version.json*', (route) => route.fulfill({ json: { version: 'newer' } }));
  await page.keyboard.press('Alt+k');
  await expect(page.getByText('This part of the page is no longer there: Dostik was updated.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Load the new one' })).toBeVisible();
  for (const round of [/^Rnd 2/, /^Rnd 3/]) {
    await page.keyboard.press('Alt+ArrowDown');
    await expect(page.getByRole('heading', { name: round })).toBeVisible();
  }
  await page.keyboard.press('Alt+ArrowUp');
  await page.keyboard.press('Shift+Alt+ArrowUp');
  await saved(page);
  expect((await server.pattern(id)).text).toBe(BALL);
});
