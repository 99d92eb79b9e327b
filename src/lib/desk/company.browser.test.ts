import type { Component, ComponentProps } from 'svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { page } from 'vitest/browser';
import { NO_HAND } from '../../core/index.js';
import { freshStart, renderInHouse } from '../testing/house.js';
import Clashes from './Clashes.svelte';
import { Company } from './company.svelte.js';
import { threeWay } from './merging.js';

beforeEach(async () => {
  await freshStart();
});
afterEach(() => vi.useRealTimers());

const BASE = 'BALL\nUS terms\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc around (12)\n';
const PATTERN = { id: 'ball', name: 'Ball', text: BASE, revision: 1, terms: 'auto' as const, hand: NO_HAND };
type Props = ComponentProps<typeof Clashes>;

describe('a round that two have changed', () => {
  const show = (more: Partial<Props> = {}) => {
    const settle = vi.fn<Props['settle']>();
    const mine = BASE.replace('inc x 6 (12)', 'inc x 5 (10)').replace('around (12)', 'around');
    const theirs = BASE.replace('inc x 6 (12)', '2 sc in each (12)').replace('around (12)', 'in each st');
    const others = [{ who: 'Ines', at: '' }];
    const props: Props = { pieces: threeWay(BASE, mine, theirs), pattern: PATTERN, others, settle, ...more };
    renderInHouse(Clashes as unknown as Component<Record<keyof Props, unknown>>, props);
    return settle;
  };

  it('is shown in both wordings, with both sums, and each is settled for itself', async () => {
    const settle = show();
    const alert = page.getByRole('alert', { name: 'Changed here and there' });
    await expect.element(alert.getByText('Rnd 2: inc x 5 (10)')).toBeVisible();
    await expect.element(alert.getByText('Rnd 2: 2 sc in each (12)')).toBeVisible();
    await expect.element(alert.getByText('5/6 → 10 (+4)', { exact: false })).toBeVisible();
    await expect.element(alert.getByText('6/6 → 12 (+6)', { exact: false })).toBeVisible();
    await expect.element(alert.getByText('Ines has changed this too, in line 4.', { exact: false })).toBeVisible();
    await page.getByRole('button', { name: 'Take what Ines wrote' }).nth(1).click();
    await page.getByRole('button', { name: 'Keep what stands here' }).first().click();
    expect(settle.mock.calls).toEqual([
      [1, 'theirs'],
      [0, 'mine'],
    ]);
  });

  it('names nobody where it may have been one of several', async () => {
    show({
      others: [
        { who: 'Ines', at: '' },
        { who: 'Mirre', at: '' },
      ],
    });
    await expect.element(page.getByText(/This was changed in another window too/).first()).toBeVisible();
    await expect.element(page.getByRole('button', { name: 'Take what stands there' }).first()).toBeVisible();
  });
});

describe('who else is there', () => {
  it('is asked again and again, and what was saved told; a server that is gone leaves nobody', async () => {
    vi.useFakeTimers();
    let fails = false;
    const say = vi.fn((_id: string, _at: string) =>
      fails
        ? Promise.reject(new Error('down'))
        : Promise.resolve({ revision: 7, others: [{ who: 'Ines', at: 'Rnd 2' }] }),
    );
    const company = new Company(say);
    const saved = vi.fn();
    company.begin('ball', () => 'Rnd 3, Ball', saved);
    await vi.advanceTimersByTimeAsync(10);
    expect(say).toHaveBeenCalledWith('ball', 'Rnd 3, Ball');
    expect([company.others, saved.mock.calls]).toEqual([[{ who: 'Ines', at: 'Rnd 2' }], [[7]]]);
    fails = true;
    await vi.advanceTimersByTimeAsync(4100);
    expect([company.others, say.mock.calls.length]).toEqual([[], 2]);
    company.end();
    await vi.advanceTimersByTimeAsync(20_000);
    expect(say).toHaveBeenCalledTimes(2);
  });
});
