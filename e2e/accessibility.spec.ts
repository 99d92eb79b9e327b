import { expect, type Page } from '@playwright/test';
import { openDesk, openPattern, sound } from './page.js';
import { test } from './server.js';

const BALL = 'Ball\nUS terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (13)\nFasten off.\n';

for (const colorScheme of ['light', 'dark'] as const) {
  test.describe(`no violation of accessibility: ${colorScheme}`, () => {
    test.use({ colorScheme });

    test('on any page', async ({ page, server }) => {
      const id = await server.takeIn(BALL, 'Ball');
      const places = ['intake', 'terms', 'shape', 'tests', 'drafts', 'queries', 'history', 'desk'];
      for (const path of [
        ...['/', '/rules', '/style', '/card', '/away', '/bench', '/bench/devices', '/bench/nobody'],
        ...places.map((place) => `/${place}/${id}`),
        ...[`/desk/${id}/rules`, '/desk/nobody', '/nowhere'],
      ]) {
        await page.goto(server.url + path, { waitUntil: 'networkidle' });
        await sound(page);
      }
    });

    test('on the Shelf, whatever it shows', async ({ page, server }) => {
      await page.goto(server.url);
      await page.keyboard.press('n');
      await page.getByRole('button', { name: 'Take in', exact: true }).click();
      await expect(page.getByRole('alert')).toBeVisible();
      await sound(page, 'taking in, with an error');
      await page.keyboard.press('Escape');
      await page.keyboard.press('a');
      await sound(page, 'all rows selected');
      await page.keyboard.press('a');
      const more = page.getByRole('button', { name: /^More for/ });
      await more.first().click();
      await sound(page, 'a menu');
      await page.keyboard.press('Escape');
      await page.getByRole('searchbox').fill('zzz');
      await sound(page, 'nothing found');
      const patterns = (await (await server.ask('GET', '/api/patterns')).json()) as { id: string }[];
      await server.ask('PUT', '/api/shelf', { ids: patterns.map(({ id }) => id), away: true });
      await page.goto(server.url);
      await sound(page, 'empty');
    });

    test('at the Desk, in the middle of an error and at what is to be mended', async ({ page, server }) => {
      await openDesk(page, server.url, await server.takeIn(BALL, 'Ball'));
      await page.route('**/api/**', (route) => route.abort());
      await page.keyboard.type(' ');
      await expect(page.getByRole('alert')).toBeVisible();
      await sound(page, 'unsaved');
      for (const key of ['Alt+k', 'Alt+a']) {
        await page.keyboard.press(key);
        await expect(page.getByRole('dialog')).toBeVisible();
        await sound(page, `unsaved, ${key}`);
        await page.keyboard.press('Escape');
      }
      await page.unroute('**/api/**');
      await page.keyboard.press('Backspace');
      await expect(page.locator('[data-save=saved]')).toBeVisible();
      await pressed(page, ['Alt+PageUp', 'Control+Home', 'Alt+l']);
      await openPattern(page, server.url, 'Tugboat');
      await pressed(page, ['Alt+Period', 'Alt+l', 'Alt+a']);
    });

    test('in a correspondence: its queries, the letter and the reply', async ({ page, server }) => {
      await openPattern(page, server.url, 'Tugboat');
      await pressed(page, ['Alt+Shift+Q', 'Alt+l', 'Alt+r']);
    });
  });
}

/** Presses one key after the other, and looks at what each has brought once it stands still. */
async function pressed(page: Page, keys: readonly string[]): Promise<void> {
  for (const key of keys) {
    await page.keyboard.press(key);
    if (key === 'Alt+a') await expect(page.getByRole('combobox')).toBeFocused();
    await page.waitForTimeout(300);
    await sound(page, `${page.url()}, ${key}`);
  }
}
