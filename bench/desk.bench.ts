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
  await page.waitForSelector('.cm-line');

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
    // Noted in the page: when the key went down, and when the last row of the rail was first drawn anew.
    await page.evaluate(() => {
      const row = () => [...document.querySelectorAll('.rail-row')].at(-1)?.getAttribute('title') ?? '';
      const before = row();
      const notes = { down: 0, drawn: 0 };
      Object.assign(window, { notes });
      window.addEventListener('keydown', () => (notes.down = performance.now()), { once: true, capture: true });
      const watch = () => {
        if (row() === before) requestAnimationFrame(watch);
        else notes.drawn = performance.now();
      };
      requestAnimationFrame(watch);
    });
    await page.keyboard.press(i % 2 === 0 ? '2' : 'Backspace');
    await page.waitForFunction(() => (window as unknown as { notes: { drawn: number } }).notes.drawn > 0, null, {
      timeout: 5000,
    });
    keys.push(
      await page.evaluate(() => {
        const { notes } = window as unknown as { notes: { down: number; drawn: number } };
        return notes.drawn - notes.down;
      }),
    );
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
