import type { Component, ComponentProps } from 'svelte';
import { beforeEach, describe, expect, it } from 'vitest';
import { page, userEvent } from 'vitest/browser';
import { NO_HAND } from '../../core/index.js';
import { freshStart, renderInHouse, type MadeUpServer } from '../testing/house.js';
import { goto } from '../testing/navigation.js';
import { justCome } from '../testing/standing.js';
import DraftsDesk from './DraftsDesk.svelte';
import { until } from '../testing/until.js';

type Props = ComponentProps<typeof DraftsDesk>;
const FIRST =
  'Limpet\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (13)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 4: sc around (18)\n';
const SECOND = FIRST.replace('(13)', '(12)').replace('Rnd 4', 'Rnd 4: (sc 2, inc) x 6 (24)\nRnd 5');
let server: MadeUpServer;

beforeEach(async () => {
  server = await freshStart();
});

async function draftsOf(texts: Props['texts'], text = SECOND): Promise<void> {
  const pattern = { id: 'limpet', name: 'Limpet', text, revision: 1, terms: 'auto' as const, hand: NO_HAND };
  const standing = justCome('limpet', 'Limpet');
  renderInHouse(DraftsDesk as Component<Props>, { pattern, drafts: [], texts, decided: [], standing });
  await expect.element(page.getByRole('region', { name: 'Both drafts' })).toBeVisible();
}

const rows = () => document.querySelectorAll('.texts .row.changed');

describe('two drafts', () => {
  it('stand in step, what has changed marked, and are walked by keys', async () => {
    await draftsOf([
      { number: 1, text: FIRST, worked: null },
      { number: 2, text: SECOND, worked: null },
    ]);
    await expect.element(page.getByText(/3 rounds changed/)).toBeVisible();
    expect([...document.querySelectorAll('mark')].slice(0, 2).map((mark) => mark.textContent)).toEqual(['13', '12']);
    await userEvent.keyboard('{Alt>}.{/Alt}');
    expect(document.querySelector('.here')?.textContent).toContain('(12)');
    await userEvent.keyboard('{Alt>}g{/Alt}');
    await until(() => expect(goto).toHaveBeenCalledWith('/desk/limpet?line=3'));
    const shown = rows().length;
    await page.getByRole('checkbox', { name: 'Show only what has changed' }).click();
    await expect.poll(() => document.querySelectorAll('.texts .row').length).toBeGreaterThan(shown + 2);
  });

  it('that are the same say so', async () => {
    await draftsOf([{ number: 1, text: FIRST, worked: null }], FIRST);
    await expect.element(page.getByText('Nothing has changed.')).toBeVisible();
  });
});

describe('a draft that is taken in', () => {
  it('of another pattern is told with its figures before it is taken', async () => {
    await draftsOf([{ number: 1, text: FIRST, worked: null }], FIRST);
    await page.getByRole('button', { name: 'Take in the next draft' }).click();
    const other =
      'Boat\nRow 1: ch 21, hdc across (20)\nRow 2: ch 1, hdc 20 (20)\nRow 3: hdc2tog, hdc 16, hdc2tog (18)\nRow 4: hdc 18 (18)\n';
    server.answer = () => Response.json({ text: other, left: [] });
    await userEvent.fill(page.getByLabelText('Or its text, pasted'), other);
    await page.getByRole('button', { name: 'Take it in', exact: true }).click();
    await expect.element(page.getByRole('alert')).toHaveTextContent(/Of its 4 rounds none is like any of this pattern/);
    expect(server.asked.filter(({ path }) => path.includes('pattern='))).toEqual([]);
    server.answer = () => Response.json({ id: 'boat', left: [] });
    await page.getByRole('button', { name: 'Take it in as a pattern of its own' }).click();
    await until(() => expect(goto).toHaveBeenCalledWith('/intake/boat', { invalidateAll: true }));
  });
});
