import type { Component } from 'svelte';
import { beforeEach, describe, expect, it } from 'vitest';
import { page, userEvent } from 'vitest/browser';
import { render } from 'vitest-browser-svelte';
import type { AskedQuery, DesignerLetter, OwnPattern } from '../designerLetter.js';
import { freshStart, refusal, renderInHouse, type MadeUpServer } from '../testing/house.js';
import { invalidate } from '../testing/navigation.js';
import LetterPage from './LetterPage.svelte';
import OwnPatterns from './OwnPatterns.svelte';

let server: MadeUpServer;
beforeEach(async () => {
  server = await freshStart();
});

const query = (number: number, more: Partial<AskedQuery> = {}): AskedQuery => ({
  number,
  revision: 2,
  state: 'sent',
  part: 'Body',
  round: `Rnd ${number}`,
  words: `Rnd ${number}: inc x 6 (13)`,
  text: 'Is it 12?',
  proposal: '',
  answer: '',
  ...more,
});
const letter = (...queries: AskedQuery[]): DesignerLetter => ({
  pattern: 'Limpet',
  opening: ['Dear Una,'],
  closing: ['With kind regards', 'Oda'],
  queries,
});
const open = (...queries: AskedQuery[]) => render(LetterPage, { letter: letter(...queries), to: '/api/letter/secret' });
const field = (number: number) => page.getByLabelText(`Your answer to query ${number}`);
const at = (number: number) => page.getByRole('region', { name: `Query ${number}` });
const answers = ({ path, body }: { path: string; body: unknown }) =>
  Response.json(
    query(Number(path.split('/').at(-1)), {
      state: 'answered',
      revision: 3,
      answer: (body as { said: string }).said,
    }),
  );

describe('the letter', () => {
  it('has a field for each answer, and each is sent by itself', async () => {
    await open(query(1), query(2));
    await expect.element(page.getByRole('status').first()).toHaveTextContent('2 queries wait for your answer.');
    server.answer = answers;
    await userEvent.fill(field(1), 'It is 12.');
    await userEvent.keyboard('{Control>}{Enter}{/Control}');
    await expect.element(at(1).getByText('It is 12.')).toBeVisible();
    await expect.element(at(1).getByText('Your answer is with the editor.')).toBeVisible();
    expect(server.asked).toEqual([
      { method: 'PATCH', path: '/api/letter/secret/1', body: { base: 2, said: 'It is 12.' } },
    ]);
    await expect.element(field(2)).toBeVisible();
    await expect.element(page.getByRole('status').first()).toHaveTextContent('1 query waits');
  });

  it('takes what is proposed in one touch', async () => {
    await open(query(1, { proposal: 'Rnd 1: inc x 6 (12)' }));
    server.answer = answers;
    await page.getByRole('button', { name: 'Yes, as proposed' }).click();
    await expect.element(at(1).getByText('Yes, as proposed.')).toBeVisible();
    await expect.element(page.getByText(/Everything is answered/)).toBeVisible();
  });

  it('has the words still when the server is gone, and after coming back', async () => {
    const shown = await open(query(1));
    server.answer = () => refusal('The disk of the server is full.', 507);
    await userEvent.fill(field(1), 'It is 12.');
    await page.getByRole('button', { name: 'Send the answer' }).click();
    await expect.element(page.getByRole('alert')).toHaveTextContent('The disk of the server is full.');
    await shown.unmount();
    await open(query(1));
    await expect.element(field(1)).toHaveValue('It is 12.');
  });

  it('shows the query anew where the editor has changed it meanwhile', async () => {
    await open(query(1));
    server.answer = () => Response.json({ current: query(1, { text: 'Is it 18?', revision: 3 }) }, { status: 409 });
    await userEvent.fill(field(1), 'It is 12.');
    await page.getByRole('button', { name: 'Send the answer' }).click();
    await expect.element(at(1).getByText('Is it 18?')).toBeVisible();
    await expect.element(field(1)).toHaveValue('It is 12.');
    await expect.element(page.getByRole('alert')).toHaveTextContent('has changed this query');
  });

  it('lets an answer be changed until it is settled, and puts by what is', async () => {
    await open(query(1, { state: 'answered', answer: 'Yes.' }), query(2, { state: 'settled', answer: 'No.' }));
    await page.getByRole('button', { name: 'Say something else' }).click();
    await expect.element(field(1)).toHaveValue('Yes.');
    await page.getByRole('button', { name: 'Leave it' }).click();
    await expect.element(field(1)).not.toBeInTheDocument();
    await page.getByText('1 query settled').click();
    await expect.element(at(2).getByText('No.')).toBeVisible();
    expect(at(2).getByRole('button').elements()).toHaveLength(0);
  });

  it('says where nothing is asked', async () => {
    await open();
    await expect.element(page.getByText('Nothing is asked about it.')).toBeVisible();
  });
});

describe('the patterns of a designer', () => {
  const own: OwnPattern = {
    id: 'limpet',
    name: 'Limpet',
    waiting: 2,
    answered: 0,
    drafts: 3,
    version: '1.0',
    updatedAt: Date.now(),
  };
  const show = (patterns: readonly OwnPattern[]) =>
    renderInHouse(OwnPatterns as Component<{ patterns: readonly OwnPattern[] }>, { patterns });

  it('say what waits, and take a new draft', async () => {
    await show([own]);
    await expect.element(page.getByText('2 queries wait for your answer')).toBeVisible();
    await expect.element(page.getByText(/draft 3, version 1.0 is out/)).toBeVisible();
    server.answer = () => new Response(null, { status: 204 });
    await userEvent.upload(page.getByLabelText(/Send a new draft/), new File(['LIMPET\n'], 'limpet 4.txt'));
    await expect
      .element(page.getByText('“limpet 4.txt” is with the editor, as the newest draft of Limpet.'))
      .toBeVisible();
    expect(server.asked.at(-1)).toMatchObject({ method: 'POST', path: '/api/mine/limpet/drafts?file=limpet%204.txt' });
    expect(invalidate).toHaveBeenCalledWith('dostik:mine');
  });

  it('say what a file is refused for', async () => {
    await show([own]);
    server.answer = () => refusal('This file can’t be read.', 422);
    await userEvent.upload(page.getByLabelText(/Send a new draft/), new File(['x'], 'limpet.bin'));
    await expect.element(page.getByText('This file can’t be read.')).toBeVisible();
  });

  it('say what to do where there are none', async () => {
    await show([]);
    await expect.element(page.getByText(/None stands here yet/)).toBeVisible();
  });
});
