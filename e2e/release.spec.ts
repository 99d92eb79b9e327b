import { readFileSync } from 'node:fs';
import { unzipSync } from 'fflate';
import { expect } from '@playwright/test';
import { sound } from './page.js';
import { test } from './server.js';

/** As a designer sends it: a count that is off, no size, no word of the small parts. */
const VOLE = `Thistle the Vole
US terms.

Materials: cotton in Sand (20 g), 2.5 mm hook, filling, 6 mm safety eyes

Abbreviations
MR = magic ring
sc = single crochet
inc = two sc in one stitch
dec = two sc together

BODY (make 1)
Rnd 1: 6 sc in MR (6)
Rnd 2: inc x 6 (13)
Rnd 3: (sc 1, inc) x 6 (18)
Rnd 4: sc around (18)
Insert the eyes between Rnds 3 and 4, 5 sts apart. Stuff.
Rnd 5: (sc 1, dec) x 6 (12)
Rnd 6: dec x 6 (6)
Fasten off and close the hole.
`;

test('a pattern with faults is put right, confirmed, signed, had as files, and gets an erratum', async ({
  page,
  server,
}) => {
  const id = await server.takeIn(VOLE);
  await page.goto(`${server.url}/release/${id}`);
  await expect(page.getByRole('tab', { name: 'Checklist 6' })).toBeVisible();
  await expect(page.getByText('The finished size is not said')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Sign version 1.0' })).toBeDisabled();
  await sound(page);

  // The line that is off is one click away; what else is missing is written there as well.
  await page.getByRole('link', { name: /Rnd 2: is off/ }).click();
  await expect(page.getByText(/States 13/).first()).toBeVisible();
  const mended = VOLE.replace('(13)', '(12)')
    .replace('US terms.', 'US terms. About 9 cm tall.')
    .replace('safety eyes\n', 'safety eyes (small parts, not for children under three)\n');
  const { revision } = await server.pattern(id);
  await server.ask('PUT', `/api/patterns/${id}`, { text: mended, base: revision });

  await page.goto(`${server.url}/release/${id}`);
  await page.getByLabel('Your name').fill('Ines Tidewater');
  await page.getByRole('checkbox', { name: /Testers/ }).click();
  await expect(page.getByRole('tab', { name: 'Checklist 1' })).toBeVisible();
  await page.getByRole('checkbox', { name: /second person/ }).click();
  await expect(page.getByText('Everything holds.', { exact: false })).toBeVisible();

  // Who has read it for the second time does not sign.
  await page.getByRole('button', { name: 'Sign version 1.0' }).click();
  await expect(page.getByText(/has not read it for the second time/)).toBeVisible();
  await page.getByLabel('Your name').fill('Oda Marram');
  await page.getByRole('button', { name: 'Sign version 1.0' }).click();
  await expect(page.getByRole('heading', { name: 'Version 1.0 is out' })).toBeVisible();

  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: 'All files in one' }).click();
  const files = unzipSync(readFileSync(await (await coming).path()));
  expect(Object.keys(files)).toHaveLength(14);
  expect(Buffer.from(files['uk 1.0.txt'] ?? []).toString()).toMatch(
    /Rnd 5: \(dc 1, dec\) x 6 +\(12\)[^]*Version 1\.0 · UK terms/,
  );
  expect(
    Buffer.from(files['us 1.0.pdf'] ?? [])
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');

  // A file of ours is known again; one that was changed is not.
  const ours = { name: 'vole.html', mimeType: 'text/html', buffer: Buffer.from(files['us 1.0.html'] ?? []) };
  await page.locator('.known input').setInputFiles(ours);
  await expect(page.getByText('is the US edition, as .html, of version 1.0, byte for byte.')).toBeVisible();
  await page.locator('.known input').setInputFiles({ ...ours, buffer: Buffer.concat([ours.buffer, Buffer.from(' ')]) });
  await expect(page.getByText('is no file of any version')).toBeVisible();

  // And the page takes its own edition in again, with the same counts.
  const again = await server.takeIn(Buffer.from(files['us 1.0.txt'] ?? []).toString());
  await page.goto(`${server.url}/desk/${again}`);
  await expect(page.locator('.rail-row[title^="Rnd 5:"]')).toBeVisible();
  await expect(page.locator('.rail-row .off')).toHaveCount(0);

  await page.goto(`${server.url}/release/${id}`);
  await page.getByRole('tab', { name: /Errata/ }).click();
  await page.getByRole('button', { name: 'Enter a mistake' }).click();
  await page.getByRole('combobox', { name: 'Round' }).selectOption('Body, Rnd 3');
  await page.getByLabel('It has to read').fill('Rnd 3: (inc, sc 1) x 6 (18)');
  await page.getByRole('button', { name: 'Keep the erratum' }).click();
  await expect(
    page.getByText('Body, Rnd 3: for “(sc 1, inc) x 6 (18)” read “(inc, sc 1) x 6 (18)”; 18 sts.'),
  ).toBeVisible();
  await page.getByText('UK', { exact: true }).click();
  await expect(page.getByText('Body, Rnd 3: for “(dc 1, inc) x 6 (18)”', { exact: false })).toBeVisible();
  await page.getByRole('tab', { name: /Checklist/ }).click();
  await expect(page.getByText('Erratum 1: Rnd 3: (inc, sc 1) x 6 (18)')).toBeVisible();
});

test('the editions are seen before they are signed, in both terms and without anything that runs', async ({
  page,
  server,
}) => {
  await page.goto(server.url);
  await page.getByRole('link', { name: 'Lantern Point Lighthouse' }).click();
  await page.getByRole('link', { name: /^Release/ }).click();
  await page.getByRole('tab', { name: 'Editions' }).click();
  const edition = page.frameLocator('iframe');
  await expect(edition.getByRole('heading', { level: 1 })).toHaveText('Lantern Point Lighthouse');
  await expect(edition.getByText('Not signed yet · US terms')).toBeVisible();
  await page.getByRole('combobox', { name: 'Terms' }).selectOption('UK');
  await expect(edition.getByText('Not signed yet · UK terms')).toBeVisible();
  await edition.getByRole('checkbox').first().check();
});

test('the whole workspace goes out in one file, and comes in again', async ({ page, server }) => {
  await page.goto(`${server.url}/workspace`);
  await sound(page);
  const coming = page.waitForEvent('download');
  await page.getByRole('link', { name: /Take everything out/ }).click();
  const file = await (await coming).path();
  expect(Object.keys(unzipSync(readFileSync(file)))).toContain('dostik.json');
  await page.getByLabel('A workspace to bring in').setInputFiles(file);
  await expect(page.getByText(/0 patterns came in\. \d+ patterns of it were here already/)).toBeVisible();
  await page
    .getByLabel('A workspace to bring in')
    .setInputFiles({ name: 'a.zip', mimeType: 'application/zip', buffer: Buffer.from('no') });
  await expect(page.getByText('This is no workspace of Dostik', { exact: false })).toBeVisible();
});
