import type { Component, ComponentProps } from 'svelte';
import { beforeEach, describe, expect, it } from 'vitest';
import { page } from 'vitest/browser';
import type { Address, AddressStanding } from '../addresses.js';
import { freshStart, refusal, renderInHouse, type MadeUpServer } from '../testing/house.js';
import { invalidate } from '../testing/navigation.js';
import AddressHere from './AddressHere.svelte';
import AddressList from './AddressList.svelte';

let server: MadeUpServer;
beforeEach(async () => {
  server = await freshStart();
  server.answer = () => new Response(null, { status: 204 });
});

const DAY = 86_400_000;
const standing = (more: Partial<AddressStanding> = {}): AddressStanding => ({
  secret: 'some-secret',
  endsAt: Date.now() + DAY,
  withdrawnAt: null,
  usedAt: null,
  at: 1,
  ...more,
});
type Here = ComponentProps<typeof AddressHere>;
const here = (address: AddressStanding | null) =>
  renderInHouse(AddressHere as unknown as Component<Record<keyof Here, unknown>>, {
    address,
    leads: '/letter/',
    of: '/api/patterns/limpet/letters/address',
    anew: ['dostik:queries'],
    none: 'None was made.',
    withdrawn: 'It is withdrawn.',
    code: true,
  });

describe('an address', () => {
  it('is shown with how long it holds, and withdrawn', async () => {
    await here(standing());
    await expect.element(page.getByText(`${location.origin}/letter/some-secret`)).toBeVisible();
    await expect.element(page.getByText(/nobody has come by it yet/)).toBeVisible();
    await page.getByRole('button', { name: 'Withdraw' }).click();
    await expect.element(page.getByText('It is withdrawn.')).toBeVisible();
    expect(server.asked).toEqual([{ method: 'DELETE', path: '/api/patterns/limpet/letters/address', body: null }]);
    expect(invalidate).toHaveBeenCalledWith('dostik:queries');
  });

  it.each([
    ['none was made', null, 'None was made.'],
    ['it was withdrawn', standing({ withdrawnAt: 5 }), 'it leads nowhere any more'],
    ['its time is over', standing({ endsAt: 5 }), 'The address held until 1 January 1970.'],
  ])('is made where %s', async (_, address, words) => {
    await here(address);
    await expect.element(page.getByText(words, { exact: false })).toBeVisible();
    expect(page.getByText(/some-secret/).elements()).toHaveLength(0);
    await page.getByRole('button', { name: 'Make an address' }).click();
    await expect.element(page.getByText(/There is a new address/)).toBeVisible();
    expect(server.asked.at(-1)?.method).toBe('POST');
  });

  it('whose secret can’t be made again can be withdrawn or replaced all the same', async () => {
    await here(standing({ secret: null }));
    await expect.element(page.getByText(/it was made with another key/)).toBeVisible();
    expect(page.getByRole('button', { name: 'Copy' }).elements()).toHaveLength(0);
    server.answer = () => refusal('The disk is full.');
    await page.getByRole('button', { name: 'Make another' }).click();
    await expect.element(page.getByText('The disk is full.')).toBeVisible();
  });
});

describe('the addresses that are out', () => {
  const one = (mark: string, more: Partial<Address> = {}): Address => ({
    mark,
    purpose: 'letter',
    who: 'Jonne',
    pattern: 'Limpet',
    call: null,
    endsAt: Date.now() + DAY,
    withdrawnAt: null,
    usedAt: null,
    at: 1,
    ...more,
  });
  const list = (addresses: readonly Address[]) =>
    renderInHouse(AddressList as Component<{ addresses: readonly Address[] }>, { addresses });

  it('say what each is for, and are withdrawn one by one', async () => {
    await list([
      one('a'),
      one('b', { purpose: 'bench', who: '', call: 2, usedAt: Date.now() }),
      one('c', { purpose: 'join', who: 'Ines', pattern: '' }),
      one('d', { withdrawnAt: 5 }),
    ]);
    await expect.element(page.getByRole('rowheader', { name: 'The letter on Limpet, for Jonne' })).toBeVisible();
    await expect.element(page.getByRole('rowheader', { name: 'Ines sets a password' })).toBeVisible();
    await page.getByRole('button', { name: 'Withdraw Test 2 of Limpet' }).click();
    await expect.element(page.getByText('“Test 2 of Limpet” leads nowhere any more.')).toBeVisible();
    expect(server.asked).toEqual([{ method: 'DELETE', path: '/api/addresses/b', body: null }]);
    await page.getByText('1 that lead nowhere any more').click();
    await expect.element(page.getByText('withdrawn 1 Jan 1970')).toBeVisible();
  });

  it('say that there are none', async () => {
    await list([]);
    await expect.element(page.getByText('None is out.')).toBeVisible();
  });
});
