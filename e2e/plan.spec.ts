import { readFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import { sound } from './page.js';
import { test } from './server.js';

const BALL = 'US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nFasten off.\n';

test('a list is planned by keys: what is late, what moving a date does, and a calendar that follows it', async ({
  page,
  server,
}) => {
  for (const name of ['Lamp', 'Sea pen']) await server.takeIn(`${name}\n${BALL}`, name);
  await page.goto(server.url);
  await page.keyboard.press('Alt+Shift+y');
  await expect(page.getByRole('heading', { name: 'Plan', level: 1 })).toBeVisible();
  await sound(page);
  const day = (ahead: number) => new Date(Date.now() + ahead * 86_400_000).toISOString().slice(0, 10);
  for (const [name, ahead] of [
    ['Lamp', 120],
    ['Sea pen', 15],
  ] as const) {
    await page.keyboard.press('n');
    const dialog = page.getByRole('dialog', { name: 'Put a pattern on the plan' });
    const option = dialog.getByRole('combobox', { name: 'Pattern' });
    const value = await option.locator('option', { hasText: name }).getAttribute('value');
    await option.selectOption(value ?? '');
    await dialog.getByLabel('Comes out on').fill(day(ahead));
    await dialog.getByLabel('List').fill('Spring list');
    await dialog.getByRole('button', { name: 'Put it on the plan' }).click();
    await expect(page.getByRole('rowheader', { name })).toBeVisible();
    await expect(page.getByRole('region', { name: `Plan of ${name}` })).toBeVisible();
  }
  const pen = page.getByRole('rowheader', { name: 'Sea pen' });
  await expect(pen).toContainText(/comes out \d+ days late/);
  await expect(page.getByRole('region', { name: 'What is to be done' })).toContainText('Sea pen: check it');
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme });
    await sound(page);
  }

  // A strip is moved by a week, and it is said what that does before it is done.
  await page.getByRole('rowheader', { name: 'Lamp' }).click();
  await page.getByRole('grid', { name: 'Weeks and patterns' }).focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowDown');
  const told = page.getByRole('status').filter({ hasText: 'Queries out' });
  await expect(told).toContainText('It comes out');
  const kept = page.waitForResponse((answer) => answer.request().method() === 'PUT' && answer.ok());
  await page.keyboard.press('Enter');
  await kept;
  await page.reload();
  await page.getByRole('rowheader', { name: 'Lamp' }).click();
  await expect(page.getByText('moved: let go')).toBeVisible();

  const coming = page.waitForEvent('download');
  await page.getByRole('link', { name: 'As a calendar file' }).click();
  expect(readFileSync(await (await coming).path(), 'utf8')).toContain('SUMMARY:Lamp: Release');
  await page.getByText('Follow the dates in a calendar').click();
  await page.getByRole('button', { name: 'Make an address' }).click();
  const address = await page.locator('.whole').textContent();
  const calendar = await page.request.get(address ?? '');
  expect(calendar.headers()['content-type']).toContain('text/calendar');
  await page.getByRole('button', { name: 'Withdraw' }).click();
  await expect(page.getByText('The address is withdrawn', { exact: false })).toBeVisible();
  expect((await page.request.get(address ?? '')).status()).toBe(410);
});
