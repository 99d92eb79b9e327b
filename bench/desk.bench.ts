/**
 * The Desk in Chromium, with a pattern of 300 lines on a warm server: first paint, from a key to new
 * verdicts in the rail, and the weight of what is loaded.   npm run bench:desk
 */
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { chromium } from '@playwright/test';
import config from '../playwright.config.js';
import { Server } from '../e2e/server.js';

const lines = readdirSync('demo')
  .flatMap((file) => readFileSync(path.join('demo', file), 'utf8').split('\n'))
  .slice(0, 300);
const text = [...lines, 'BALL', 'Rnd 1: 6 sc in MR (6)', 'Rnd 2: inc x 6 = 1'].join('\n');

const server = new Server();
await server.start();
const browser = await chromium.launch(config.use?.launchOptions ?? {});
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const created = await page.request.post(`${server.url}/api/patterns`, { data: { text, name: 'Bench' } });
  const { id } = (await created.json()) as { id: string };
  const url = `${server.url}/desk/${id}`;
  await page.goto(url);
  await page.waitForSelector('.rail-row.agrees', { state: 'attached' }).catch(() => undefined);

  const weights = new Map<string, number>();
  page.on('response', (response) => {
    if (!response.url().includes('.js')) return;
    void response
      .body()
      .then((body) => weights.set(response.url(), gzipSync(body).length))
      .catch(() => undefined);
  });
  const paints: number[] = [];
  for (let i = 0; i < 7; i += 1) {
    await page.goto(url);
    await page.waitForSelector('.cm-line');
    paints.push(await page.evaluate(() => performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? 0));
  }
  await page.waitForTimeout(1500);
  paints.sort((a, b) => a - b);

  // Each key changes the stated count of the last round: "(1", "(12", "(1" …; the rail must follow.
  await page.getByLabel('Manuscript').focus();
  await page.keyboard.press('Control+End');
  await page.waitForTimeout(500);
  const keys: number[] = [];
  for (let i = 0; i < 40; i += 1) {
    const taken = page.evaluate(
      () =>
        new Promise<number>((resolve) => {
          const content = document.querySelector('.cm-content');
          let start = 0;
          content?.addEventListener('beforeinput', () => (start = performance.now()), { once: true, capture: true });
          content?.addEventListener('keydown', () => (start ||= performance.now()), { once: true, capture: true });
          const before = last();
          const watch = () => {
            if (start > 0 && last() !== before) resolve(performance.now() - start);
            else requestAnimationFrame(watch);
          };
          requestAnimationFrame(watch);
          function last(): string {
            return [...document.querySelectorAll('.rail-row')].map((row) => row.getAttribute('title')).at(-1) ?? '';
          }
        }),
    );
    if (i % 2 === 0) await page.keyboard.type('2');
    else await page.keyboard.press('Backspace');
    keys.push(await taken);
    await page.waitForTimeout(60);
  }
  keys.sort((a, b) => a - b);
  const weight = [...weights.values()].reduce((sum, bytes) => sum + bytes, 0) / 1024;
  const say = (what: string, value: number, unit: string, aim: number) =>
    console.log(
      `${what.padEnd(34)} ${value.toFixed(0).padStart(6)} ${unit}   under ${aim} ${unit}: ${value < aim ? 'met' : 'NOT MET'}`,
    );
  say('first paint, median of 7', paints[3] ?? 0, 'ms', 1500);
  say('key to new verdict, median of 40', keys[20] ?? 0, 'ms', 50);
  console.log(`  slowest tenth from ${(keys[36] ?? 0).toFixed(0)} ms`);
  say('JavaScript, gzipped', weight, 'KB', 250);
} finally {
  await browser.close();
  await server.close();
}
