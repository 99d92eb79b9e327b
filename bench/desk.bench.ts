/**
 * The application in Chromium, on a warm server: the first paint of its pages, the Shelf with 5,000 patterns, the Desk from a key
 * to new verdicts in the rail, how long a save holds others up, and the weight of what is loaded.
 * npm run bench:desk [-- --write, into docs/speed.md]
 */
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { chromium, type Page } from '@playwright/test';
import config from '../playwright.config.js';
import { weightOf } from '../e2e/page.js';
import { Server } from '../e2e/server.js';
import { machine, takenOf, writeSection } from './measure.js';
import { longRound } from './texts.js';
import { variedText } from './varied.js';

const demo = readdirSync('demo').flatMap((file) => readFileSync(path.join('demo', file), 'utf8').split('\n'));

/** The demo patterns to so many lines, what else there is, and a last round whose stated count is typed at. */
function textOf(lines: number, ...more: string[]): string {
  const some = Array.from({ length: lines }, (_, i) => demo[i % demo.length] ?? '');
  return [...some, '', ...more, 'BALL', 'Rnd 1: 6 sc in MR (6)', 'Rnd 2: inc x 6 = 1'].join('\n');
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

/**
 * The time between two frames while a strip of the plan is moved, with sixty patterns and eight people on it, sorted; milliseconds.
 * By the browser's own time of each frame: one that comes too late to be shown leaves a gap of two.
 */
async function framesOfPlan(page: Page): Promise<number[]> {
  const headers = { origin: server.url };
  const day = (ahead: number) => new Date(Date.now() + ahead * 86_400_000).toISOString().slice(0, 10);
  for (let i = 0; i < 60; i += 1) {
    const id = new URL(await deskOf(page, `Toy ${i}\n${textOf(30)}`)).pathname.split('/').at(-1) ?? '';
    const data = {
      list: `List ${i % 3}`,
      release: day(20 + 5 * i),
      editor: `Editor ${i % 8}`,
      hours: i % 20 || null,
      after: [],
      done: {},
      moved: {},
    };
    await page.request.put(`${server.url}/api/plan/${id}`, { data, headers });
  }
  await page.goto(`${server.url}/plan`, { waitUntil: 'networkidle' });
  const strip = page.getByRole('gridcell', { name: /^End of test/ }).first();
  const box = await strip.boundingBox();
  if (!box) throw new Error('There is a strip.');
  await page.mouse.move(box.x + 4, box.y + 6);
  await page.mouse.down();
  await page.evaluate(() => {
    const frames = { all: [] as number[], last: 0 };
    Object.assign(window, { frames });
    const next = (now: number) => {
      if (frames.last > 0) frames.all.push(now - frames.last);
      frames.last = now;
      requestAnimationFrame(next);
    };
    requestAnimationFrame(next);
  });
  for (let i = 0; i < 80; i += 1) await page.mouse.move(box.x + 4 + 5 * (i % 40), box.y + 6);
  await page.mouse.up();
  const frames = await page.evaluate(() => (window as unknown as { frames: { all: number[] } }).frames.all);
  return frames.sort((a, b) => a - b);
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

/** From the address of a Desk being asked for to its rounds being counted, the median of five first visits; milliseconds. */
async function counted(url: string): Promise<number> {
  const taken: number[] = [];
  for (let i = 0; i < 5; i += 1) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    await page.goto(url, { waitUntil: 'commit' });
    await page.waitForSelector('[data-check=done]');
    taken.push(await page.evaluate(() => performance.now()));
    await context.close();
  }
  return takenOf(taken).median;
}

/** How long another request waits at most while a text is saved, above what it takes by itself; milliseconds. */
async function heldUp(page: Page, text: string): Promise<number> {
  const created = await page.request.post(`${server.url}/api/patterns`, { data: { text, name: 'Long' } });
  const { id } = (await created.json()) as { id: string };
  const asked = async () => {
    const start = performance.now();
    await (await fetch(`${server.url}/healthz`)).text();
    return performance.now() - start;
  };
  const alone = takenOf(await inTurn(asked, 50)).median;
  const longest: number[] = [];
  for (let base = 1; base <= 5; base += 1) {
    // What is counted for the save before has an end first, and nothing is written here while it is waited for.
    await server.counted();
    const save = { over: false };
    const answered = fetch(`${server.url}/api/patterns/${id}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ text: `${text}\n${'x'.repeat(base)}`, base }),
    }).then((answer) => {
      if (!answer.ok) throw new Error(`The save was refused: ${answer.status}.`);
      save.over = true;
    });
    let most = 0;
    while (!save.over) most = Math.max(most, await asked());
    await answered;
    longest.push(most);
  }
  return takenOf(longest).median - alone;
}

async function inTurn(ask: () => Promise<number>, times: number): Promise<number[]> {
  const all: number[] = [];
  for (let i = 0; i < times; i += 1) all.push(await ask());
  return all;
}

const rows: string[] = [];
/** A row of the table. @param aim what it is to stay under, in the same unit; null where nothing is asked */
function say(what: string, value: number, unit: string, aim: number | null): void {
  const met = aim === null ? '' : `${aim} ${unit}: ${value < aim ? 'met' : '**not met**'}`;
  rows.push(`| ${what} | ${value.toFixed(0)} ${unit} | ${met} |`);
  console.log(rows.at(-1));
}

/** From the key to the rail, and what a slow key takes. */
function sayKeys(what: string, { keys }: { keys: readonly number[] }, aim: number): void {
  say(`key to rail, ${what}`, keys[20] ?? 0, 'ms', aim);
  say('… the slowest tenth from', keys[36] ?? 0, 'ms', Math.round(aim * 1.6));
}

const server = new Server();
await server.start();
const browser = await chromium.launch(config.use?.launchOptions ?? {});
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const url = await deskOf(page, textOf(300));
  say('a Desk of 300 lines counted, at a first visit', await counted(url), 'ms', null);
  const open = async (text: string) => {
    await page.goto(await deskOf(page, text));
    await page.waitForSelector('[data-check=done]');
  };
  await open(textOf(300));
  const short = await keysOf(page);
  const frame = await longestFrame(page);
  sayKeys('300 lines', short, 30);
  await open(textOf(300, longRound(160)));
  const faulty = await keysOf(page);
  say('… more with a faulty round of 160 steps in them', (faulty.keys[20] ?? 0) - (short.keys[20] ?? 0), 'ms', 10);
  await open(textOf(3000));
  const long = await keysOf(page);
  const longFrame = await longestFrame(page);
  sayKeys('3,000 lines', long, 50);
  const slow = await page.context().newCDPSession(page);
  await slow.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  sayKeys('3,000 lines, the page at a quarter of the speed', await keysOf(page), 200);
  await open(textOf(300));
  sayKeys('300 lines, the page at a quarter of the speed', await keysOf(page), 100);
  await slow.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  say('longest frame, scrolling 300 lines', frame, 'ms', 50);
  say('longest frame, scrolling 3,000 lines', longFrame, 'ms', 50);
  say('layout shift while typing, × 1000', (short.shift + long.shift) * 1000, '', 1);

  const id = new URL(url).pathname.split('/').at(-1) ?? '';
  for (const path of ['/', '/rules', '/style', '/card', '/away', `/desk/${id}`, `/terms/${id}`, `/desk/${id}/rules`])
    say(`first paint of ${path.replace(id, '…')}, median of 7`, await firstPaint(page, server.url + path), 'ms', 300);
  const { page: own, workers } = await weightOf(browser, url);
  say('what a Desk brings with it, its worker too, faces apart', own + workers, 'KB', 250);
  say('what the Shelf brings with it, faces apart', (await weightOf(browser, `${server.url}/`)).page, 'KB', 90);
  const held = await heldUp(page, `US terms\n${variedText(10_000)}`);
  say('another request is held up by a save of 10,000 lines', held, 'ms', 10);

  const plan = await framesOfPlan(page);
  // Chromium draws sixty times a second: a frame that is in time comes 16.7 ms after the one before.
  say('a frame while a strip of the plan is moved, 60 patterns', plan[Math.floor(plan.length / 2)] ?? 0, 'ms', 17);
  say('… the longest', plan.at(-1) ?? 0, 'ms', 17);

  await server.counted();
  await server.fill(5000);
  const shelf = async () => {
    const start = performance.now();
    await (await fetch(`${server.url}/`)).text();
    return performance.now() - start;
  };
  say('Shelf of 5,000 from the server', takenOf(await inTurn(shelf, 9)).median, 'ms', 300);
  say('Shelf of 5,000: first paint', await firstPaint(page, `${server.url}/`), 'ms', null);
  say('Shelf of 5,000: alive', await shelfAlive(page), 'ms', 1000);
} finally {
  await browser.close();
  await server.close();
}

if (process.argv.includes('--write'))
  await writeSection(
    'docs/speed.md',
    'In the browser',
    `Made by \`npm run bench:desk -- --write\`, in Chromium drawn by the processor, with server, browser and worker on one machine.
At a quarter of the speed only the page is: Chromium has no such setting for workers. Measured on ${machine()}.

| what | median | aim |
| --- | ---: | --- |
${rows.join('\n')}`,
  );
