import { expect, type Page } from '@playwright/test';
import { openDesk, openPattern, railRow, saved, sound } from './page.js';
import { test } from './server.js';

const FAULT = 'Round 18';

test('open a demo pattern, see the fault, mend the line, reload, and find it mended', async ({ page, server }) => {
  await openPattern(page, server.url, 'Lantern Point Lighthouse');
  await page.getByRole('tab', { name: /Findings/ }).click();
  const finding = page.getByRole('button', { name: new RegExp(`${FAULT}.*States 24`) });
  await finding.click();
  await expect(railRow(page, FAULT)).toHaveAttribute('title', 'Round 18: uses 30 of 30, makes 25, states 24; off');

  // The finding's words are selected: type over them.
  await page.keyboard.type('(25)');
  await expect(railRow(page, FAULT)).toHaveAttribute('title', 'Round 18: uses 30 of 30, makes 25, states 25; agrees');
  await expect(page.getByText('Nothing left to mend')).toBeVisible();
  await saved(page);

  await page.reload();
  await page.getByRole('tab', { name: 'Findings 0' }).click();
  await expect(page.getByText('Nothing left to mend')).toBeVisible();
  await page.goto(server.url);
  await expect(page.getByRole('listitem').filter({ hasText: 'Lantern Point Lighthouse' })).toContainText(
    'nothing open',
  );
});

test('paste a new pattern, put it away and put it back', async ({ page, server }) => {
  await page.goto(server.url);
  // A key pressed before the page is alive does nothing; one presses it again.
  await expect(async () => {
    await page.keyboard.press('n');
    await expect(page.getByRole('dialog')).toBeVisible({ timeout: 500 });
  }).toPass();
  await page.getByLabel('Pattern text').fill('  ');
  await page.getByRole('button', { name: 'Take in', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('There is no text yet');

  await page
    .getByLabel('Pattern text')
    .fill('Limpet\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 5 (18)\n');
  await page.getByRole('button', { name: 'Take in', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'All 3 rounds read; every line has its place.' })).toBeVisible();
  await page.keyboard.press('Alt+Shift+d');
  await expect(page.getByRole('heading', { name: 'Limpet', level: 1 })).toBeVisible();
  await page.getByRole('tab', { name: 'Findings 1' }).click();
  await expect(page.getByText('Uses 10 of 12 stitches: 2 are left unworked.')).toBeVisible();

  await page.getByRole('link', { name: 'Shelf' }).click();
  await page.getByRole('button', { name: 'More for Limpet' }).click();
  await page.getByRole('menuitem', { name: 'Take off the shelf' }).click();
  await expect(page.getByRole('link', { name: 'Limpet' })).toBeHidden();
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(page.getByRole('link', { name: 'Limpet' })).toBeVisible();
});

test('the server is killed while one types: nothing is lost, with or without a reload', async ({ page, server }) => {
  await openPattern(page, server.url, 'Puffin of Gannet Stack'.toUpperCase());
  await page.getByLabel('Manuscript').click();
  await page.keyboard.press('Control+Home');
  await page.keyboard.type('One. ');
  await saved(page);

  await server.kill();
  await page.keyboard.type('Two. ');
  await expect(page.getByRole('alert')).toContainText('The server does not answer. Your text is kept in this browser');
  await page.keyboard.type('Three. ');
  await server.start();
  await saved(page);

  await server.kill();
  await page.keyboard.type('Four. ');
  await expect(page.locator('[data-save=failed]')).toBeVisible();
  await server.start();
  await page.reload();
  await expect(page.getByLabel('Manuscript')).toContainText('One. Two. Three. Four. PUFFIN');
  await saved(page);

  await page.evaluate(() => localStorage.clear());
  await page.reload();
  await expect(page.getByLabel('Manuscript')).toContainText('One. Two. Three. Four. PUFFIN');
});

test('two people on one pattern: other rounds go together, the same one is asked about, and nothing is overwritten unseen', async ({
  page,
  server,
  context,
}) => {
  await openPattern(page, server.url, 'Sea Slug');
  const id = page.url().split('/').at(-1) ?? '';
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByRole('tab', { name: /Findings \d/ })).toBeVisible();
  const type = async (window: Page, at: string, words: string) => {
    await window.getByLabel('Manuscript').focus();
    await window.keyboard.press(at);
    await window.keyboard.type(words);
  };
  // Each sees that the other is there.
  await expect(page.getByText('with another window')).toBeVisible();

  // One writes in the second line, while the other goes on in the first: both stand in both windows, and each caret where it was.
  // Near enough to be drawn: what is far out of sight the manuscript does not draw.
  await other.getByLabel('Manuscript').focus();
  await other.keyboard.press('Control+Home');
  await other.keyboard.press('ArrowDown');
  await other.keyboard.press('End');
  await other.keyboard.type(' Theirs.');
  await saved(other);
  await type(page, 'Control+Home', 'Mine. ');
  await expect(page.getByLabel('Manuscript')).toContainText('Theirs.');
  await page.keyboard.type('And on. ');
  await saved(page);
  await expect(other.getByLabel('Manuscript')).toContainText('Mine. And on. A Sea Slug');
  const { text } = await server.pattern(id);
  expect(text.startsWith('Mine. And on. A Sea Slug') && text.includes(' Theirs.')).toBe(true);

  // What others did is not taken back by undoing.
  await page.getByLabel('Manuscript').focus();
  for (let i = 0; i < 5; i += 1) await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Manuscript')).not.toContainText('Mine.');
  await expect(page.getByLabel('Manuscript')).toContainText('Theirs.');
  await saved(page);
  await expect(other.getByLabel('Manuscript')).not.toContainText('Mine.');

  // The same line, by both, before either hears of the other.
  await page.route('**/api/patterns/*/here', (route) => route.abort());
  await type(other, 'Control+Home', 'Slowly. ');
  await saved(other);
  await type(page, 'Control+Home', 'Quickly. ');
  const clash = page.getByRole('alert', { name: 'Changed here and there' });
  await expect(clash).toContainText('Quickly. A Sea Slug');
  await expect(clash).toContainText('Slowly. A Sea Slug');
  await sound(page);
  await clash.getByRole('button', { name: 'Take what stands there' }).click();
  await expect(clash).toHaveCount(0);
  await saved(page);
  expect((await server.pattern(id)).text.startsWith('Slowly. A Sea Slug')).toBe(true);
});

test('a word that means nothing is explained by one key, kept, and taken back', async ({ page, server }) => {
  const id = await server.takeIn(
    'Thimble\nUS terms\n\nBODY\nRnd 1: 6 sc in MR (6)\nRnd 2: 6 glorps (12)\nRnd 3: (sc 1, inc) x 6 (18)\nFasten off.\n',
  );
  await openDesk(page, server.url, id);
  await expect(page.getByRole('heading', { name: /^Rnd 2/ })).toBeVisible();
  await page.keyboard.press('Alt+w');
  const meanings = page.getByRole('list', { name: 'What “glorp” could mean' });
  await expect(meanings.getByRole('button').first()).toHaveText(/an increase\s*3 of 3/);
  await expect(meanings.getByRole('button').first()).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await expect(meanings.getByRole('button').nth(1)).toBeFocused();
  await page.keyboard.press('Digit1');
  await expect(page.getByText('“glorp” is an increase. 3 rounds come out.')).toBeVisible();
  await expect(railRow(page, 'Rnd 2').first()).toHaveAttribute('title', /uses 6 of 6, makes 12, states 12; agrees/);
  await saved(page);

  await page.reload();
  await expect(railRow(page, 'Rnd 2').first()).toHaveAttribute('title', /agrees/);
  await page.keyboard.press('Alt+l');
  await expect(page.getByText('“glorp” means an increase')).toBeVisible();
  await page.getByRole('button', { name: 'Take back' }).click();
  await expect(railRow(page, 'Rnd 2').first()).toHaveAttribute('title', /unreadable/);
});

test('a working session by keyboard alone: mend, put aside, tick, ask, undo past a reload', async ({
  page,
  server,
}) => {
  await openPattern(page, server.url, /starfish/);
  await expect(page.getByLabel('Manuscript')).toBeFocused();

  // It opens at the first finding: understood in the card, and mended by its first fix.
  await expect(page.getByRole('heading', { name: /^Round 7/ })).toBeVisible();
  await expect(page.getByText('Add ")": (4sc, inc) x5 = 30')).toBeVisible();
  await page.keyboard.press('Alt+Digit1');
  await expect(railRow(page, 'Round 7').first()).toHaveAttribute(
    'title',
    'Round 7: uses 25 of 25, makes 30, states 30; agrees',
  );
  await expect(page.getByRole('tab', { name: 'Findings 1' })).toBeVisible();
  await expect(page.getByRole('img', { name: /Stitch ladder: 25 stitches above, 30 made below/ })).toBeVisible();

  // The second is put aside with a reason, and stays aside.
  await page.keyboard.press('Alt+Period');
  await page.keyboard.press('Alt+Digit0');
  await page.keyboard.type('Asked the designer');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('tab', { name: 'Findings 0' })).toBeVisible();

  // Two rounds are ticked; the caret goes on by itself.
  await page.keyboard.press('Alt+m');
  await page.keyboard.press('Alt+g');
  await expect(page.getByRole('combobox')).toBeFocused();
  await page.keyboard.type('2');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /^Round 2/ })).toBeVisible();
  await page.keyboard.press('Alt+Enter');
  await expect(page.getByRole('heading', { name: /^Round 3/ })).toBeVisible();
  await page.keyboard.press('Alt+Enter');
  await expect(page.getByText('2 of 20 ticked')).toBeVisible();

  // One stitch too few on the hook.
  await page.keyboard.press('Alt+h');
  await page.keyboard.type('19');
  await expect(page.getByText('One increase was worked as a single stitch.')).toBeVisible();
  await saved(page);

  await page.reload();
  await expect(page.getByText('2 of 20 ticked')).toBeVisible();
  await expect(page.getByRole('tab', { name: 'Findings 0' })).toBeVisible();

  // A tick falls off when what its count rests on changes, and the mended line can still be undone.
  await page.getByLabel('Manuscript').focus();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('tab', { name: 'Findings 1' })).toBeVisible();
  await page.keyboard.press('Control+y');
  await expect(page.getByRole('tab', { name: 'Findings 0' })).toBeVisible();
  await page.keyboard.press('Alt+g');
  await expect(page.getByRole('combobox')).toBeFocused();
  await page.keyboard.type('1');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /^Round 1/ })).toBeVisible();
  await page.keyboard.press('End');
  await page.keyboard.type(' pull tight');
  await expect(page.locator('.cm-content')).toContainText('1. 5sc in mr = 5 pull tight');
  await expect(page.getByText('2 of 20 ticked')).toBeVisible();
  await page.keyboard.press('Alt+ArrowDown');
  await expect(page.getByRole('heading', { name: /^Round 2/ })).toBeVisible();
  await page.keyboard.press('End');
  await page.keyboard.type(' done');
  await expect(page.getByText('1 of 20 ticked')).toBeVisible();
});

test('the text with its sums can be printed', async ({ page, server, context }) => {
  await openPattern(page, server.url, 'HERMIT CRAB');
  const paper = context.waitForEvent('page');
  await page.keyboard.press('Alt+p');
  const sheet = await paper;
  await expect(
    sheet.getByRole('row', { name: /42\/36 → 35 \(−1\), states 30 R15: \(4X, A\)\*7 \(30\)/ }),
  ).toBeVisible();
  await sound(sheet);
});

test('a changed round shows how it read before; the sums can be copied, and a file dropped', async ({
  page,
  server,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  const text = (second: string) =>
    `Dye pot\nUS terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: ${second} (12)\nFasten off.\n`;
  const made = await page.request.post(`${server.url}/api/patterns`, { data: { name: '', text: text('inc x 6') } });
  const { id } = (await made.json()) as { id: string };
  await page.request.put(`${server.url}/api/patterns/${id}`, { data: { base: 1, text: text('2 sc in each st') } });
  await page.goto(`${server.url}/desk/${id}`);
  await expect(railRow(page, 'Rnd 2')).toBeVisible();
  // The card follows the rail: keys that go by rounds wait for it.
  await expect(page.getByRole('heading', { name: /^Rnd 1/ })).toBeVisible();
  await page.keyboard.press('Alt+ArrowDown');
  await expect(page.getByText('Rnd 2: inc x 6 (12)')).toBeVisible();

  await page.keyboard.press('Alt+c');
  await expect(page.getByText('Copied, with the sums.')).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain(
    '= 6/6 → 12 (+6) | Rnd 2: 2 sc in each st (12)',
  );

  const carried = await page.evaluateHandle(() => {
    const data = new DataTransfer();
    data.items.add(
      new File(['Other\r\nUS terms\r\n\r\nRnd 1: 7 sc in MR (7)\r\n'], 'other.txt', { type: 'text/plain' }),
    );
    return data;
  });
  await page.dispatchEvent('.cm-content', 'drop', { dataTransfer: carried });
  const offer = page.getByRole('dialog', { name: 'A file for this pattern?' });
  await expect(offer).toContainText('Rnd 1: 7 sc in MR (7)');
  await expect(page.getByLabel('Manuscript')).toContainText('Dye pot');
  await offer.getByRole('button', { name: 'Go on with it as the next draft' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Draft 2' })).toBeVisible();
  await page.keyboard.press('Alt+Shift+d');
  await expect(railRow(page, 'Rnd 1')).toHaveAttribute('title', 'Rnd 1: makes 7, states 7; agrees');
});
