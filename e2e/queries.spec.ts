import { expect } from '@playwright/test';
import { openDesk } from './page.js';
import { test } from './server.js';

const BALL =
  'Ball\nUS terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (13)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 4: (sc 2, inc) x 5 (24)\nRnds 5-7: sc around (24)\nFasten off.\n';

test('a finding becomes a query, a letter, an answer and a new draft, and in the end nothing is open', async ({
  page,
  server,
}) => {
  const id = await server.takeIn(BALL, 'Ball');
  await openDesk(page, server.url, id);
  // One key for each finding: the sums and a proposal stand in it.
  for (const [words, number] of [
    ['Rnd 2', 1],
    ['Rnd 4', 2],
  ] as const) {
    // The Desk opens at the first thing to mend.
    if (number > 1) await page.keyboard.press('Alt+Period');
    await expect(page.getByRole('heading', { name: new RegExp(words), level: 2 })).toBeVisible();
    await page.keyboard.press('Alt+q');
    await expect(page.getByText(`Query ${number} is made.`)).toBeVisible();
    await expect(page.locator('.query-mark', { hasText: String(number) })).toBeVisible();
  }
  // A round that comes out, in words of one's own.
  await page.keyboard.press('Alt+ArrowDown');
  await page.keyboard.press('Alt+q');
  await expect(page.getByLabel('What to ask')).toBeFocused();
  await page.keyboard.type('Is this high enough for the eyes?');
  await page.keyboard.press('Control+Enter');
  await expect(page.getByText('Is this high enough for the eyes?')).toBeVisible();
  // What is typed above moves the queries along with their words.
  await page.keyboard.press('Alt+m');
  await page.keyboard.press('Control+Home');
  await page.keyboard.type('A pattern\n');
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();

  await page.keyboard.press('Alt+Shift+Q');
  await expect(page.getByRole('heading', { name: 'Query 1' })).toBeVisible();
  await page.keyboard.press('Alt+l');
  await page.getByLabel('Designer', { exact: true }).fill('Una Rook');
  await page.getByLabel('Signed').fill('Oda');
  const sheet = page.getByRole('region', { name: 'The letter' });
  await expect(sheet).toContainText('Dear Una Rook,');
  await expect(sheet).toContainText('Rnd 4: (sc 2, inc) x 5 (24)');
  await expect(sheet).toContainText('Worked out: 2 single crochet');
  for (const kind of ['.docx', '.html', '.eml']) {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: kind }).click(),
    ]);
    expect(download.suggestedFilename()).toBe(`Queries on Ball${kind}`);
  }
  await page.getByRole('button', { name: 'Put it into the outbox' }).click();
  await expect(page.getByText('The letter is in the outbox')).toBeVisible();
  await expect(page.getByRole('navigation', { name: 'This pattern' })).toContainText('3 out');

  // The reply is taken apart, and each piece put to its query.
  await page.keyboard.press('Alt+r');
  await page
    .getByLabel('What the designer has written')
    .fill('Hi Oda,\n1. yes, 12\n2 - I will look at my notes.\n3) meant as is!\nThanks, Una');
  await page.getByRole('button', { name: 'Take it apart' }).click();
  await expect(page.getByText('agrees, names 12')).toBeVisible();
  await expect(page.getByText('Put to no query')).toBeVisible();
  await page.getByRole('button', { name: 'Put all 3 to their queries' }).click();
  await page.getByRole('button', { name: 'Go through the answers' }).click();
  // The figure is tried out at once, and written by one key.
  await expect(page.getByText('With that figure')).toBeVisible();
  await expect(page.getByText('uses 6 of 6, makes 12, states 12')).toBeVisible();
  await page.keyboard.press('Alt+4');
  await expect(page.getByRole('heading', { name: 'Query 2' })).toBeVisible();
  await page.keyboard.press('Alt+Period');
  await expect(page.getByRole('heading', { name: 'Query 3' })).toBeVisible();
  await page.keyboard.press('Alt+1');
  await expect(page.getByText('1 answered')).toBeVisible();

  // A draft comes in: what has changed is walked, and what it answers is accepted.
  await page.keyboard.press('Alt+Shift+V');
  await page.getByRole('button', { name: 'Take in the next draft' }).click();
  await page
    .getByLabel('Or its text, pasted')
    .fill(BALL.replace('(13)', '(12)').replace('x 5 (24)', 'x 6 (24)').replace('Rnds 5-7', 'Rnds 5-8'));
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.locator('.sentence')).toContainText(
    '3 rounds changed, 2 of them in their stitches; 2 findings are gone.',
  );
  await page.keyboard.press('Alt+Period');
  await expect(page.locator('.row.here')).toContainText('(13)');
  // What was typed on the Desk is not in the new draft, and not lost.
  await expect(page.getByRole('region', { name: 'What you had changed' })).toContainText('A pattern');
  await page.getByRole('button', { name: 'Theirs' }).first().click();
  await page.keyboard.press('Alt+Shift+Q');
  await expect(page.getByText('Draft 2 answers 1 query.')).toBeVisible();
  await page.getByRole('button', { name: 'Accept all' }).click();
  await expect(page.getByText('Every query is settled.')).toBeVisible();
  await expect(page.getByRole('navigation', { name: 'This pattern' })).toContainText('all settled');

  await page.goto(`${server.url}/history/${id}`);
  for (const words of ['Draft 1 came', 'Letter with 3 queries', 'Query 1 (BALL, Rnd 2) settled', 'Draft 2 came'])
    await expect(page.getByText(words).first()).toBeVisible();
});
