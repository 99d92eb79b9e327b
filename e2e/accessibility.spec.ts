import AxeBuilder from '@axe-core/playwright';
import { expect } from '@playwright/test';
import { openDesk, openPattern } from './page.js';
import { test } from './server.js';

const BALL = 'Ball\nUS terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (13)\nFasten off.\n';

for (const colorScheme of ['light', 'dark'] as const) {
  test(`no page and no state of it has violations of accessibility: ${colorScheme}`, async ({ page, server }) => {
    const id = await server.takeIn(BALL, 'Ball');
    const sound = async (what: string) =>
      expect((await new AxeBuilder({ page }).analyze()).violations, what).toEqual([]);
    await page.emulateMedia({ colorScheme });
    for (const path of [
      '/',
      '/rules',
      '/style',
      '/card',
      '/away',
      `/intake/${id}`,
      `/terms/${id}`,
      `/shape/${id}`,
      `/tests/${id}`,
      '/bench',
      '/bench/devices',
      '/bench/nobody',
      `/drafts/${id}`,
      `/queries/${id}`,
      `/history/${id}`,
      `/desk/${id}/rules`,
      `/desk/${id}`,
      '/nowhere',
      `/desk/nobody`,
    ]) {
      await page.goto(server.url + path, { waitUntil: 'networkidle' });
      await sound(`${path}, ${colorScheme}`);
    }
    // A dialog, with an error in it.
    await page.goto(server.url, { waitUntil: 'networkidle' });
    await page.keyboard.press('n');
    await page.getByRole('button', { name: 'Take in', exact: true }).click();
    await expect(page.getByRole('alert')).toBeVisible();
    await sound(`taking in, ${colorScheme}`);
    await page.keyboard.press('Escape');
    // Rows that are selected, nothing that is like what was asked for, and a menu.
    await page.keyboard.press('a');
    await sound(`selected, ${colorScheme}`);
    await page.keyboard.press('a');
    await page
      .getByRole('button', { name: /^More for/ })
      .first()
      .click();
    await sound(`a menu, ${colorScheme}`);
    await page.keyboard.press('Escape');
    await page.getByRole('searchbox').fill('zzz');
    await sound(`nothing found, ${colorScheme}`);
    // The Desk in the middle of an error: a save that does not arrive, and keys and finder over it.
    await openDesk(page, server.url, id);
    await page.route('**/api/**', (route) => route.abort());
    await page.keyboard.type(' ');
    await expect(page.getByRole('alert')).toBeVisible();
    await sound(`unsaved, ${colorScheme}`);
    for (const key of ['Alt+k', 'Alt+a']) {
      await page.keyboard.press(key);
      await expect(page.getByRole('dialog')).toBeVisible();
      await sound(`${key}, ${colorScheme}`);
      await page.keyboard.press('Escape');
    }
    await page.unroute('**/api/**');
    await page.keyboard.press('Backspace');
    await expect(page.locator('[data-save=saved]')).toBeVisible();
    // What the caret is at besides rounds.
    for (const key of ['Alt+PageUp', 'Control+Home', 'Alt+l']) {
      await page.keyboard.press(key);
      await sound(`${key}, ${colorScheme}`);
    }
    // A correspondence: its queries, the letter, and the reply.
    await openPattern(page, server.url, 'Tugboat');
    await page.keyboard.press('Alt+Shift+Q');
    for (const key of [null, 'Alt+l', 'Alt+r']) {
      if (key) await page.keyboard.press(key);
      await page.waitForTimeout(300);
      await sound(`queries, ${key ?? 'list'}, ${colorScheme}`);
    }
    // Something to mend: the round, the list of all findings, and the finder over it.
    await openPattern(page, server.url, 'Tugboat');
    for (const key of ['Alt+Period', 'Alt+l', 'Alt+a']) {
      await page.keyboard.press(key);
      if (key === 'Alt+a') await expect(page.getByRole('combobox')).toBeFocused();
      await sound(`to mend, ${key}, ${colorScheme}`);
    }
    await page.keyboard.press('Escape');
    // An empty shelf.
    const { patterns } = { patterns: (await (await server.ask('GET', '/api/patterns')).json()) as { id: string }[] };
    await server.ask('PUT', '/api/shelf', { ids: patterns.map((one) => one.id), away: true });
    await page.goto(server.url, { waitUntil: 'networkidle' });
    await sound(`an empty shelf, ${colorScheme}`);
  });
}
