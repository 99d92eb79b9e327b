import { expect, type Page } from '@playwright/test';
import { sound } from './page.js';
import { test } from './server.js';

/** Goes down a sheet to the first line that reads so. */
async function toLine(page: Page, words: RegExp): Promise<void> {
  const options = page.getByRole('listbox', { name: 'Manuscript' }).getByRole('option');
  const lines = await options.allTextContents();
  const at = lines.findIndex((line) => words.test(line));
  await page.keyboard.press('Home');
  const blank = lines.slice(1, at).filter((line) => line.replace(/^\s*\d+\s*/, '').trim() === '').length;
  for (let i = 0; i < at - blank; i += 1) await page.keyboard.press('ArrowDown');
}

test('a practice pattern is worked through by keys alone, kept past a reload, and marked', async ({ page, server }) => {
  await page.goto(server.url);
  await page.keyboard.press('Alt+Shift+n');
  await expect(page.getByRole('heading', { name: 'Trainer', level: 1 })).toBeVisible();
  await sound(page);
  await page.keyboard.press('n');
  const sheet = page.getByRole('listbox', { name: 'Manuscript' });
  await expect(sheet).toBeFocused();
  await expect(page.getByText('1 fault in it', { exact: false })).toBeVisible();
  // Nothing of the check is to be seen, nor sent.
  await expect(page.locator('.rail-row')).toHaveCount(0);
  expect(await page.content()).not.toContain('says:');

  // The second round, which may be right: a false alarm then.
  await toLine(page, /\b(?:R|Rnd |Round )2\b/);
  await page.keyboard.press('m');
  await expect(page.getByText('1 line marked')).toBeVisible();
  const kept = page.waitForResponse((answer) => answer.request().method() === 'PUT' && answer.ok());
  await page.keyboard.press('w');
  await page.getByLabel('What is wrong with it').selectOption('A number of stitches is wrong');
  await page.keyboard.press('Escape');
  await expect(sheet).toBeFocused();
  await kept;
  await page.reload();
  await expect(page.getByText('1 line marked')).toBeVisible();
  await sound(page);

  await page.keyboard.press('Alt+Enter');
  const points = page.getByRole('list', { name: 'What there was to see' });
  await expect(points.getByRole('listitem').first()).toBeVisible();
  await expect(points).toContainText(/Missed|Found/);
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme });
    await sound(page);
  }
  await page.getByRole('link', { name: 'All that you have done' }).click();
  const past = page.getByRole('list', { name: 'What you have worked through' });
  await expect(past.getByRole('listitem')).toHaveCount(1);
  await expect(past).toContainText('level 1');
});

test('terms are turned, and marked word by word', async ({ page, server }) => {
  await page.goto(`${server.url}/trainer`);
  await page.getByText('Turn the terms').click();
  await page.getByRole('combobox', { name: 'Terms' }).selectOption('us');
  await page.getByRole('combobox', { name: 'Written in' }).selectOption('abbreviations');
  await page.getByRole('button', { name: 'Begin' }).click();
  const field = page.getByLabel('UK terms');
  const text = await field.inputValue();
  await field.fill(text.replaceAll(/\bsc/g, 'dc').replace('US terms', 'UK terms'));
  await page.keyboard.press('Alt+Enter');
  await expect(page.getByText('words turned as they should', { exact: false })).toBeVisible();
  await expect(page.getByRole('row', { name: /Missed: single crochet is double crochet/ })).toBeVisible();
  await sound(page);
});
