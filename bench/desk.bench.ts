/**
 * The application in Chromium, on a warm server: the first paint of its pages, the Shelf with 2,000 patterns, and the Desk
 * with a pattern of 300 lines from a key to new verdicts in the rail, with the weight of what is loaded.   npm run bench:desk
 */
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { chromium, type Page } from '@playwright/test';
import config from '../playwright.config.js';
import { Server } from '../e2e/server.js';

const demo = readdirSync('demo').flatMap((file) => readFileSync(path.join('demo', file), 'utf8').split('\n'));

/** The demo patterns to so many lines, and a last round whose stated count is typed at. */
function textOf(lines: number): string {
  const some = Array.from({ length: lines }, (_, i) => demo[i % demo.length] ?? '');
  return [...some, '', 'BALL', 'Rnd 1: 6 sc in MR (6)', 'Rnd 2: inc x 6 = 1'].join('\n');
}

/** Takes in a text, and says where its Desk is. */
async function deskOf(page: Page, text: string): Promise<string> {
  const created = await page.request.post(`${server.url}/api/patterns`, { data: { text, name: 'Bench' } });
  return `${server.url}/desk/${((await created.json()) as { id: string }).id}`;
}

/** Milliseconds from a key that changes the last stated count to the rail drawn anew, sorted; and the layout shift meanwhile. */
async function keysOf(page: Page): Promise<{ keys: number[]; shift: number }> {
  await page.getByLabel('Manuscript').focus();
  await page.keyboard.press('Control+End');
  await page.waitForTimeout(1500);
  await page.evaluate(() => {
    const sum = { shift: 0 };
    Object.assign(window, { sum });
    new PerformanceObserver((list) => {
      type Shift = { value: number; sources: { node: Node | null }[] };
      // The caret moves with every key; that is no shift.
      const isCaret = (node: Node | null) => node instanceof Element && node.classList.contains('cm-cursor');
      for (const entry of list.getEntries() as unknown as Shift[])
        if (!entry.sources.every(({ node }) => isCaret(node))) sum.shift += entry.value;
    }).observe({ type: 'layout-shift' });
  });
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
    await page.waitForTimeout(60);
  }
  const shift = await page.evaluate(() => (window as unknown as { sum: { shift: number } }).sum.shift);
  return { keys: keys.sort((a, b) => a - b), shift };
}

/** The longest time between two frames while the wheel turns through the text; milliseconds. */
async function longestFrame(page: Page): Promise<number> {
  await page.mouse.move(500, 400);
  await page.evaluate(() => {
    const frames = { longest: 0, last: performance.now() };
    Object.assign(window, { frames });
    const next = () => {
      const now = performance.now();
      frames.longest = Math.max(frames.longest, now - frames.last);
      frames.last = now;
      requestAnimationFrame(next);
    };
    requestAnimationFrame(next);
  });
  for (let i = 0; i < 60; i += 1) {
    await page.mouse.wheel(0, i < 15 ? 240 : -240);
    await page.waitForTimeout(20);
  }
  return page.evaluate(() => (window as unknown as { frames: { longest: number } }).frames.longest);
}

/** The first paint of a page, the median of seven loads; milliseconds. */
async function firstPaint(page: Page, url: string): Promise<number> {
  const paints: number[] = [];
  for (let i = 0; i < 7; i += 1) {
    await page.goto(url, { waitUntil: 'networkidle' });
    paints.push(await page.evaluate(() => performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? 0));
  }
  return paints.sort((a, b) => a - b)[3] ?? 0;
}

/** From the request of the Shelf to its controls being alive, the median of seven loads; milliseconds. */
async function shelfAlive(page: Page): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < 7; i += 1) {
    await page.goto(`${server.url}/`, { waitUntil: 'commit' });
    // A select takes no choice before the page is alive.
    times.push(
      await page.evaluate(
        () =>
          new Promise<number>((resolve) => {
            const look = () =>
              document.querySelector('select:not([disabled])') && document.querySelector('[data-row]')
                ? resolve(performance.now())
                : requestAnimationFrame(look);
            look();
          }),
      ),
    );
  }
  return times.sort((a, b) => a - b)[3] ?? 0;
}

const server = new Server();
await server.start();
const browser = await chromium.launch(config.use?.launchOptions ?? {});
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const url = await deskOf(page, textOf(300));
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
  await page.reload();
  await page.waitForSelector('[data-check=done]');
  await page.waitForTimeout(1500);

  const short = await keysOf(page);
  const frame = await longestFrame(page);
  await page.goto(await deskOf(page, textOf(3000)));
  await page.waitForSelector('[data-check=done]');
  const long = await keysOf(page);
  const longFrame = await longestFrame(page);
  const weight = [...weights.values()].reduce((sum, bytes) => sum + bytes, 0) / 1024;
  const id = new URL(url).pathname.split('/').at(-1) ?? '';
  const pages: [string, number][] = [];
  for (const path of ['/', '/rules', '/style', '/card', '/away', `/desk/${id}`, `/terms/${id}`, `/desk/${id}/rules`])
    pages.push([path.replace(id, '…'), await firstPaint(page, server.url + path)]);
  await server.fill(2000);
  const fullPaint = await firstPaint(page, `${server.url}/`);
  const fullAlive = await shelfAlive(page);
  const say = (what: string, value: number, unit: string, aim: number) =>
    console.log(
      `${what.padEnd(34)} ${value.toFixed(0).padStart(6)} ${unit}   under ${aim} ${unit}: ${value < aim ? 'met' : 'NOT MET'}`,
    );
  for (const [path, paint] of pages) say(`first paint of ${path}, median of 7`, paint, 'ms', 300);
  say('Shelf of 2,000: first paint', fullPaint, 'ms', 300);
  say('Shelf of 2,000: alive', fullAlive, 'ms', 1000);
  say('key to rail at 300 lines, median', short.keys[20] ?? 0, 'ms', 50);
  say('… slowest tenth from', short.keys[36] ?? 0, 'ms', 50);
  say('key to rail at 3,000 lines, median', long.keys[20] ?? 0, 'ms', 150);
  say('… slowest tenth from', long.keys[36] ?? 0, 'ms', 150);
  say('longest frame, scrolling 300 lines', frame, 'ms', 50);
  say('longest frame, scrolling 3,000 lines', longFrame, 'ms', 50);
  say('layout shift while typing, × 1000', (short.shift + long.shift) * 1000, '', 1);
  say('JavaScript, gzipped', weight, 'KB', 250);
} finally {
  await browser.close();
  await server.close();
}
