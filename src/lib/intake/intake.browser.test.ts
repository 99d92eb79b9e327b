import type { Component } from 'svelte';
import { beforeEach, describe, expect, it } from 'vitest';
import { page, userEvent } from 'vitest/browser';
import type { Standing } from '../frame/places.js';
import type { Draft } from '../drafts.js';
import type { StoredPattern } from '../patterns.js';
import { freshStart, refusal, renderInHouse, type MadeUpServer } from '../testing/house.js';
import { justCome } from '../testing/standing.js';
import Intake from './Intake.svelte';

interface Props extends Record<string, unknown> {
  readonly pattern: StoredPattern;
  readonly drafts: readonly Draft[];
  readonly standing: Standing;
}
let server: MadeUpServer;

beforeEach(async () => {
  server = await freshStart();
});

const TUMBLY = [
  'Tumbly',
  'US terms',
  '',
  'Cotton in Moss (30 g), 2.5 mm hook',
  '',
  'BODY',
  'Rnd 1: 6 sc in MR (6)',
  'Rnd 2: inc x 6 (12)',
  'And sc around.',
  'Rnd 4: 6 glorps (18)',
  '',
  'EAR',
  'Rnd 1: 6 sc in MR (6)',
  '',
].join('\n');

function opened(text = TUMBLY, props: Partial<Props> = {}): void {
  renderInHouse(Intake as unknown as Component<Props>, {
    pattern: { id: 'one', name: 'Tumbly', text, revision: 1, terms: 'auto', hand: { words: {} } },
    drafts: [],
    standing: justCome('one', 'Tumbly'),
    ...props,
  });
}

const line = (words: string) => page.getByRole('option', { name: words });
const sent = () => server.asked.filter(({ path }) => path.endsWith('/hand')).map(({ body }) => body);

describe('what was understood', () => {
  it('stands beside the text: what is doubtful first, materials, parts and how many rounds of each are counted', async () => {
    opened();
    await expect
      .element(page.getByRole('heading', { name: '3 of 4 rounds read; 1 line could not be placed.' }))
      .toBeVisible();
    const understood = page.getByRole('complementary', { name: 'What was understood' });
    await expect.element(understood).toHaveTextContent(/Moss\s*30 g/);
    await expect.element(understood).toHaveTextContent(/2 of 3/);
    await expect.element(understood).toHaveTextContent(/not placed\s*And sc around/);
    await expect.element(line('BODY')).toHaveTextContent(/heading/);
  });

  it('is put right by keys: one line, and several at once', async () => {
    opened();
    await line('And sc around.').click();
    await userEvent.keyboard('r');
    await expect.element(page.getByText('“And sc around.”: round: 1 round more can be counted.')).toBeVisible();
    await line('Tumbly').click();
    await userEvent.keyboard('{Shift>}{ArrowDown}{/Shift}x');
    await expect.element(page.getByText('2 lines are')).toBeVisible();
    await expect.poll(sent).toEqual([
      { lines: ['And sc around.'], role: 'round' },
      { lines: ['Tumbly', 'US terms'], role: 'talk' },
    ]);
    await userEvent.keyboard('{Alt>}z{/Alt}');
    await expect.poll(() => sent().at(-1)).toEqual({ lines: ['Tumbly', 'US terms'], role: null });
  });

  it('is put right with the mouse: the name of a part, how many to make, the terms, and what a word means', async () => {
    opened();
    await page.getByRole('textbox', { name: 'Name of the part in line 12' }).fill('Left ear');
    await page.getByRole('spinbutton', { name: 'How many of Ear' }).fill('2');
    await userEvent.keyboard('{Tab}');
    await expect.poll(sent).toEqual([
      { heading: 'EAR', said: { name: 'Left ear' } },
      { heading: 'EAR', said: { name: 'Left ear', make: 2 } },
    ]);
    await page.getByRole('radio', { name: 'UK' }).click();
    await expect
      .poll(() => server.asked.at(-1))
      .toMatchObject({ path: '/api/patterns/one/terms', body: { terms: 'uk' } });
    await line('Rnd 4: 6 glorps (18)').click();
    await userEvent.keyboard('{Alt>}w{/Alt}');
    await page.getByRole('button', { name: /an increase/ }).click();
    await expect.poll(() => sent().at(-1)).toEqual({ word: 'glorp', sense: 'increase' });
  });

  it('is told why, where a round was worked out and no word of it means anything of its own', async () => {
    const rounds = [1, 2, 3, 4].map((i) => `Rnd ${i + 2}: ${i} sc, inc, the lot 6x (${6 * (i + 2)})`);
    opened(['BALL', 'Rnd 1: 6 sc in MR (6)', 'Rnd 2: inc x 6 (12)', ...rounds, ''].join('\n'));
    await expect.element(page.getByText('worked out').first()).toBeVisible();
    await line(rounds[0] ?? '').click();
    await userEvent.keyboard('{Alt>}w{/Alt}');
    await expect.element(page.getByText(/^Taken so: what is repeated is all that stands before/)).toBeVisible();
  });

  it('is as it was where it can’t be kept, and that is said', async () => {
    opened();
    server.answer = ({ path }) => (path.endsWith('/hand') ? refusal('The disk is full.') : Response.json({}));
    await line('And sc around.').click();
    await userEvent.keyboard('r');
    await expect.element(page.getByText(/The disk is full\. Nothing has been changed/)).toBeVisible();
    await expect
      .element(page.getByRole('heading', { name: '3 of 4 rounds read; 1 line could not be placed.' }))
      .toBeVisible();
  });
});
