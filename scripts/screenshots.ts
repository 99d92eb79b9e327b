/** Takes the pictures in docs/screenshots from the demo data, or those that are named.   npm run screenshots [-- NAME …] */
import { readFileSync } from 'node:fs';
import { chromium, type Page } from '@playwright/test';
import { Server } from '../e2e/server.js';
import config from '../playwright.config.js';

const server = new Server();
await server.start();
const browser = await chromium.launch(config.use?.launchOptions ?? {});
const failed: string[] = [];

interface Shot {
  readonly name: string;
  readonly dark?: boolean;
  readonly width?: number;
  readonly prepare: (page: Page) => Promise<void>;
}

/** Opens a pattern, and presses keys one after the other. */
async function desk(page: Page, name: string, ...keys: readonly string[]): Promise<void> {
  await page.getByRole('link', { name }).click();
  await page.getByRole('tab', { name: /Findings \d/ }).waitFor();
  for (const key of keys) {
    await page.waitForTimeout(900);
    await page.keyboard.press(key);
  }
}

async function go(page: Page, link: string): Promise<void> {
  await page.getByRole('link', { name: link, exact: true }).click();
  await page.waitForLoadState('networkidle');
}

/** What the designer of the hermit crab might send next: a part renamed, a round put in, two faults mended, one new. */
const NEXT_CRAB = readFileSync('demo/hermit-crab.txt', 'utf8')
  .replace('(4X, A)*7 (30)', '(4X, A)*6 (30)')
  .replace('R19: 26X', 'R18: 26X')
  .replace('R8: 30X (30)\n', 'R8: 30X (30)\nR8b: 30X (30)\n')
  .replace('R6: 24X (24)', 'R6: (2X, V)*6, 6X (24)')
  .replace('CLAW', 'PINCER');

const SHOTS: readonly Shot[] = [
  {
    name: 'shelf',
    prepare: async (page) => {
      await page.getByText('Being counted').first().waitFor({ state: 'hidden' });
      // At a first visit the faces may come too late to be taken up.
      await page.reload({ waitUntil: 'networkidle' });
    },
  },
  {
    name: 'intake',
    prepare: async (page) => {
      await desk(page, 'Thimble', 'Alt+Shift+i');
      await page.getByText('worked out').first().waitFor();
      await page.keyboard.press('Alt+Comma');
      await page.keyboard.press('Alt+w');
      await page.getByRole('list', { name: /could mean/ }).waitFor();
    },
  },
  { name: 'desk', prepare: (page) => desk(page, 'Sea Slug') },
  {
    name: 'shape',
    prepare: async (page) => {
      await desk(page, 'PUFFIN OF GANNET STACK', 'Alt+Shift+o');
      await page.getByRole('region', { name: 'Size' }).waitFor();
      await page.getByRole('button', { name: /^Rnd 18:/ }).click();
      await page.waitForTimeout(1500);
    },
  },
  {
    name: 'shape-round',
    dark: true,
    prepare: async (page) => {
      await page.emulateMedia({ colorScheme: 'dark', reducedMotion: 'reduce' });
      await desk(page, 'PUFFIN OF GANNET STACK', 'Alt+Shift+o');
      await page.getByRole('region', { name: 'Size' }).waitFor();
      await page.keyboard.press('Alt+2');
      await page.waitForTimeout(2500);
    },
  },
  {
    name: 'queries',
    prepare: async (page) => {
      await desk(page, 'Tugboat', 'Alt+Shift+q');
      await page.getByRole('button', { name: 'Write what was proposed' }).waitFor();
    },
  },
  {
    name: 'letter',
    prepare: async (page) => {
      await desk(page, 'Tugboat', 'Alt+Shift+q');
      await page.getByRole('button', { name: 'Write what was proposed' }).waitFor();
      await page.keyboard.press('Alt+l');
      await page.getByRole('button', { name: 'Make an address' }).click();
      await page.goto(await page.getByText(/^http.*\/letter\//).innerText());
      await page
        .getByLabel(/^Your answer to query/)
        .first()
        .fill('28 is right: (sc in next 4 sts, dec) 5 times, sc 2, dec.');
      await page.evaluate(() => window.scrollBy(0, 230));
    },
  },
  {
    name: 'drafts',
    prepare: async (page) => {
      await desk(page, 'HERMIT CRAB', 'Alt+Shift+v');
      await page.getByRole('button', { name: 'Take in the next draft' }).click();
      await page.getByLabel('Or its text, pasted').fill(NEXT_CRAB);
      await page.getByRole('button', { name: 'Take it in' }).click();
      await page.getByText(/rounds changed/).waitFor();
      await page.keyboard.press('Alt+Period');
    },
  },
  { name: 'terms', prepare: (page) => desk(page, 'PUFFIN', 'Alt+Shift+t', 'Alt+Period', 'Alt+Period') },
  {
    name: 'tests',
    prepare: async (page) => {
      await desk(page, 'starfish', 'Alt+Shift+e');
      await page.getByRole('region', { name: 'Testers side by side' }).waitFor();
      await page.waitForTimeout(900);
      await page.keyboard.press('Alt+Period');
    },
  },
  {
    name: 'bench',
    width: 390,
    prepare: async (page) => {
      await page.setViewportSize({ width: 1280, height: 800 });
      await desk(page, 'HERMIT CRAB', 'Alt+Shift+e');
      await page.getByRole('button', { name: 'Freeze the draft and make the address' }).click();
      const address = await page.getByText(/^http.*\/bench\//).innerText();
      await page.setViewportSize({ width: 390, height: 800 });
      await page.goto(address);
      await page.getByLabel('The name you want to be known by').fill('Aune');
      await page.getByRole('checkbox', { name: 'I have read this' }).check();
      await page.getByRole('button', { name: 'Begin' }).click();
      const pad = page.locator('.pad');
      await pad.waitFor();
      // Into the fifth round.
      while (!/^R5/.test(await page.getByRole('heading', { level: 1 }).innerText())) await pad.click();
      for (let i = 0; i < 7; i += 1) await pad.click();
    },
  },
  { name: 'release', prepare: (page) => desk(page, 'Lantern Point', 'Alt+Shift+l') },
  {
    name: 'edition',
    prepare: async (page) => {
      await desk(page, 'PUFFIN', 'Alt+Shift+l', 'Alt+2');
      const rounds = page.frameLocator('iframe').getByText('BODY AND HEAD');
      await rounds.scrollIntoViewIfNeeded();
      await rounds.evaluate((heading) => heading.scrollIntoView());
    },
  },
  { name: 'card', prepare: (page) => go(page, 'Reference card') },
  {
    name: 'rules',
    prepare: async (page) => {
      await go(page, 'Rules');
      await page.getByRole('button', { name: 'count/under' }).click();
    },
  },
  {
    name: 'style',
    prepare: async (page) => {
      await go(page, 'House style');
      await page.getByLabel('Learn it from').selectOption({ label: 'PUFFIN OF GANNET STACK' });
    },
  },
  {
    name: 'plan',
    prepare: async (page) => {
      await go(page, 'Plan');
      await page.getByRole('grid', { name: 'Weeks and patterns' }).focus();
      await page.keyboard.press('Alt+Period');
    },
  },
  {
    name: 'trainer',
    prepare: async (page) => {
      const wish = { what: 'faults', level: 3, school: 'abbreviations', terms: 'us', from: null };
      const made = await page.request.post(`${server.url}/api/practice`, {
        data: wish,
        headers: { origin: server.url },
      });
      const { id } = (await made.json()) as { id: string };
      await page.goto(`${server.url}/trainer/${id}`);
      const line = (number: number) => page.locator(`[data-line="${number}"]`);
      for (const number of [29, 24]) {
        await line(number).click();
        await page.keyboard.press('m');
      }
      await page.keyboard.press('Alt+r');
      for (const [field, figure] of [
        ['Plain stitches', '2'],
        ['Times', '6'],
        ['Stitches there', '18'],
      ] as const)
        await page.getByLabel(field, { exact: true }).fill(figure);
    },
  },
  // The last: from then on everybody signs in.
  {
    name: 'people',
    prepare: async (page) => {
      const post = async (path: string, data: object) => {
        const answer = await page.request.post(`${server.url}/api${path}`, { data, headers: { origin: server.url } });
        if (!answer.ok()) throw new Error(`${path}: ${await answer.text()}`);
      };
      const mail = (name: string) => `${name.toLowerCase()}@marram-tide.example`;
      await post('/people/first', { name: 'Oda', mail: mail('Oda'), password: 'four quiet grey stones', word: '' });
      for (const [name, role] of Object.entries({ Ines: 'editor', Jonne: 'designer', Aune: 'tester' }))
        await post('/people', { name, mail: mail(name), role });
      await page.goto(`${server.url}/people`);
    },
  },
];

const wanted = process.argv.slice(2);
for (const { name, dark, width, prepare } of SHOTS) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  const page = await browser.newPage({
    viewport: { width: width ?? 1280, height: 800 },
    colorScheme: dark ? 'dark' : 'light',
  });
  await page.goto(server.url, { waitUntil: 'networkidle' });
  page.setDefaultTimeout(15_000);
  await prepare(page).catch((error: unknown) => failed.push(`${name}: ${String(error)}`));
  await page.waitForTimeout(600);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
  await page.close();
}
await browser.close();
await server.close();
for (const words of failed) console.error(words);
process.exit(failed.length > 0 ? 1 : 0);
