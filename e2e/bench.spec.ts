import { expect, type Page } from '@playwright/test';
import { sound } from './page.js';
import { test } from './server.js';

const BALL =
  'Ball\nUS terms, about 5 cm tall\n\nMaterials\nDK cotton in Moss (20 g)\n3 mm hook\n\nsc = single crochet, inc = 2 sc in one, dec = 2 sc together\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 4: sc around (18)\nStuff it.\nRnd 5: (sc 1, dec) x 6 (12)\nRnd 6: dec x 6 (6)\nFasten off.\n';

const PHONE = { viewport: { width: 390, height: 844 }, deviceScaleFactor: 2, hasTouch: true, isMobile: true };
const tap = async (page: Page, times: number) => {
  for (let i = 0; i < times; i += 1) await page.locator('.pad').tap();
};

test('a tester follows the draft on a phone, loses count, goes offline and comes back; the editor sees it', async ({
  page,
  server,
  browser,
}) => {
  test.slow();
  // The editor asks for a test.
  const id = await server.takeIn(BALL, 'Ball');
  await page.goto(`${server.url}/tests/${id}`);
  await page.getByLabel('Hook').fill('3 mm');
  await page.getByRole('button', { name: 'Freeze the draft and make the address' }).click();
  const address = page.getByText(/^http.*\/bench\//);
  await expect(address).toBeVisible();
  const link = await address.innerText();

  const phone = await browser.newContext(PHONE);
  const bench = await phone.newPage();
  await bench.goto(link);
  await bench.getByLabel('The name you want to be known by').fill('Aune');
  await expect(bench.getByRole('button', { name: 'Begin' })).toBeDisabled();
  await bench.getByRole('checkbox', { name: 'I have read this' }).check();
  await sound(bench);
  await bench.getByRole('button', { name: 'Begin' }).tap();

  // Two rounds, stitch by stitch.
  await expect(bench.getByText('6 sc in MR (6)')).toBeVisible();
  await tap(bench, 6);
  await expect(bench.locator('.pad')).toContainText('Touch for the next round');
  await tap(bench, 1 + 12 + 1 + 5);
  await expect(bench.locator('.pad')).toContainText('5 of 18');
  await bench.getByRole('button', { name: 'Take back' }).tap();
  await expect(bench.locator('.pad')).toContainText('4 of 18');

  // The count is lost: one is missing on the hook.
  await bench.getByRole('button', { name: 'How many?' }).tap();
  for (const key of ['1', '7']) await bench.getByRole('button', { name: key, exact: true }).tap();
  await bench.getByRole('button', { name: 'Done' }).tap();
  await expect(bench.getByText('1 too few')).toBeVisible();
  await sound(bench);
  await bench.getByRole('button', { name: /One increase was worked as a single stitch/ }).tap();
  await expect(bench.getByText('sc around (18)')).toBeVisible();
  await expect(bench.getByText('all sent')).toBeVisible();

  // Without a network all goes on, also when the page is opened anew.
  const kept = await bench.evaluate(async () => {
    await navigator.serviceWorker.ready;
    const caching = await Promise.all((await caches.keys()).map((name) => caches.open(name)));
    const pieces = (await Promise.all(caching.map((cache) => cache.matchAll()))).flat();
    const sizes = await Promise.all(pieces.map(async (piece) => (await piece.arrayBuffer()).byteLength));
    return sizes.reduce((sum, size) => sum + size, 0) / 1024;
  });
  // Bench and reference card with their faces; the whole application is five times as much.
  expect(kept).toBeGreaterThan(200);
  expect(kept).toBeLessThan(750);
  await phone.setOffline(true);
  await bench.getByRole('button', { name: 'Note' }).tap();
  await bench.getByLabel('Words').fill('Which eyes?');
  await bench.getByRole('button', { name: 'Unclear' }).tap();
  await tap(bench, 3);
  await expect(bench.getByText('kept here, not sent yet')).toBeVisible();
  await bench.reload();
  await expect(bench.locator('.pad')).toContainText('3 of 18');
  await expect(bench.getByText('One note at this round')).toBeVisible();
  for (const colorScheme of ['light', 'dark'] as const) {
    await bench.emulateMedia({ colorScheme });
    await sound(bench);
  }
  const card = await phone.newPage();
  await card.goto(`${server.url}/card`);
  await expect(card.getByRole('heading', { name: 'Reference card' })).toBeVisible();
  await card.close();
  await phone.setOffline(false);
  await expect(bench.getByText('all sent')).toBeVisible({ timeout: 30_000 });

  // Touch targets are large enough for a thumb.
  for (const button of await bench.getByRole('button').all())
    expect((await button.boundingBox())?.height ?? 0).toBeGreaterThanOrEqual(48);

  // The text goes on meanwhile: the tester stays on theirs, and sees that there is a newer one.
  await server.ask('PUT', `/api/patterns/${id}`, { text: BALL.replace('Stuff it.', 'Stuff it well.'), base: 1 });
  await tap(bench, 1);
  await bench.getByRole('button', { name: 'Take back' }).tap();
  await expect(bench.getByRole('button', { name: 'More' })).toContainText('the text has changed', { timeout: 15_000 });
  await expect(bench.locator('.pad')).toContainText('3 of 18');

  // The editor sees it, and makes a query of it.
  await page.reload();
  const table = page.getByRole('region', { name: 'Testers side by side' });
  await expect(table.getByRole('columnheader', { name: /Aune/ })).toBeVisible();
  await page.keyboard.press('Alt+Period');
  const round = page.getByRole('complementary', { name: 'The round' });
  await expect(round).toContainText('Counted 17 for 18.');
  await page.keyboard.press('Alt+Period');
  await expect(round).toContainText('Unclear. Which eyes?');
  await page.keyboard.press('Alt+q');
  await expect(page.getByText('Query 1 is made.')).toBeVisible();
  await sound(page);

  // Withdrawn, it says so, and what is noted stays.
  await page.keyboard.press('Alt+0');
  await page.getByRole('button', { name: 'Withdraw' }).click();
  await expect(page.getByText('it leads nowhere any more')).toBeVisible();
  await tap(bench, 1);
  await expect(bench.getByRole('alert')).toContainText('This test was withdrawn');
  await tap(bench, 1);
  await expect(bench.locator('.pad')).toContainText('5 of 18');
  await phone.close();
});

test('a guessed address is slowed down, and a foot switch and a scale answer', async ({ page, server, context }) => {
  const id = await server.takeIn(BALL, 'Ball');
  await page.goto(`${server.url}/tests/${id}`);
  await page.getByRole('button', { name: 'Freeze the draft and make the address' }).click();
  const link = await page.getByText(/^http.*\/bench\//).innerText();
  await page.goto(link);
  await page.getByLabel('The name you want to be known by').fill('Mirre');
  await page.getByRole('checkbox', { name: 'I have read this' }).check();
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.locator('.pad')).toContainText('0 of 6');

  // Keys as a presenter types them, and the practice devices in a window beside.
  await page.keyboard.press('PageDown');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('PageUp');
  await expect(page.locator('.pad')).toContainText('1 of 6');
  const beside = await context.newPage();
  await beside.goto(`${server.url}/bench/devices`);
  await beside.getByRole('button', { name: 'On', exact: true }).click();
  await expect(page.locator('.pad')).toContainText('2 of 6');
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('button', { name: 'Weigh, measure, finish' }).click();
  await page.getByRole('button', { name: 'Practice scale' }).click();
  await expect(page.getByText('48.5 g')).toBeVisible();
  await page.getByRole('button', { name: 'Moss before: 48.5' }).click();
  await expect(page.getByRole('textbox', { name: 'Moss before' })).toHaveValue('48.5');
  await page.getByRole('textbox', { name: 'Moss after' }).fill('heavy');
  await page.getByRole('textbox', { name: 'Moss after' }).press('Tab');
  await expect(page.getByRole('textbox', { name: 'Moss after' })).toHaveAttribute('aria-invalid', 'true');

  // Twenty addresses that lead nowhere, and it waits.
  const statuses: number[] = [];
  for (let i = 0; i < 22; i += 1)
    statuses.push((await page.request.get(`${server.url}/api/bench/guess-${i}`)).status());
  expect(statuses.slice(0, 20)).toEqual(Array<number>(20).fill(404));
  expect(statuses.slice(20)).toEqual([429, 429]);
});
