import { copyFileSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { expect, type Page } from '@playwright/test';
import { railRow } from './page.js';
import { test } from './server.js';

const FIXTURES = path.resolve('src/lib/server/documents/fixtures');

/** Chooses files in the dialog, as they would be dropped. */
async function choose(page: Page, ...files: string[]): Promise<void> {
  await expect(async () => {
    await page.keyboard.press('n');
    await expect(page.getByRole('dialog')).toBeVisible({ timeout: 500 });
  }).toPass();
  await page.locator('input[type=file]').setInputFiles(files.map((file) => path.join(FIXTURES, file)));
}

/** Drops a file on what is open. */
async function drop(page: Page, on: string, name: string, bytes: Buffer): Promise<void> {
  const transfer = await page.evaluateHandle(
    ([called, content]) => {
      const data = new DataTransfer();
      data.items.add(new File([Uint8Array.from(atob(content), (one) => one.charCodeAt(0))], called));
      return data;
    },
    [name, bytes.toString('base64')] as const,
  );
  await page.locator(on).dispatchEvent('drop', { dataTransfer: transfer });
}

test('a PDF is put right by keys alone, counted at the Desk, and the next draft holds what was put right', async ({
  page,
  server,
}) => {
  await page.goto(server.url);
  await choose(page, 'tumbly.lines.pdf');
  await expect(page.getByRole('heading', { name: 'All 8 rounds read; 1 line could not be placed.' })).toBeVisible();
  const lines = page.getByRole('listbox', { name: 'Lines' });

  // The line that was not placed is a round.
  await page.keyboard.press('Alt+.');
  await expect(lines.locator('[aria-selected=true]')).toContainText('And dec x 6.');
  await page.keyboard.press('r');
  await expect(page.getByText('“And dec x 6.”: round: 1 round more can be counted.')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'All 9 rounds read; every line has its place.' })).toBeVisible();

  // The word that was passed over means something.
  await page.keyboard.press('Alt+.');
  await expect(lines.locator('[aria-selected=true]')).toContainText('gubble around');
  await page.keyboard.press('Alt+w');
  const meanings = page.getByRole('list', { name: 'What “gubble” could mean' });
  await expect(meanings).toBeVisible();
  await meanings.getByRole('button', { name: /decrease/ }).press('Enter');
  await expect(page.getByText('“gubble” is a decrease', { exact: false }).first()).toBeVisible();

  // At the Desk both are counted.
  await page.keyboard.press('Alt+Shift+d');
  await expect(railRow(page, 'And dec x')).toContainText('6');
  await expect(railRow(page, 'Rnd 11')).toContainText('3');

  // The next draft is dropped on it.
  await drop(page, '.cm-content', 'tumbly-2.docx', readFileSync(path.join(FIXTURES, 'tumbly-later.lines.docx')));
  await page.getByRole('button', { name: 'Go on with it as the next draft' }).click();
  // It stands beside the one before; how it was understood is one key away.
  await expect(page.getByRole('region', { name: 'Both drafts' })).toContainText('Rnds 5-9: sc around');
  await page.keyboard.press('Alt+Shift+i');
  await expect(page.getByRole('heading', { name: 'All 9 rounds read; every line has its place.' })).toBeVisible();
  await expect(page.getByText('Draft 2')).toBeVisible();
  await expect(lines).toContainText('Rnds 5-9: sc around');
  await page.keyboard.press('Alt+Shift+d');
  await expect(railRow(page, 'Rnd 12')).toContainText('3');

  // What came first is still there, byte for byte.
  await page.keyboard.press('Alt+Shift+i');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'as it came' }).last().click(),
  ]);
  expect(readFileSync(await download.path())).toEqual(readFileSync(path.join(FIXTURES, 'tumbly.lines.pdf')));
});

test('many files at once are taken in one after the other, and what was cut off is gone on with', async ({
  page,
  server,
}) => {
  await page.goto(server.url);
  // The page is closed while the second file is on its way.
  let held = 0;
  await page.route('**/api/documents?*', async (route) => {
    held += 1;
    if (held !== 2) await route.continue();
  });
  await choose(page, 'radish.lines.rtf', 'hedgehog.table.xlsx', 'locked.pdf');
  const list = page.getByRole('region', { name: 'Taking in' });
  await expect(list).toContainText('1 pattern taken in, 1 to come');
  await page.reload();
  await expect(list).toContainText('1 pattern taken in, 1 not taken in');
  await expect(list).toContainText('locked with a password');
  await expect(page.getByRole('link', { name: 'radish.lines' })).toHaveCount(1);
  await expect(page.getByRole('link', { name: 'hedgehog.table' })).toHaveCount(1);

  // The same once more is noticed.
  await choose(page, 'radish.lines.rtf');
  await expect(list).toContainText('On the shelf already, as “radish.lines”.');
});

test('a folder that is dropped on the shelf is taken in, with the folders in it', async ({ page, server }, info) => {
  const folder = info.outputPath('spring');
  mkdirSync(path.join(folder, 'heads'), { recursive: true });
  for (const file of ['radish.lines.rtf', 'hedgehog.table.xlsx'])
    copyFileSync(path.join(FIXTURES, file), path.join(folder, 'heads', file));
  writeFileSync(path.join(folder, 'bobbin.txt'), 'BOBBIN\nRnd 1: 6 sc in MR (6)\n');
  writeFileSync(path.join(folder, '.left-about'), 'nothing for a shelf');
  await page.goto(server.url);
  // As the browser itself drops what is dragged in from elsewhere.
  const browser = await page.context().newCDPSession(page);
  const data = { items: [], files: [folder], dragOperationsMask: 1 };
  for (const type of ['dragEnter', 'dragOver', 'drop'] as const) {
    await browser.send('Input.dispatchDragEvent', { type, x: 640, y: 400, data });
    await page.waitForTimeout(300);
  }
  await expect(page.getByRole('region', { name: 'Taking in' })).toContainText('3 patterns taken in');
  for (const name of ['radish.lines', 'hedgehog.table', 'bobbin'])
    await expect(page.getByRole('link', { name, exact: true })).toHaveCount(1);
});

test('a table and a list that are copied from elsewhere are pasted as rounds', async ({ page, server, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'], { origin: server.url });
  await page.goto(server.url);
  await page.keyboard.press('n');
  const field = page.getByLabel('Pattern text');
  await field.fill('CONE\n');
  await field.press('Control+End');
  await page.evaluate(async () => {
    const html = `<p>US terms</p><table><tr><th>Rnd</th><th>What to do</th><th>Sts</th></tr>
      <tr><td>1</td><td>6 sc in MR</td><td>6</td></tr><tr><td>2</td><td>inc x 6</td><td>12</td></tr></table>
      <ol start="3"><li>(sc 1, inc) x 6 (18)</li><li>sc around (18)</li></ol>`;
    const plain = 'US terms 1 6 sc in MR 6 2 inc x 6 12';
    await navigator.clipboard.write([
      new ClipboardItem({
        'text/html': new Blob([html], { type: 'text/html' }),
        'text/plain': new Blob([plain], { type: 'text/plain' }),
      }),
    ]);
  });
  await field.press('Control+V');
  await expect(field).toHaveValue(/^CONE\nUS terms\n[^]*inc x 6[^]*\n3\. \(sc 1, inc\) x 6 \(18\)\n4\. sc around/);
  await page.keyboard.press('Control+Enter');
  await expect(page.getByRole('heading', { name: 'All 4 rounds read; every line has its place.' })).toBeVisible();
});

test('a file that is dropped on any page goes to the shelf, and the server answers while a hostile one is read', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/card`);
  await drop(page, 'body', 'pot.txt', Buffer.from('POT\nRnd 1: 6 sc in MR (6)\n'));
  await expect(page.getByRole('region', { name: 'Taking in' })).toContainText('1 pattern taken in');
  await expect(page.getByRole('link', { name: 'pot', exact: true })).toBeVisible();

  // Groups in groups, and no word in any of them.
  const bytes = Buffer.from(`{\\rtf1 ${'{\\b '.repeat(4_500_000)}`);
  const reading = { done: false };
  const taken = fetch(`${server.url}/api/documents?file=deep.rtf`, {
    method: 'POST',
    headers: { 'content-type': 'application/octet-stream' },
    body: bytes,
  }).then((answer) => answer.text());
  void taken.finally(() => (reading.done = true));
  let [asked, longest] = [0, 0];
  const begun = Date.now();
  for (; !reading.done; asked += 1) {
    const start = Date.now();
    expect((await fetch(`${server.url}/api/patterns`)).status).toBe(200);
    longest = Math.max(longest, Date.now() - start);
  }
  expect(await taken).toContain('message');
  expect(asked).toBeGreaterThan(5);
  // A server that read it itself would answer no sooner than it is through.
  expect(longest).toBeLessThan((Date.now() - begun) / 2);
});
