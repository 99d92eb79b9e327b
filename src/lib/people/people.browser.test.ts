import type { Component } from 'svelte';
import { beforeEach, describe, expect, it } from 'vitest';
import { page } from 'vitest/browser';
import KeepsNot from '../components/KeepsNot.svelte';
import type { Done } from '../deeds.js';
import { keeps } from '../keeps.svelte.js';
import { freshStart, refusal, renderInHouse, type MadeUpServer } from '../testing/house.js';
import { invalidateAll } from '../testing/navigation.js';
import DeedList from './DeedList.svelte';
import Passkeys from './Passkeys.svelte';
import { until } from '../testing/until.js';

type Given = Record<string, unknown>;
let server: MadeUpServer;
beforeEach(async () => {
  server = await freshStart();
  keeps.can();
});

const NOON = Date.UTC(2026, 4, 6, 12);
const done = (id: number, more: Partial<Done>): Done => ({
  id,
  deed: 'PUT /api/patterns/[id]',
  who: 'Una',
  role: 'owner',
  about: 'Tug',
  pattern: 'tug',
  place: '10.0.0.7',
  refused: false,
  times: 1,
  first: NOON,
  at: NOON,
  ...more,
});

describe('what was done', () => {
  it('stands day by day: who, what with which pattern, how often and until when, and what was refused', async () => {
    const list = [
      done(3, { first: NOON - 600_000, times: 4 }),
      done(2, { deed: 'POST /api/people', about: 'Ines, editor', pattern: null }),
      done(1, {
        deed: 'POST /api/session',
        who: '',
        role: null,
        about: 'una@example.org',
        pattern: null,
        refused: true,
        at: NOON - 86_400_000,
      }),
    ];
    renderInHouse(DeedList as unknown as Component<Given>, { done: list });
    await expect.element(page.getByRole('region').nth(1)).toBeVisible();
    expect(page.getByRole('region').elements()).toHaveLength(2);
    await expect
      .element(page.getByRole('row').first())
      .toHaveTextContent(/\d\d:50–\d\d:00\s*Una\s*wrote in Tug, 4 times/);
    await expect.element(page.getByRole('link', { name: 'Tug' })).toHaveAttribute('href', '/history/tug');
    await expect.element(page.getByText('asked in Ines, editor')).toBeVisible();
    await expect
      .element(page.getByRole('row').last())
      .toHaveTextContent(/Somebody\s*signed in una@example.org: refused/);
  });
});

describe('passkeys', () => {
  it('are taken out by name; where the server is asked for by an address, there can be none', async () => {
    const passkeys = [{ id: 'k1', name: 'Laptop', at: NOON }];
    renderInHouse(Passkeys as unknown as Component<Given>, { passkeys });
    await expect.element(page.getByText('There can be none here', { exact: false })).toBeVisible();
    server.answer = () => refusal('There is no such key any more.', 404);
    await page.getByRole('button', { name: 'Take out Laptop' }).click();
    await expect.element(page.getByText('There is no such key any more.')).toBeVisible();
    server.answer = () => new Response(null, { status: 204 });
    await page.getByRole('button', { name: 'Take out Laptop' }).click();
    await expect.element(page.getByText('“Laptop” signs nobody in any more.')).toBeVisible();
    expect(server.asked.at(-1)).toMatchObject({ method: 'DELETE', path: '/api/account/passkeys/k1' });
    expect(invalidateAll).toHaveBeenCalled();
  });
});

describe('a server that can keep nothing', () => {
  it('is said with what to do, and asked again by a key, until it can', async () => {
    renderInHouse(KeepsNot as unknown as Component<Given>, {});
    await expect.element(page.getByRole('alert')).not.toBeInTheDocument();
    keeps.cannot('The disk is full. Make room, then save again.');
    await expect
      .element(page.getByRole('alert'))
      .toHaveTextContent(/Nothing can be kept at present.\s*The disk is full. Make room/);
    server.answer = () => refusal('The file is read-only.');
    await page.getByRole('button', { name: 'Try now' }).click();
    await expect.element(page.getByRole('alert')).toHaveTextContent('The file is read-only.');
    server.answer = () => Response.json({ ok: true });
    await page.getByRole('button', { name: 'Try now' }).click();
    await expect.element(page.getByRole('alert')).not.toBeInTheDocument();
    await until(() => expect(server.asked.map(({ path }) => path)).toEqual(['/healthz', '/healthz']));
  });
});
