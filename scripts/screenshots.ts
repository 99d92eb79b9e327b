/** Takes the pictures in docs/screenshots from the demo data.   npm run screenshots */
import { chromium, type Page } from '@playwright/test';
import { Server } from '../e2e/server.js';
import config from '../playwright.config.js';

const server = new Server();
await server.start();
const browser = await chromium.launch(config.use?.launchOptions ?? {});

interface Shot {
  readonly name: string;
  readonly dark?: boolean;
  readonly width?: number;
  readonly prepare: (page: Page) => Promise<void>;
}

async function desk(page: Page, name: string, finding?: RegExp): Promise<void> {
  await page.getByRole('link', { name }).click();
  await page.getByRole('tab', { name: /Findings \d/ }).waitFor();
  if (finding) await page.getByRole('button', { name: finding }).click();
}

const SHOTS: readonly Shot[] = [
  { name: 'shelf', prepare: () => Promise.resolve() },
  {
    name: 'take-in',
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Take in a pattern' }).click();
      await page
        .getByLabel('Pattern text')
        .fill('Limpet\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\n');
    },
  },
  { name: 'desk', prepare: (page) => desk(page, 'Tugboat', /Rnd 10/) },
  { name: 'desk-dark', dark: true, prepare: (page) => desk(page, 'Lantern Point', /Round 18/) },
  {
    name: 'desk-rounds',
    prepare: async (page) => {
      await desk(page, 'HERMIT CRAB', /R15/);
      await page.getByRole('tab', { name: /Rounds/ }).click();
    },
  },
  { name: 'desk-narrow', width: 390, prepare: (page) => desk(page, 'starfish', /Arms/) },
];

for (const { name, dark, width, prepare } of SHOTS) {
  const page = await browser.newPage({
    viewport: { width: width ?? 1280, height: 800 },
    colorScheme: dark ? 'dark' : 'light',
  });
  await page.goto(server.url, { waitUntil: 'networkidle' });
  await prepare(page);
  await page.waitForTimeout(600);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
  await page.close();
}
await browser.close();
await server.close();
