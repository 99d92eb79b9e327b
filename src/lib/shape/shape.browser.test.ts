import type { Component, ComponentProps } from 'svelte';
import { beforeEach, describe, expect, it } from 'vitest';
import { page, userEvent } from 'vitest/browser';
import { NO_HAND, NO_SETTINGS } from '../../core/index.js';
import type { StoredPattern } from '../patterns.js';
import { freshStart, refusal, renderInHouse, type MadeUpServer } from '../testing/house.js';
import { justCome } from '../testing/standing.js';
import ShapeDesk from './ShapeDesk.svelte';

type Props = ComponentProps<typeof ShapeDesk>;
const OWL =
  'Owl\nUS terms. About 22 cm tall.\n\nMaterials\nDK cotton: Moss 40 g, Sand 20 g\n3 mm hook, 8 mm safety eyes\n\nBODY\nWith Moss.\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 4: (sc 2, inc) x 6 (24)\nRnd 5: (sc 3, inc) x 6 (30)\nRnds 6-14: sc around (30)\nEyes between Rnds 8 and 9, 7 sts apart. Stuff it.\nRnd 15: (sc 3, dec) x 6 (24)\nRnd 16: (sc 1, inc\nRnd 17: dec x 6 (6)\nFasten off.\n';
let server: MadeUpServer;

beforeEach(async () => {
  server = await freshStart();
});

async function shapeOf(text: string) {
  const pattern: StoredPattern = { id: 'owl', name: 'Owl', text, revision: 1, terms: 'auto', hand: NO_HAND };
  const drawn = await renderInHouse(ShapeDesk as Component<Props>, {
    pattern,
    settings: NO_SETTINGS,
    tested: {},
    standing: justCome('owl', 'Owl'),
  });
  // It is there, and it is drawn.
  await expect.element(page.getByRole('main')).not.toHaveTextContent('Drawing …');
  return drawn;
}

describe('the shape of a pattern', () => {
  it('says how tall it is beside what is stated, where things go, and that a round has left a gap', async () => {
    await shapeOf(OWL);
    await expect.element(page.getByText(/Stated: 22 cm tall; the counts give at least/)).toBeVisible();
    await expect.element(page.getByText(/7 of 30 stitches apart,\s+84° round/)).toBeVisible();
    await expect.element(page.getByText(/Rnd 16 gives no count: the outline has a gap there/)).toBeVisible();
    await expect.element(page.getByText(/How long 100 g of it are is not said/)).toBeVisible();
  });

  it('lights a round in the outline and in the words, by key', async () => {
    await shapeOf(OWL);
    await userEvent.keyboard('{Alt>}{ArrowDown}{ArrowDown}{/Alt}');
    await expect.element(page.getByRole('status').filter({ hasText: 'Rnd 2: 12 stitches' })).toBeVisible();
    await expect
      .element(page.getByRole('button', { name: 'Rnd 2: inc x 6 (12)' }))
      .toHaveAttribute('aria-current', 'true');
  });

  it('is not lit by a mouse that only lies there', async () => {
    const before = await shapeOf(OWL);
    await userEvent.hover(page.getByRole('application', { name: /^Outline of Body/ }));
    await expect.element(page.getByRole('status').filter({ hasText: /stitches, .* wide/ })).toBeVisible();
    // The outline comes up under the mouse, which has not been moved.
    await before.unmount();
    await shapeOf(OWL);
    await userEvent.keyboard('{Alt>}{ArrowDown}{ArrowDown}{/Alt}');
    await expect.element(page.getByRole('status').filter({ hasText: 'Rnd 2: 12 stitches' })).toBeVisible();
  });

  it('has the same figures as a table', async () => {
    await shapeOf(OWL);
    await userEvent.keyboard('{Alt>}3{/Alt}');
    const table = page.getByRole('table', { name: /^Body/ });
    await expect.element(table.getByRole('row', { name: /^5 30 30 15 cm/ })).toBeVisible();
    await expect.element(table.getByRole('row', { name: /gap/ })).toBeVisible();
  });

  it('keeps another gauge, and takes none that no hand has', async () => {
    server.answer = () => new Response(null, { status: 204 });
    await shapeOf(OWL);
    await page.getByLabelText('Stitches to 10 cm').fill('0');
    await userEvent.tab();
    await expect.element(page.getByRole('alert')).toHaveTextContent('From 2 to 100.');
    expect(server.asked).toEqual([]);
    await page.getByLabelText('Stitches to 10 cm').fill('25');
    await userEvent.tab();
    await expect.element(page.getByText(/at 25 sts to 10 cm/).first()).toBeVisible();
    expect(server.asked).toMatchObject([{ method: 'PUT', body: { stitches: 25 } }]);
  });

  it('puts back what could not be kept, and says so', async () => {
    server.answer = () => refusal('The disk is full.');
    await shapeOf(OWL);
    await page.getByLabelText('Metres in 100 g').fill('200');
    await userEvent.tab();
    await expect.element(page.getByText(/The disk is full/)).toBeVisible();
    await expect.element(page.getByText(/How long 100 g of it are is not said/)).toBeVisible();
  });

  it('says where there is nothing to draw', async () => {
    await shapeOf('A letter to a friend.');
    await expect.element(page.getByText(/There is nothing to draw/)).toBeVisible();
  });
});
