import type { Component, ComponentProps } from 'svelte';
import { beforeEach, describe, expect, it } from 'vitest';
import { page, userEvent } from 'vitest/browser';
import { courseOfText, NO_HAND, Progress, NO_SETTINGS, sideBySide, type Step, type What } from '../../core/index.js';
import { NOTHING_WANTED, type Call, type Results } from '../bench.js';
import { queryOn } from '../queries/testing.js';
import { freshStart, refusal, renderInHouse, type MadeUpServer } from '../testing/house.js';
import { justCome } from '../testing/standing.js';
import TestsDesk from './TestsDesk.svelte';

type Props = ComponentProps<typeof TestsDesk>;
const TEXT = `LIMPET
US terms
Yarn: 50 g of moss

BODY
Rnd 1: 6 sc in MR (6)
Rnd 2: inc x 6 (12)
Rnd 3: (sc 1, inc) x 6 (18)
Rnds 4-60: sc around (18)
`;
const course = courseOfText(TEXT, 'Limpet');
let server: MadeUpServer;

beforeEach(async () => {
  server = await freshStart();
});

const at = (ring: number) => ({ part: 0, copy: 0, ring });
const stepsOf = (...whats: What[]): Step[] =>
  whats.map((what, i) => ({
    id: `step-${String(i).padStart(4, '0')}`,
    device: 'phone-0001',
    order: i + 1,
    at: i,
    spent: 60_000,
    what,
  }));
const done = (ring: number, counted: number | null = null): What => ({ kind: 'round', spot: at(ring), counted });
const note = (ring: number, words: string): What => ({
  kind: 'note',
  spot: at(ring),
  note: 'unclear',
  words,
  photographs: ['photo-0001'],
});
const weigh = (when: 'before' | 'after', grams: number): What => ({
  kind: 'weigh',
  yarn: course.yarns[0] ?? '',
  when,
  grams,
});

const AUNE = stepsOf(
  weigh('before', 50),
  done(0),
  done(1, 13),
  note(2, 'Which one?'),
  done(2),
  done(3),
  weigh('after', 20),
  { kind: 'finished', words: 'Quick.' },
);
const MIRRE = stepsOf(done(0), note(2, '=2+2'), done(1));

function resultsOf(people: readonly { readonly name: string; readonly steps: readonly Step[] }[]): Results {
  return {
    number: 1,
    course,
    wanted: NOTHING_WANTED,
    all: sideBySide(
      course,
      people.map(({ name, steps }) => ({ name, progress: new Progress(course, steps) })),
    ),
    photographs: people.map((_, i) => (i === 0 ? [{ name: 'photo-0001', width: 4, height: 3 }] : [])),
  };
}

const CALL: Call = {
  number: 1,
  wanted: NOTHING_WANTED,
  revision: 1,
  testers: 2,
  address: { secret: 'a-secret-address', endsAt: Date.now() + 86_400_000, withdrawnAt: null, usedAt: null, at: 1 },
  at: 1,
};

/** The Tests of a pattern, with what the server gives for them. */
async function tests(results: Results | null, more: Partial<Props> = {}): Promise<void> {
  server.answer = ({ path, method }) => {
    if (path.endsWith('/results')) return results ? Response.json(results) : refusal('The disk is away.');
    return method === 'GET'
      ? refusal('Nothing is there.', 404)
      : Response.json(queryOn(TEXT, 7, 'Rnd 3: (sc 1, inc) x 6 (18)'));
  };
  renderInHouse(TestsDesk as Component<Props>, {
    pattern: { id: 'limpet', name: 'Limpet', text: TEXT, revision: 1, terms: 'auto' as const, hand: NO_HAND },
    calls: [CALL],
    settings: NO_SETTINGS,
    alone: true,
    standing: justCome('limpet', 'Limpet'),
    ...more,
  });
  await expect.element(page.getByRole('main')).toBeVisible();
}
const both = () =>
  resultsOf([
    { name: 'Aune', steps: AUNE },
    { name: 'Mirre', steps: MIRRE },
  ]);
const button = (name: string | RegExp) => page.getByRole('button', { name });
const rows = () => page.getByRole('rowheader').elements();

describe('testers side by side', () => {
  it('begin with the round where both stumbled, and are walked by keys to a query', async () => {
    await tests(both());
    await expect.element(page.getByText('2 testers, 60 rounds; 1 where several stumbled')).toBeVisible();
    expect(rows()[0]?.textContent).toContain('Rnd 3');
    await userEvent.keyboard('{Alt>}{ArrowDown}{/Alt}');
    await expect.element(page.getByRole('heading', { name: 'BODY, Rnd 3', exact: false })).toBeVisible();
    await expect.element(page.getByText('Which one?')).toBeVisible();
    await expect.element(page.getByAltText('By Aune, 1')).toBeInTheDocument();
    // Mirre’s has not come yet: nothing is shown in its place.
    expect(page.getByAltText('By Mirre, 1').elements()).toHaveLength(0);
    await userEvent.keyboard('{Alt>}q{/Alt}');
    await expect.element(page.getByText('Query 7 is made.')).toBeVisible();
    expect(server.asked.find(({ path }) => path === '/api/patterns/limpet/queries')?.body).toMatchObject({
      ref: 'test-1-0-2',
      scope: 'round',
      round: 'Rnd 3',
      text: expect.stringContaining('Aune: unclear, “Which one?”.') as string,
    });
    await userEvent.keyboard('{Alt>}.{/Alt}');
    await expect.element(page.getByRole('heading', { name: /Rnd 2$/ })).toBeVisible();
    await expect.element(page.getByText('Counted 13.')).toBeVisible();
    await userEvent.keyboard('{Alt>}0{/Alt}');
    await expect.element(page.getByRole('heading', { name: 'The address' })).toBeVisible();
  });

  it('stand in the order of the pattern where that is wanted', async () => {
    await tests(both());
    await page.getByRole('checkbox', { name: 'Those first' }).click();
    expect(rows().map((row) => row.textContent.trim().split(/\s+/).slice(-2).join(' '))).toEqual(
      expect.arrayContaining(['Rnd 1', 'Rnd 2']),
    );
    expect(rows()[0]?.textContent).toContain('Rnd 1');
  });

  it('are drawn as far as they are seen, however many there are, and the chosen round is brought into sight', async () => {
    const many = Array.from({ length: 40 }, (_, i) => ({ name: `Tester ${i}`, steps: MIRRE }));
    await tests(resultsOf(many));
    await expect.element(page.getByRole('columnheader', { name: /Tester 39/ })).toBeInTheDocument();
    expect(rows().length).toBeLessThan(60);
    const table = page.getByRole('region', { name: 'Testers side by side' }).element();
    for (let i = 0; i < 40; i += 1) await userEvent.keyboard('{Alt>}{ArrowDown}{/Alt}');
    const chosen = page.getByRole('button', { pressed: true }).element().getBoundingClientRect();
    const box = table.getBoundingClientRect();
    expect(chosen.bottom).toBeLessThanOrEqual(box.bottom + 1);
    expect(chosen.top).toBeGreaterThan(box.top);
  });

  it('say what could not be fetched', async () => {
    await tests(null);
    await expect.element(page.getByRole('alert')).toHaveTextContent('The disk is away.');
  });
});

describe('the test as a whole', () => {
  it('shows the address, who has finished, and what was weighed', async () => {
    await tests(both());
    await expect.element(page.getByText(/\/bench\/a-secret-address$/)).toBeVisible();
    await expect.element(page.getByText('this machine alone', { exact: false })).toBeVisible();
    await expect.element(page.getByText('1 of 2 finished', { exact: false })).toBeVisible();
    await expect.element(page.getByText('Quick.')).toBeVisible();
    await expect.element(page.getByRole('row', { name: /30\s*by 1/ })).toBeVisible();
  });

  it('is withdrawn, and says so; what has come stays', async () => {
    await tests(both());
    await button('Withdraw').click();
    await expect.element(page.getByText('The test is withdrawn. What has come stays here.')).toBeVisible();
    expect(server.asked.at(-1)).toMatchObject({ method: 'DELETE', path: '/api/patterns/limpet/calls/1/address' });
  });

  it('that was withdrawn shows no address any more', async () => {
    await tests(both(), { calls: [{ ...CALL, address: CALL.address && { ...CALL.address, withdrawnAt: 5 } }] });
    await expect.element(page.getByText('it leads nowhere any more', { exact: false })).toBeVisible();
    expect(page.getByText(/a-secret-address/).elements()).toHaveLength(0);
  });

  it('can’t be saved where it can’t be fetched, and says why', async () => {
    await tests(both());
    await button('Save as .csv').click();
    await expect.element(page.getByText('Nothing is there.')).toBeVisible();
  });
});

describe('asking for a test', () => {
  it('is where one begins; what was typed stays where it fails', async () => {
    await tests(null, { calls: [] });
    await expect.element(page.getByRole('heading', { name: 'Nobody has tested this yet' })).toBeVisible();
    await userEvent.fill(page.getByLabelText('Yarn', { exact: true }), 'Moss, any weight');
    server.answer = () => refusal('There is no round in it.', 422);
    await button('Freeze the draft and make the address').click();
    await expect.element(page.getByRole('alert')).toHaveTextContent('There is no round in it.');
    await expect.element(page.getByLabelText('Yarn', { exact: true })).toHaveValue('Moss, any weight');
    expect(server.asked.at(-1)?.body).toMatchObject({
      yarn: 'Moss, any weight',
      smallParts: expect.stringContaining('child under three') as string,
    });
  });

  it('is left again without asking', async () => {
    await tests(both());
    await button('Ask again').click();
    await expect.element(page.getByRole('heading', { name: 'Ask for another test' })).toBeVisible();
    await button('Back').click();
    await expect.element(page.getByRole('region', { name: 'Testers side by side' })).toBeVisible();
    expect(server.asked.every(({ method }) => method === 'GET')).toBe(true);
  });
});
