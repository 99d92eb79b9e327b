import type { Component, ComponentProps } from 'svelte';
import { beforeEach, describe, expect, it } from 'vitest';
import { page, userEvent } from 'vitest/browser';
import { freshStart, refusal, renderInHouse, type MadeUpServer } from '../testing/house.js';
import { goto, invalidate } from '../testing/navigation.js';
import Frame from './Frame.svelte';
import type { Standing } from './places.js';
import { until } from '../testing/until.js';

type Props = { readonly [Key in keyof ComponentProps<typeof Frame>]: ComponentProps<typeof Frame>[Key] };
let server: MadeUpServer;

beforeEach(async () => {
  server = await freshStart();
  server.answer = () =>
    Response.json([
      { id: 'seal', name: 'Grey Seal' },
      { id: 'owl', name: 'Sealing-wax Owl' },
    ]);
});

const SEAL: Standing = {
  id: 'seal',
  name: 'Grey Seal',
  summary: null,
  state: 'counted',
  settled: 'uk',
  editions: [],
  source: null,
  rules: 2,
  drafts: 1,
  release: null,
  testers: null,
  queries: {},
};

const frame = (props: Props) => renderInHouse(Frame as Component<Props>, props);
const house = () => page.getByRole('navigation', { name: 'House' });
const contents = () => page.getByRole('navigation', { name: 'This pattern' });
const field = () => page.getByRole('combobox', { name: 'Place, pattern, round or action' });
const option = (name: string | RegExp) => page.getByRole('option', { name });

describe('the head of a page', () => {
  it('leads to the places of the house, and says at which one is', async () => {
    frame({ at: 'rules' });
    const links = house().getByRole('link');
    expect(links.elements().map((link) => link.getAttribute('href'))).toEqual([
      '/',
      '/plan',
      '/trainer',
      '/rules',
      '/style',
      '/card',
      '/workspace',
      '/people',
    ]);
    await expect.element(house().getByRole('link', { name: 'Rules' })).toHaveAttribute('aria-current', 'page');
    await expect.element(house().getByRole('link', { name: 'Shelf' })).not.toHaveAttribute('aria-current');
    await expect.element(contents()).not.toBeInTheDocument();
  });

  it('shows an editor nothing that is the owner’s, and signs them out', async () => {
    document.body.dataset.person = JSON.stringify({ name: 'Ines <b>', role: 'editor' });
    try {
      frame({ at: 'rules' });
      await expect.element(page.getByRole('button', { name: 'Sign out Ines <b>' })).toBeVisible();
      await expect.element(house().getByRole('link', { name: 'People' })).not.toBeInTheDocument();
      await userEvent.keyboard('{Alt>}{Shift>}m{/Shift}{/Alt}');
      expect(goto).not.toHaveBeenCalled();
      await userEvent.keyboard('{Alt>}{Shift>}s{/Shift}{/Alt}');
      expect(goto).toHaveBeenCalledWith('/');
      server.answer = () => refusal('The disk is away.');
      await userEvent.keyboard('{Alt>}{Shift>}x{/Shift}{/Alt}');
      await expect.element(page.getByText('The disk is away.')).toBeVisible();
      expect(server.asked.at(-1)).toMatchObject({ method: 'DELETE', path: '/api/session' });
    } finally {
      delete document.body.dataset.person;
    }
  });

  it('asks again how a pattern stands that is still being counted', async () => {
    frame({ at: 'shape', standing: SEAL });
    await expect.element(contents().getByRole('link', { name: /Desk.*counting/ })).toBeVisible();
    await until(() => expect(invalidate).toHaveBeenCalledWith('dostik:standing'));
  });

  it('leads to the places of a pattern, with how it stands at each', async () => {
    frame({ at: 'terms', standing: SEAL });
    await expect.element(page.getByRole('heading', { name: 'Grey Seal', level: 1 })).toBeVisible();
    await expect.element(contents().getByRole('link', { name: /Terms.*UK/ })).toHaveAttribute('aria-current', 'page');
    await expect
      .element(contents().getByRole('link', { name: /Desk.*counting/ }))
      .toHaveAttribute('href', '/desk/seal');
    await expect.element(contents().getByRole('link', { name: /Its rules.*2 set/ })).toBeVisible();
  });

  it('is gone through by keys, from anywhere', async () => {
    frame({ at: 'desk', standing: SEAL });
    await userEvent.keyboard('{Alt>}{Shift>}RTP{/Shift}{/Alt}');
    expect(goto.mock.calls.map(([to]) => to)).toEqual(['/rules', '/terms/seal', '/desk/seal/rules']);
    await userEvent.keyboard('{Control>}{Alt>}{Shift>}R{/Shift}{/Alt}{/Control}');
    expect(goto).toHaveBeenCalledTimes(3);
  });

  it('has the place where one is in sight on a narrow screen', async () => {
    await page.viewport(320, 600);
    frame({ at: 'card' });
    const [link, line] = [house().getByRole('link', { name: 'Reference card' }), house()];
    const [here, all] = [link.element().getBoundingClientRect(), line.element().getBoundingClientRect()];
    expect(here.left).toBeGreaterThanOrEqual(all.left);
    expect(here.right).toBeLessThanOrEqual(all.right + 1);
  });
});

it('the places stay where they are on a narrow screen as long as the one where one is can be seen', async () => {
  await page.viewport(390, 600);
  frame({ at: 'rules' });
  const [shelf, line] = [house().getByRole('link', { name: 'Shelf' }), house()];
  await expect.element(house().getByRole('link', { name: 'Rules' })).toHaveAttribute('aria-current', 'page');
  const [first, all] = [shelf.element().getBoundingClientRect(), line.element().getBoundingClientRect()];
  expect(first.left).toBeGreaterThanOrEqual(all.left);
});

describe('the finder', () => {
  it('opens by key and by its words, with the places first, and closes by Escape', async () => {
    frame({ at: 'desk', standing: SEAL });
    await page.getByRole('button', { name: /Go to/ }).click();
    await expect.element(field()).toHaveFocus();
    await expect.element(page.getByRole('option').first()).toHaveTextContent(/Shelf\s*Alt Shift S/);
    await userEvent.keyboard('{Escape}');
    await expect.element(field()).not.toBeInTheDocument();
    await expect.element(page.getByRole('button', { name: /Go to/ })).toHaveFocus();
    await userEvent.keyboard('{Alt>}a{/Alt}');
    await expect.element(field()).toHaveFocus();
  });

  it('finds patterns by any of their words, those that begin with them first', async () => {
    frame({ at: 'shelf' });
    await userEvent.keyboard('{Alt>}a{/Alt}');
    await field().fill('seal');
    await expect.element(option(/Sealing-wax Owl/)).toHaveAttribute('aria-selected', 'true');
    await userEvent.keyboard('{ArrowDown}{ArrowDown}{ArrowDown}');
    await expect.element(option(/Grey Seal/)).toHaveAttribute('aria-selected', 'true');
    await userEvent.keyboard('{ArrowUp}{ArrowDown}{Enter}');
    await until(() => expect(goto).toHaveBeenCalledWith('/desk/seal'));
    await expect.element(field()).not.toBeInTheDocument();
  });

  it('is chosen from by pointer, and says where nothing is called so', async () => {
    frame({ at: 'shelf' });
    await userEvent.keyboard('{Alt>}a{/Alt}');
    await field().fill('zebra');
    await expect.element(page.getByText('Nothing is called that.')).toBeVisible();
    await userEvent.keyboard('{Enter}');
    await expect.element(field()).toBeVisible();
    await field().fill('house');
    await option(/House style/).click();
    await until(() => expect(goto).toHaveBeenCalledWith('/style'));
  });

  it('finds the rest where the names of the patterns can’t be asked for', async () => {
    server.answer = () => refusal('The server rests.');
    frame({ at: 'shelf' });
    await userEvent.keyboard('{Alt>}a{/Alt}');
    await field().fill('card');
    await userEvent.keyboard('{Enter}');
    await until(() => expect(goto).toHaveBeenCalledWith('/card'));
  });
});

describe('the list of keys', () => {
  it('tells those that do something here, and no others', async () => {
    frame({ at: 'shelf' });
    await userEvent.keyboard('{Alt>}k{/Alt}');
    const dialog = page.getByRole('dialog', { name: 'Keys' });
    await expect.element(dialog.getByText('Reference card')).toBeVisible();
    await expect.element(dialog.getByText('Alt Shift C')).toBeVisible();
    await expect.element(dialog.getByText('Next round')).not.toBeInTheDocument();
    // While it is open, the keys are not those of the page.
    await userEvent.keyboard('{Alt>}{Shift>}R{/Shift}{/Alt}');
    expect(goto).not.toHaveBeenCalled();
    await dialog.getByRole('button', { name: 'Close' }).click();
    await expect.element(dialog).not.toBeInTheDocument();
  });
});
