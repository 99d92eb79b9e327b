import type { Component, ComponentProps } from 'svelte';
import { beforeEach, describe, expect, it } from 'vitest';
import { page, userEvent } from 'vitest/browser';
import { NO_HAND } from '../../core/index.js';
import type { StoredPattern } from '../patterns.js';
import { freshStart, refusal, renderInHouse, type MadeUpServer } from '../testing/house.js';
import { goto, invalidate } from '../testing/navigation.js';
import TermsDesk from './TermsDesk.svelte';
import { until } from '../testing/until.js';

type Props = ComponentProps<typeof TermsDesk>;
const NOTES: Props['notes'] = { decisions: [], editions: [], source: null };
const BEAR =
  'Bear\nUS terms\n\nsc = single crochet\n\nHead\nRnd 1: 6 sc in MR (6)\nRnd 2: sc around (6)\nMake the next one double.\n';
let server: MadeUpServer;

beforeEach(async () => {
  server = await freshStart();
});

/** The Terms screen on a text, as soon as it has been converted or refused. */
async function termsOf(text: string, { notes = NOTES } = {}) {
  const terms = 'auto';
  const pattern: StoredPattern = { id: 'bear', name: 'Bear', text, revision: 1, terms, hand: NO_HAND };
  const standing: Props['standing'] = {
    id: 'bear',
    name: 'Bear',
    summary: null,
    state: 'counted',
    settled: terms,
    editions: notes.editions,
    source: notes.source,
    rules: 0,
    drafts: 1,
    release: null,
    testers: null,
    queries: {},
  };
  renderInHouse(TermsDesk as Component<Props>, { pattern, notes, standing });
  await expect.element(page.getByText('Reading …')).not.toBeInTheDocument();
}

const both = () => page.getByRole('region', { name: 'Both versions' });
const card = () => page.getByRole('region', { name: /^Change \d|^\d+ changes/ });
const save = () => page.getByRole('button', { name: /edition$/ });

describe('a text in US terms', () => {
  it('stands beside itself in UK terms, with what tells the terms and how often each word changes', async () => {
    await termsOf(BEAR);
    await expect.element(page.getByRole('heading', { name: 'US terms' })).toBeVisible();
    await expect.element(both()).toHaveTextContent(/Rnd 1: 6 sc in MR \(6\)\s*Rnd 1: 6 dc in MR \(6\)/);
    const tally = page.getByRole('region', { name: 'What changes' });
    await expect.element(tally.getByRole('button', { name: /^sc\s*dc\s*3$/ })).toBeVisible();
    await expect.element(tally.getByRole('button', { name: /^US\s*UK\s*1$/ })).toBeVisible();
    await expect.element(page.getByRole('region', { name: 'Proved' })).toBeVisible();
  });

  it('is gone through change by change, from either end and round again', async () => {
    await termsOf(BEAR);
    await userEvent.keyboard('{Alt>}.{/Alt}');
    await expect.element(card()).toHaveTextContent(/Change 1 of \d+/);
    await userEvent.keyboard('{Alt>},{/Alt}');
    const last = /Change (\d+) of \1/;
    await expect.element(card()).toHaveTextContent(last);
    await page.getByRole('button', { name: 'Next change' }).click();
    await expect.element(card()).toHaveTextContent(/Change 1 of/);
  });

  it('takes what is chosen for a word, what is written for it, and gives both back', async () => {
    await termsOf(BEAR);
    await both().getByRole('button', { name: 'dc', exact: true }).nth(1).click();
    await page.getByRole('button', { name: 'leave sc' }).click();
    await expect.element(both()).toHaveTextContent(/Rnd 1: 6 sc in MR \(6\)\s*Rnd 1: 6 sc in MR/);
    await page.getByLabelText('Write otherwise').fill('DC');
    await page.getByRole('button', { name: 'Write', exact: true }).click();
    await expect.element(both()).toHaveTextContent(/Rnd 1: 6 DC in MR/);
    await page.getByRole('button', { name: /Take it back/ }).click();
    await expect.element(both()).toHaveTextContent(/Rnd 1: 6 dc in MR/);
    const written = server.asked.map(({ body }) => (body as { written: string | null }).written);
    expect(written).toEqual(['sc', 'DC', null]);
  });

  it('has an answer asked for a word that may be no stitch', async () => {
    await termsOf(BEAR);
    const questions = page.getByRole('list', { name: 'Questions' });
    await expect.element(questions).toHaveTextContent('“double” in line 9: the stitch, or something else?');
    await questions.getByRole('button', { name: 'leave' }).click();
    await expect.element(questions).not.toBeInTheDocument();
    await expect.element(both()).toHaveTextContent(/Make the next one double\.\s*Make the next one double\./);
  });

  it('keeps a decision only where the server has it', async () => {
    await termsOf(BEAR);
    server.answer = () => refusal('The disk is full.');
    await userEvent.keyboard('{Alt>}..2{/Alt}');
    await expect
      .element(page.getByText('The disk is full. Nothing has been changed; try again.', { exact: true }))
      .toBeVisible();
    await expect.element(page.getByRole('button', { name: /Take it back/ })).not.toBeInTheDocument();
  });

  it('may show only the lines that change, and take hooks, yarns and spelling along', async () => {
    await termsOf(`${BEAR}Hook: US E (3.5 mm), worsted, any color.\n`);
    await page.getByText('Show changed lines only').click();
    await expect.element(both()).not.toHaveTextContent('Head');
    await expect.element(both()).not.toHaveTextContent('colour');
    await page.getByText('Spelling (color, colour)').click();
    await expect.element(both()).toHaveTextContent('any colour');
    await page.getByText('Names of yarn weights').click();
    await expect.element(both()).toHaveTextContent('aran');
  });
});

describe('an edition', () => {
  it('is saved once it is proved, and can be opened', async () => {
    await termsOf(BEAR);
    server.answer = () => Response.json({ id: 'new', kind: 'made', kept: 0 });
    await save().click();
    await expect.element(page.getByText('The edition is on the shelf.')).toBeVisible();
    expect(server.asked.at(-1)).toEqual({
      method: 'POST',
      path: '/api/patterns/bear/editions',
      body: { to: 'uk', hooks: false, weights: false, spelling: false },
    });
    expect(invalidate).toHaveBeenCalledWith('dostik:terms');
    await page.getByRole('button', { name: 'Open it' }).click();
    expect(goto).toHaveBeenCalledWith('/desk/new');
  });

  it('that is behind is said to be, and brought up to date', async () => {
    const edition = { id: 'uk', name: 'Bear (UK terms)', to: 'uk' as const, behind: true };
    await termsOf(BEAR, { notes: { ...NOTES, editions: [edition] } });
    await expect.element(page.getByText(/is behind: this pattern has changed/)).toBeVisible();
    await expect.element(page.getByRole('link', { name: /Terms.*UK edition behind/ })).toBeVisible();
    await expect.element(page.getByRole('button', { name: 'Update the edition' })).toBeEnabled();
  });

  it('tells what it was converted from, and whether that has changed', async () => {
    const source = { id: 'us', name: 'Bear', to: 'us' as const, behind: true };
    await termsOf(BEAR.replaceAll('sc', 'dc').replace('single', 'double').replace('US', 'UK'), {
      notes: { ...NOTES, source },
    });
    await expect.element(page.getByText(/which has changed since/)).toBeVisible();
    await expect.element(both()).toHaveTextContent(/Rnd 1: 6 dc in MR \(6\)\s*Rnd 1: 6 sc in MR \(6\)/);
  });

  it('is not saved where nothing is proved', async () => {
    await termsOf('A letter to my aunt.\n\nAll is well.\n');
    await expect.element(save()).toBeDisabled();
    await userEvent.keyboard('{Alt>}s{/Alt}');
    expect(server.asked).toEqual([]);
  });
});

describe('a text that is not converted', () => {
  it('is in those terms already, and goes into the others', async () => {
    await termsOf(BEAR);
    await page.getByRole('radio', { name: 'US terms' }).click({ force: true });
    await expect.element(page.getByRole('heading', { name: 'In US terms already' })).toBeVisible();
    await page.getByRole('button', { name: 'Into UK terms' }).click();
    await expect.element(both()).toBeVisible();
  });

  it('has both vocabularies in it, until a person says which one holds', async () => {
    await termsOf(
      'Rnd 1: 6 sc in MR (6)\nRnd 2: 12 htr (12)\nRnd 3: sc 12\nRnd 4: htr 12\nRnd 5: sc 12\nRnd 6: htr 12\n',
    );
    await expect.element(page.getByRole('heading', { name: 'Both vocabularies are in use' })).toBeVisible();
    await expect.element(save()).toBeDisabled();
    await page.getByRole('button', { name: 'It is in US terms' }).click();
    expect(server.asked).toEqual([{ method: 'PUT', path: '/api/patterns/bear/terms', body: { terms: 'us' } }]);
    await until(() => expect(page.getByRole('combobox', { name: 'Read it as' }).element()).toHaveValue('us'));
  });
});
