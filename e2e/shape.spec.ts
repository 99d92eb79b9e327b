import { expect } from '@playwright/test';
import { openDesk, sound } from './page.js';
import { test } from './server.js';

const BALL =
  'Ball\nUS terms, about 25 cm tall\n\nMaterials\nDK cotton (100 g = 220 m): Moss 3 g\n3 mm hook\n\nsc = single crochet, inc = 2 sc in one\n\nBALL\nWith Moss.\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 4: (sc 2, inc) x 6 (24)\nRnd 5: (sc 3, inc) x 6 (30)\nRnds 6-11: sc around (30)\nStuff it. Fasten off.\n';

test('from the Desk to Shape: another hook, and the corners of stacked increases go', async ({ page, server }) => {
  await openDesk(page, server.url, await server.takeIn(BALL, 'Ball'));
  await page.keyboard.press('Alt+Shift+o');
  const size = page.getByRole('region', { name: 'Size' });
  await expect(size).toContainText('Stated: 25 cm tall; the counts give');
  const tall = async () =>
    Number(/^(?:Size)?\s*([\d.]+)/.exec((await size.innerText()).replace('Size', '').trim())?.[1]);
  const yarn = page.getByRole('region', { name: 'Yarn for all of it' });
  const grams = async () => Number(/Moss\s*\d+–\d+\s*(\d+)/.exec(await yarn.innerText())?.[1]);
  await expect(yarn).toContainText('short');
  const [before, weight] = [await tall(), await grams()];
  expect(before).toBeGreaterThan(3);

  // Another hook: size and yarn follow, and it is kept.
  const kept = page.waitForResponse((answer) => answer.url().endsWith('/shape') && answer.ok());
  await page.getByRole('combobox', { name: /^Hook/ }).selectOption('5');
  await expect.poll(tall).toBeGreaterThan(before * 1.3);
  await expect.poll(grams).toBeGreaterThan(weight);
  await kept;
  await page.reload();
  await expect.poll(tall).toBeGreaterThan(before * 1.3);

  // The corners of its increases go with the shift, and it stands in the text.
  await expect(page.getByText('6 corners').first()).toBeVisible();
  await page.keyboard.press('Alt+x');
  await expect(page.getByText('are shifted by half a repeat')).toBeVisible();
  await expect(page.getByText('6 corners')).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Rnd 4: (sc 1, inc, sc 1) x 6 (24)' })).toBeVisible();

  // The round is seen at the Desk.
  await page.getByRole('button', { name: 'Rnd 4: (sc 1, inc, sc 1) x 6 (24)' }).click();
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme });
    await sound(page);
  }
  await page.keyboard.press('Alt+g');
  await expect(page.locator('.cm-content')).toContainText('Rnd 4: (sc 1, inc, sc 1) x 6 (24)');
});

test('in the round: it is drawn without a graphics card, and goes into the release', async ({ page, server }) => {
  const id = await server.takeIn(BALL, 'Ball');
  await page.goto(`${server.url}/shape/${id}`);
  await expect(page.getByRole('region', { name: 'Size' })).toBeVisible();
  await page.keyboard.press('Alt+2');
  const table = page.getByRole('application', { name: /in the round/ });
  await expect(table).toBeVisible();
  // Something is drawn: the middle of the canvas is not empty.
  const drawn = () => table.screenshot().then((bytes) => bytes.length);
  await expect.poll(drawn).toBeGreaterThan(8000);
  await page.getByRole('button', { name: 'Put it into the release' }).click();
  await page.getByRole('button', { name: 'See it' }).click();
  await expect(page.getByRole('img', { name: /drawn from the counts/ })).toBeVisible();
});
