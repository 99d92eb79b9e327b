import { get } from 'node:http';
import AxeBuilder from '@axe-core/playwright';
import { expect, type Browser, type Page } from '@playwright/test';

/** The row of the rail beside a line that begins with some words, as its title tells it. */
export function railRow(page: Page, words: string) {
  return page.locator(`.rail-row[title^="${words}:"]`);
}

/** Waits until everything that was typed is saved. */
export async function saved(page: Page): Promise<void> {
  await expect(page.locator('[data-save=saved]')).toBeVisible();
}

/** Opens a Desk by its address, and waits until its first round stands in the rail. */
export async function openDesk(page: Page, url: string, id: string): Promise<void> {
  await page.goto(`${url}/desk/${id}`);
  await expect(page.locator('.rail-row:not([data-key=""])').first()).toBeVisible();
}

/** Types at the beginning of the manuscript. */
export async function typeFirst(page: Page, words: string, delay = 0): Promise<void> {
  await page.getByLabel('Manuscript').focus();
  await page.keyboard.press('Control+Home');
  await page.keyboard.type(words, { delay });
  // The editor takes up the last key with the next frame: nobody leaves sooner.
  await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(drawn)));
}

export async function openPattern(page: Page, url: string, name: string | RegExp): Promise<void> {
  await page.goto(url);
  await page.getByRole('link', { name }).click();
  await expect(page.getByRole('tab', { name: /Findings \d/ })).toBeVisible();
}

/**
 * That a page as it stands violates no rule of accessibility. It holds no frame, so what is found needs no page of its
 * own to be brought together on, and only what is wrong is told: half the time of asking for all that is right as well.
 */
export async function sound(page: Page, what = page.url()): Promise<void> {
  const told = await new AxeBuilder({ page })
    .setLegacyMode()
    .options({ resultTypes: ['violations'] })
    .analyze();
  expect(told.violations, what).toEqual([]);
}

/** What a page brings with it at a first visit, faces apart, as it goes over the wire: its workers, too. Kilobytes. */
export async function weightOf(browser: Browser, address: string): Promise<{ page: number; workers: number }> {
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const page = await context.newPage();
  const asked = new Set<string>();
  // What a worker loads is asked for by the context, and not by the page.
  context.on('request', (request) => {
    if (request.method() === 'GET' && request.resourceType() !== 'font') asked.add(request.url());
  });
  await page.goto(address, { waitUntil: 'networkidle' });
  await context.close();
  const weights = { page: 0, workers: 0 };
  for (const url of asked) weights[url.includes('/workers/') ? 'workers' : 'page'] += (await sentFor(url)) / 1024;
  return weights;
}

/** How many bytes answer a browser that takes them compressed, the head of the answer among them. */
function sentFor(url: string): Promise<number> {
  return new Promise((resolve, reject) => {
    const request = get(url, { headers: { 'accept-encoding': 'gzip, deflate, br, zstd' } }, (answer) => {
      let bytes = answer.rawHeaders.join('\r\n').length;
      answer.on('data', (piece: Buffer) => (bytes += piece.length));
      answer.on('end', () => resolve(bytes));
      answer.on('error', reject);
    });
    request.on('error', reject);
  });
}
