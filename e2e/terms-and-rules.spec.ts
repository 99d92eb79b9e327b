import { expect } from '@playwright/test';
import { sound } from './page.js';
import { test } from './server.js';

const BEAR =
  'Bear\nUS terms\n\nsc = single crochet\n\nHead\nRnd 1: 6 sc in MR (6)\nRnd 2: sc around (6)\nMake the next one double.\n';

test('convert a pattern, answer its question, save the edition, and bring it up to date', async ({ page, server }) => {
  await page.goto(server.url);
  await expect(async () => {
    await page.keyboard.press('n');
    await expect(page.getByRole('dialog')).toBeVisible({ timeout: 500 });
  }).toPass();
  await page.getByLabel('Pattern text').fill(BEAR);
  await page.getByRole('button', { name: 'Take in', exact: true }).click();
  await expect(page.getByRole('heading', { name: /rounds read/ })).toBeVisible();
  await page.keyboard.press('Alt+Shift+t');

  await expect(page.getByRole('heading', { name: 'Proved' })).toBeVisible();
  const texts = page.getByRole('region', { name: 'Both versions' });
  await expect(texts).toContainText('Rnd 1: 6 dc in MR (6)');
  await expect(texts).toContainText('UK terms');
  const question = page.getByRole('list', { name: 'Questions' });
  await expect(question).toContainText('“double” in line 9');
  await question.getByRole('button', { name: 'treble' }).click();
  await expect(question).toBeHidden();
  await expect(texts).toContainText('Make the next one treble.');

  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme });
    await sound(page);
  }

  await page.getByRole('button', { name: 'Save as an edition' }).click();
  await page.getByRole('button', { name: 'Open it' }).click();
  await expect(page.getByRole('heading', { name: 'Bear (UK terms)', level: 1 })).toBeVisible();
  await expect(page.locator('.cm-content')).toContainText('Rnd 2: dc around (6)');

  // The source changes: the edition is behind, and takes over that change alone.
  await page.goto(server.url);
  await page.getByRole('link', { name: 'Bear', exact: true }).click();
  await page.locator('.cm-line', { hasText: 'Rnd 2: sc around (6)' }).click();
  await page.keyboard.press('End');
  await page.keyboard.type('\nRnd 3: hdc around (6)');
  await expect(page.locator('[data-save=saved]')).toBeVisible();
  await page.keyboard.press('Alt+Shift+t');
  await expect(page.getByText('is behind')).toBeVisible();
  await page.getByRole('button', { name: 'Update the edition' }).click();
  await expect(page.getByText('The edition is up to date.')).toBeVisible();
  await page.getByRole('link', { name: 'Bear (UK terms)' }).click();
  await expect(page.locator('.cm-content')).toContainText('Rnd 3: htr around (6)');
  await expect(page.locator('.cm-content')).toContainText('Make the next one treble.');
});

test('the reference card is searched, and is there without a network', async ({ page, server, context }) => {
  await page.goto(`${server.url}/card`);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.getByLabel('Find a term, a hook, a yarn').fill('half');
  await expect(page.getByRole('cell', { name: 'half treble crochet htr', exact: true })).toBeVisible();
  await expect(page.getByRole('cell', { name: 'double crochet dc', exact: true })).toHaveCount(0);
  await context.setOffline(true);
  await page.goto(`${server.url}/card`);
  await expect(page.getByRole('heading', { name: 'Reference card' })).toBeVisible();
  await page.getByLabel('Find a term, a hook, a yarn').fill('3.50');
  await expect(page.getByRole('cell', { name: 'E/4' })).toBeVisible();
});

test('a house style is learnt from one pattern and set in another, as one change', async ({ page, server }) => {
  await page.goto(`${server.url}/style`);
  await page.getByLabel('Learn it from').selectOption({ label: 'PUFFIN OF GANNET STACK' });
  await page.getByRole('button', { name: 'Take over all' }).click();
  await expect(page.getByText('The house style is set.')).toBeVisible();
  await sound(page);

  await page.goto(server.url);
  await page.getByRole('link', { name: 'Lantern Point Lighthouse' }).click();
  await page.getByRole('tab', { name: /Findings \d/ }).click();
  await expect(page.getByText('"Round" here and in')).toBeVisible();
  await page.getByRole('button', { name: 'More for this pattern' }).click();
  await page.getByRole('menuitem', { name: /Set the whole pattern in house style/ }).click();
  await expect(page.getByRole('dialog')).toContainText('every round comes out as before');
  await page.getByRole('button', { name: 'Set it so' }).click();
  await expect(page.locator('.cm-content')).toContainText('Rnd 3:** (dc in next st, inc) x 6');
  await expect(page.getByText('"Round" here and in')).toBeHidden();
  await page.keyboard.press('Control+z');
  await expect(page.locator('.cm-content')).toContainText('Round 3:**');
});

test('a rule is switched off for one pattern, and stays on for the others', async ({ page, server }) => {
  await page.goto(server.url);
  await page.getByRole('link', { name: 'Lantern Point Lighthouse' }).click();
  await expect(page.getByRole('tab', { name: 'Findings 1' })).toBeVisible();
  await page.getByRole('link', { name: 'Its rules' }).click();
  await page.getByRole('button', { name: 'count/stated' }).click();
  await expect(page.getByText('Nothing in')).toBeVisible();
  await sound(page);
  // Even where the setting takes its time, the Desk is made from it.
  await page.route('**/api/patterns/*/rules', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 700));
    await route.continue();
  });
  await page.getByLabel('How count/stated is taken').selectOption('off');
  await page.getByRole('link', { name: /^Desk/ }).click();
  await expect(page.getByRole('tab', { name: 'Findings 0' })).toBeVisible();
  await page.goto(`${server.url}/rules`);
  await expect(page.getByLabel('How count/stated is taken')).toHaveValue('usual');
});
