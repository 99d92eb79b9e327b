import type { Component, ComponentProps } from 'svelte';
import { beforeEach, describe, expect, it } from 'vitest';
import { page, userEvent } from 'vitest/browser';
import { NO_HAND } from '../../core/index.js';
import { USUAL_LETTER } from '../letter.js';
import type { Query } from '../queries.js';
import { freshStart, refusal, renderInHouse, type MadeUpServer } from '../testing/house.js';
import { justCome } from '../testing/standing.js';
import { queryOn } from './testing.js';
import QueriesDesk from './QueriesDesk.svelte';

type Props = ComponentProps<typeof QueriesDesk>;
const TEXT = 'Limpet\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (13)\nRnd 3: (sc 1, inc) x 6 (18)\n';
let server: MadeUpServer;

beforeEach(async () => {
  server = await freshStart();
});

const query = (number: number, words: string, more: Partial<Query> = {}) => queryOn(TEXT, number, words, more);

/** The Queries of a pattern. */
async function queriesOf(queries: readonly Query[], more: Partial<Props> = {}): Promise<void> {
  const pattern = { id: 'limpet', name: 'Limpet', text: TEXT, revision: 1, terms: 'auto' as const, hand: NO_HAND };
  renderInHouse(QueriesDesk as Component<Props>, {
    pattern,
    queries,
    history: [],
    letters: [],
    settings: USUAL_LETTER,
    designer: { designer: 'Una', designerMail: '' },
    post: 'outbox' as const,
    address: null,
    standing: justCome('limpet', 'Limpet'),
    ...more,
  });
  await expect.element(page.getByRole('region', { name: 'Queries' })).toBeVisible();
}

const heading = (name: string | RegExp) => page.getByRole('heading', { name, level: 2 });
const changes = () => server.asked.filter(({ method }) => method === 'PATCH');

describe('the queries', () => {
  it('are nothing at first, and how one is made is said', async () => {
    await queriesOf([]);
    await expect.element(heading('Nothing is asked yet')).toBeVisible();
    await expect.element(page.getByRole('button', { name: 'Write the letter' })).toBeDisabled();
  });

  it('are walked by keys, sent back, settled and worded', async () => {
    const one = query(1, 'Rnd 2: inc x 6 (13)', { state: 'sent' });
    await queriesOf([one, query(2, 'Rnd 3: (sc 1, inc) x 6 (18)')]);
    await expect.element(heading(/Query 1/)).toBeVisible();
    await userEvent.keyboard('{Alt>}.{/Alt}');
    await expect.element(heading(/Query 2/)).toBeVisible();
    await userEvent.keyboard('{Alt>},{/Alt}');
    server.answer = () => Response.json({ ...one, state: 'open', revision: 2 });
    await userEvent.keyboard('{Alt>}2{/Alt}');
    await expect.poll(() => changes().at(-1)?.body).toMatchObject({ base: 1, state: 'open' });
    await userEvent.keyboard('{Alt>}e{/Alt}');
    await userEvent.fill(page.getByLabelText('What to ask'), 'In other words?');
    server.answer = () => Response.json({ ...one, state: 'open', text: 'In other words?', revision: 3 });
    await userEvent.keyboard('{Control>}{Enter}{/Control}');
    await expect.element(page.getByRole('article').getByText('In other words?')).toBeVisible();
    expect(changes().at(-1)?.body).toMatchObject({ base: 2, text: 'In other words?' });
  });

  it('keep what was typed where it can’t be kept', async () => {
    await queriesOf([query(1, 'Rnd 2: inc x 6 (13)')]);
    await userEvent.keyboard('{Alt>}e{/Alt}');
    await userEvent.fill(page.getByLabelText('What to ask'), 'Long words');
    server.answer = () => refusal('The disk is full.');
    await page.getByRole('button', { name: 'Keep' }).click();
    await expect.element(page.getByText('This could not be kept. The disk is full.')).toBeVisible();
    await expect.element(page.getByLabelText('What to ask')).toHaveValue('Long words');
  });
});

describe('the letter', () => {
  it('holds those that are to be sent, as they are chosen', async () => {
    await queriesOf([query(1, 'Rnd 2: inc x 6 (13)'), query(2, 'Rnd 3: (sc 1, inc) x 6 (18)', { state: 'sent' })]);
    await page.getByRole('button', { name: 'Write the letter' }).click();
    const sheet = page.getByRole('region', { name: 'The letter' });
    await expect.element(sheet).toHaveTextContent('Dear Una,');
    await expect.element(sheet).not.toHaveTextContent('Rnd 3');
    await page.getByRole('checkbox', { name: /2\. Rnd 3/ }).click();
    await expect.element(sheet).toHaveTextContent('What of Rnd 3');
    server.answer = ({ method }) =>
      method === 'POST' ? refusal('The post did not take this letter.', 502) : new Response(null, { status: 204 });
    await page.getByRole('button', { name: 'Put it into the outbox' }).click();
    await expect.element(page.getByText('The post did not take this letter.')).toBeVisible();
    // It is still there, to be sent once more.
    await expect.element(sheet).toHaveTextContent('What of Rnd 2');
    expect(server.asked.find(({ path }) => path.endsWith('/limpet/letters'))?.body).toMatchObject({
      numbers: [1, 2],
      way: 'post',
    });
  });
});
