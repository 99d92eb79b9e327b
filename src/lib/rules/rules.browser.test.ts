import type { Component, ComponentProps } from 'svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { page, userEvent } from 'vitest/browser';
import { freshStart, renderInHouse } from '../testing/house.js';
import { leave } from '../testing/navigation.js';
import RuleList from './RuleList.svelte';
import { until } from '../testing/until.js';

type Props = ComponentProps<typeof RuleList>;
const CARDS: Props['cards'] = [
  {
    id: 'count/stated',
    severity: 'error',
    about: 'The stated count differs from what comes out.',
    failing: 'Rnd 1: 6 sc in MR (7)',
    passing: 'Rnd 1: 6 sc in MR (6)',
    says: ['States 7, makes 6.'],
  },
  {
    id: 'count/missing',
    severity: 'hint',
    about: 'A round states no count.',
    failing: 'Rnd 1: 6 sc in MR',
    passing: 'Rnd 1: 6 sc in MR (6)',
    says: ['No count.'],
  },
  {
    id: 'safety/small-parts',
    severity: 'warning',
    about: 'Nothing warns of small parts.',
    failing: 'Eyes',
    passing: 'Eyes. Not for small children.',
    says: ['No caution.'],
  },
];

beforeEach(freshStart);

function listOf(props: Partial<Props> = {}) {
  const change = vi.fn<Props['change']>(() => Promise.resolve());
  renderInHouse(RuleList as Component<Props>, {
    title: 'Rules',
    about: 'All.',
    cards: CARDS,
    set: {},
    change,
    ...props,
  });
  return change;
}

const howIs = (rule: string) => page.getByRole('combobox', { name: `How ${rule} is taken` });

describe('the rules of the house', () => {
  it('stand under their families, each as it is usually taken', async () => {
    listOf();
    for (const name of ['Counts', 'Safety']) await expect.element(page.getByRole('heading', { name })).toBeVisible();
    await expect.element(page.getByRole('heading', { name: 'Materials' })).not.toBeInTheDocument();
    await expect.element(howIs('count/missing')).toHaveDisplayValue('hint');
  });

  it('are set otherwise and back, and that is kept each time', async () => {
    const change = listOf();
    await userEvent.selectOptions(howIs('count/missing'), 'error');
    await expect.element(howIs('count/missing')).toHaveValue('error');
    await userEvent.selectOptions(howIs('count/missing'), 'usual');
    expect(change.mock.calls.map(([setting]) => setting)).toEqual([
      { rule: 'count/missing', severity: 'error' },
      { rule: 'count/missing', severity: null },
    ]);
  });

  it('stay as they were where that could not be kept, which is said', async () => {
    listOf({ set: { 'count/stated': 'warning' }, change: () => Promise.reject(new Error('no')) });
    await userEvent.selectOptions(howIs('count/stated'), 'off');
    await expect.element(page.getByRole('status')).toHaveTextContent('Nothing has been changed; try again.');
    await expect.element(howIs('count/stated')).toHaveValue('warning');
  });

  it('are searched by name and by words, from the keyboard', async () => {
    listOf();
    await userEvent.keyboard('/');
    await userEvent.keyboard('SMALL parts');
    await expect.element(howIs('safety/small-parts')).toBeVisible();
    await expect.element(howIs('count/stated')).not.toBeInTheDocument();
    await userEvent.keyboard(' of nothing');
    await expect.element(page.getByText('No rule has “SMALL parts of nothing” in it.')).toBeVisible();
  });

  it('show what they find and what they leave, one at a time', async () => {
    listOf();
    const opener = page.getByRole('button', { name: /count\/stated/ });
    await opener.click();
    await expect.element(page.getByText('Rnd 1: 6 sc in MR (7)')).toBeVisible();
    await expect.element(page.getByText('States 7, makes 6.')).toBeVisible();
    await page.getByRole('button', { name: /count\/missing/ }).click();
    await expect.element(page.getByText('No count.', { exact: true })).toBeVisible();
    await expect.element(opener).toHaveAttribute('aria-expanded', 'false');
    await page.getByRole('button', { name: /count\/missing/ }).click();
    await expect.element(page.getByText('No count.', { exact: true })).not.toBeInTheDocument();
  });

  it('are not left while a setting is on its way', async () => {
    let arrive = () => {};
    listOf({ change: () => new Promise<void>((resolve) => (arrive = resolve)) });
    expect(leave('/')).toBe(true);
    await userEvent.selectOptions(howIs('count/stated'), 'off');
    expect(leave('/')).toBe(false);
    arrive();
    await until(() => expect(leave('/')).toBe(true));
  });
});

it('the rules of one pattern are those of all until they are set', async () => {
  const change = listOf({ everywhere: { 'count/missing': 'off' }, set: { 'count/stated': 'hint' } });
  await expect.element(howIs('count/missing')).toHaveDisplayValue('off, as for all');
  await expect.element(howIs('count/stated')).toHaveValue('hint');
  await userEvent.selectOptions(howIs('count/stated'), 'usual');
  await expect.element(howIs('count/stated')).toHaveDisplayValue('error, as for all');
  expect(change).toHaveBeenCalledExactlyOnceWith({ rule: 'count/stated', severity: null });
});
