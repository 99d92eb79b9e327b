import type { Component, ComponentProps } from 'svelte';
import { beforeEach, describe, expect, it } from 'vitest';
import { page, userEvent } from 'vitest/browser';
import { styleTraits } from '../core/index.js';
import type { ShelfEntry, Summary } from '../lib/patterns.js';
import { USUAL, type Look } from '../lib/shelf/arranging.js';
import type { ShelfFirst } from '../lib/shelf/page.js';
import { freshStart, refusal, renderInHouse, type MadeUpServer } from '../lib/testing/house.js';
import { goto, invalidate, leave } from '../lib/testing/navigation.js';
import { page as pageState } from '../lib/testing/state.svelte.js';
import ErrorPage from './+error.svelte';
import Shelf from './+page.svelte';
import Away from './away/+page.svelte';
import Card from './card/+page.svelte';
import Style from './style/+page.svelte';
import { until } from '../lib/testing/until.js';

type Page<Data> = Component<{ data: Data }>;
let server: MadeUpServer;

beforeEach(async () => {
  server = await freshStart();
  pageState.url.href = 'http://dostik.test/';
});

const SUMMARY: Summary = {
  parts: 2,
  rounds: 4,
  agree: 3,
  off: 1,
  unclear: 0,
  errors: 1,
  warnings: 2,
  terms: 'us',
  ticked: 1,
  tally: 'aaao',
};

function entry(name: string, more: Partial<ShelfEntry> = {}): ShelfEntry {
  const at = Date.UTC(2026, 4, 6);
  return {
    id: name.toLowerCase().replaceAll(' ', '-'),
    name,
    createdAt: at,
    updatedAt: at,
    revision: 2,
    terms: 'auto',
    edition: null,
    asked: null,
    summary: SUMMARY,
    state: 'counted',
    ...more,
  };
}

describe('the shelf', () => {
  const calm = { ...SUMMARY, agree: 4, off: 0, errors: 0, warnings: 0, ticked: 4, tally: 'aaaa' };
  const SEAL = entry('Seal');
  const OWL = entry('Owl', { summary: calm });
  const NEWT = entry('Newt', { revision: 1, summary: { ...SUMMARY, terms: 'uk', ticked: 0, parts: 1 } });

  const shelfOf = (entries: readonly ShelfEntry[], away = 0, look: Partial<Look> = {}, late = 0) => {
    const kinds = { new: 1, hand: 1, mend: 2, ask: 0, out: 0, answered: 0, ticked: 1, editions: 0 };
    const tally = { all: entries.length, ...kinds };
    const counting = entries.filter(({ state }) => state === 'counting').length;
    const due = { late, today: 0 };
    const data: ShelfFirst = {
      entries,
      total: entries.length,
      look: { ...USUAL, ...look },
      tally,
      counting,
      away,
      due,
    };
    return renderInHouse(Shelf as unknown as Page<unknown>, { data });
  };
  const row = (name: string) => page.getByRole('listitem').filter({ hasText: name });

  it('tells of each pattern how far it is', async () => {
    shelfOf([SEAL, OWL, NEWT]);
    await expect.element(row('Seal')).toHaveTextContent(/US terms · 2 parts · changed/);
    await expect.element(row('Seal')).toHaveTextContent('3 of 4 rounds come out, 1 ticked');
    await expect.element(row('Seal')).toHaveTextContent(/1 error\s*2 warnings/);
    await expect.element(row('Owl')).toHaveTextContent('4 of 4 rounds come out, all ticked');
    await expect.element(row('Owl')).toHaveTextContent('nothing open');
    await expect.element(row('Newt')).toHaveTextContent(/UK terms · 1 part · taken in/);
  });

  it.each<[string, Partial<ShelfEntry>, string]>([
    ['is being counted', { state: 'counting', summary: null }, 'Being counted…'],
    ['is too much', { state: 'too-much', summary: null }, 'Too much to be counted at once'],
    ['could not be read', { state: 'unreadable', summary: null }, 'This entry could not be read.'],
    ['has no rounds', { summary: { ...SUMMARY, rounds: 0, agree: 0, tally: '' } }, 'no rounds found'],
    ['is an edition', { edition: 'uk' }, 'UK edition'],
    ['is in terms that were settled', { terms: 'uk' }, 'UK terms'],
    ['is in mixed terms', { summary: { ...SUMMARY, terms: 'mixed' } }, 'mixed terms'],
  ])('says where a pattern %s', async (_, more, said) => {
    shelfOf([entry('Seal', more)]);
    await expect.element(row('Seal')).toHaveTextContent(said);
  });

  it('says what has to be reached next, and how much of the plan is late', async () => {
    const next = { id: 'Seal', stage: 'checked' as const, due: '2026-05-04', late: 3, slips: 2 };
    shelfOf([entry('Seal', { next }), entry('Owl', { next: { ...next, late: 0, slips: 0 } })], 0, {}, 1);
    await expect.element(row('Seal')).toHaveTextContent('checked 3 days late, comes out 2 days late');
    await expect.element(row('Owl')).toHaveTextContent('checked by 4 May');
    await expect
      .element(page.getByRole('link', { name: 'On the plan: 1 pattern late' }))
      .toHaveAttribute('href', '/plan');
  });

  it('is looked through by state, terms, order and words, and that stands in the address', async () => {
    shelfOf([SEAL, OWL, NEWT]);
    const wentTo = (address: string) => until(() => expect(goto.mock.lastCall?.[0]).toBe(address));
    await page.getByRole('button', { name: /^Not begun 1/ }).click();
    await wentTo('/?show=new');
    await userEvent.selectOptions(page.getByRole('combobox', { name: 'Terms' }), 'uk');
    await userEvent.selectOptions(page.getByRole('combobox', { name: 'Order' }), 'name');
    await wentTo('/?show=new&terms=uk&sort=name');
    await userEvent.keyboard('/');
    await userEvent.keyboard('walrus');
    await wentTo('/?words=walrus&show=new&terms=uk&sort=name');
  });

  it('says where nothing is like that, and shows all again', async () => {
    const { rerender } = shelfOf([SEAL]);
    const none = {
      entries: [],
      total: 0,
      look: { ...USUAL, words: 'walrus' },
      counting: 0,
      away: 0,
      due: { late: 0, today: 0 },
    };
    const tally = { all: 3, new: 1, hand: 1, mend: 2, ask: 0, out: 0, answered: 0, ticked: 1, editions: 0 };
    await rerender({ given: { data: { ...none, tally } } });
    await expect.element(page.getByText('Nothing on the shelf is like that, and has “walrus” in it.')).toBeVisible();
    await page.getByRole('button', { name: 'Show all 3' }).click();
    await until(() => expect(goto.mock.lastCall?.[0]).toBe('/'));
  });

  it('shows where a word stands that the name has not, and is as the address says', async () => {
    shelfOf([entry('Seal', { found: 'Chain in Moss, then' })], 0, { words: 'moss', sort: 'name' });
    await expect.element(page.getByRole('searchbox')).toHaveValue('moss');
    await expect.element(page.getByRole('combobox', { name: 'Order' })).toHaveValue('name');
    await expect.element(row('Seal').getByText('Moss', { exact: true })).toBeVisible();
  });

  it('is gone through by key, and several are put away at once and brought back', async () => {
    shelfOf([SEAL, OWL, NEWT]);
    await expect.element(row('Seal')).toBeVisible();
    await userEvent.keyboard('jxjx');
    await expect.element(page.getByText('2 of 3 selected')).toBeVisible();
    await userEvent.keyboard('{Delete}');
    await expect.element(page.getByText('2 patterns are off the shelf.')).toBeVisible();
    await page.getByRole('button', { name: 'Put them back' }).click();
    await until(() => expect(server.asked).toHaveLength(2));
    const [gone, back] = server.asked.map(({ body }) => body as { ids: string[]; away: boolean });
    expect(gone).toMatchObject({ away: true });
    expect(back).toEqual({ ids: gone?.ids, away: false });
    expect(gone?.ids).toHaveLength(2);
    expect(invalidate).toHaveBeenCalledWith('dostik:shelf');
  });

  it('has one taken off by its menu, and says why where that did not work', async () => {
    shelfOf([SEAL]);
    server.answer = () => refusal('The disk is full.');
    await page.getByRole('button', { name: 'More for Seal' }).click();
    await page.getByRole('menuitem', { name: 'Take off the shelf' }).click();
    await expect.element(page.getByText('The disk is full. Nothing has been changed; try again.')).toBeVisible();
    server.answer = () => Response.json({});
    await page.getByRole('button', { name: 'More for Seal' }).click();
    await page.getByRole('menuitem', { name: 'Take off the shelf' }).click();
    await expect.element(page.getByText('“Seal” is off the shelf.')).toBeVisible();
  });

  it('that is empty says what to do, and takes a pattern in by key', async () => {
    shelfOf([], 2);
    await expect.element(page.getByRole('heading', { name: 'The shelf is empty.' })).toBeVisible();
    await expect.element(page.getByRole('link', { name: '2 patterns put away' })).toBeVisible();
    await userEvent.keyboard('n');
    await page.getByLabelText('Pattern text').fill('Limpet\nRnd 1: 6 sc in MR (6)');
    server.answer = () => Response.json({ id: 'limpet' });
    await userEvent.keyboard('{Control>}{Enter}{/Control}');
    await until(() => expect(goto).toHaveBeenCalledWith('/intake/limpet'));
    expect(server.asked.at(-1)?.body).toEqual({ text: 'Limpet\nRnd 1: 6 sc in MR (6)', name: '' });
  });

  it('keeps what was pasted where it can’t be taken in, and says why', async () => {
    shelfOf([]);
    await page.getByRole('button', { name: 'Take in a pattern' }).click();
    await page.getByRole('button', { name: 'Take in', exact: true }).click();
    await expect.element(page.getByRole('alert')).toHaveTextContent('There is no text yet.');
    await page.getByLabelText('Pattern text').fill('Limpet');
    await page.getByLabelText('Name').fill('A'.repeat(201));
    await page.getByRole('button', { name: 'Take in', exact: true }).click();
    await expect.element(page.getByRole('alert')).toHaveTextContent('A name has at most 200 characters.');
    await page.getByLabelText('Name').fill('Limpet');
    server.answer = () => refusal('The disk is full.');
    await page.getByRole('button', { name: 'Take in', exact: true }).click();
    await expect.element(page.getByRole('alert')).toHaveTextContent('The disk is full. Your text is still here.');
    await expect.element(page.getByLabelText('Pattern text')).toHaveValue('Limpet');
    expect(goto).not.toHaveBeenCalled();
  });

  it('takes in files that are dropped anywhere, one after the other, and says what came of each', async () => {
    shelfOf([SEAL]);
    await expect.element(row('Seal')).toBeVisible();
    const said = [
      { id: 'whelk', left: ['Heads and feet are left out.'] },
      { known: { id: 'seal', name: 'Seal', at: 0 } },
      { message: 'This is a picture.' },
    ];
    server.answer = () => new Response(`{"share":0.5}\n${JSON.stringify(said.shift())}\n`);
    const transfer = new DataTransfer();
    for (const name of ['whelk.pdf', 'seal.docx', 'cat.png']) transfer.items.add(new File(['x'], name));
    window.dispatchEvent(new DragEvent('drop', { dataTransfer: transfer, bubbles: true, cancelable: true }));
    const list = page.getByRole('region', { name: 'Taking in' });
    await expect.element(list).toHaveTextContent('1 pattern taken in, 1 known, 1 not taken in');
    await expect.element(list).toHaveTextContent('Heads and feet are left out.');
    await expect.element(list).toHaveTextContent('On the shelf already, as “Seal”.');
    await expect.element(list).toHaveTextContent('This is a picture.');
    expect(server.asked.map(({ path }) => path)).toEqual([
      '/api/documents?file=whelk.pdf',
      '/api/documents?file=seal.docx',
      '/api/documents?file=cat.png',
    ]);
    // What is known is taken in again where a person says so.
    server.answer = () => Response.json({ id: 'again', left: [] });
    await list.getByRole('button', { name: 'Take in again' }).click();
    await until(() => expect(server.asked.at(-1)?.path).toBe('/api/documents?file=seal.docx&again=yes'));
    await expect.element(list).toHaveTextContent('2 patterns taken in, 1 not taken in');
    await list.getByRole('button', { name: 'Close the list' }).click();
    await expect.element(list).not.toBeInTheDocument();
  });

  it('opens a file that is dropped alone as soon as it is taken in', async () => {
    shelfOf([SEAL]);
    await expect.element(row('Seal')).toBeVisible();
    server.answer = () => Response.json({ id: 'whelk', left: [] });
    const transfer = new DataTransfer();
    transfer.items.add(new File(['Whelk'], 'whelk.txt'));
    window.dispatchEvent(new DragEvent('drop', { dataTransfer: transfer, bubbles: true, cancelable: true }));
    await until(() => expect(goto).toHaveBeenCalledWith('/intake/whelk'));
  });
});

describe('what was put away', () => {
  const AWAY = [
    { id: 'a', name: 'Moth', at: Date.UTC(2026, 1, 1) },
    { id: 'b', name: 'Gnat', at: Date.UTC(2026, 1, 2) },
  ];
  const awayOf = (away: typeof AWAY) => renderInHouse(Away as unknown as Page<unknown>, { data: { away } });

  it('is brought back one by one', async () => {
    awayOf(AWAY);
    await page.getByRole('listitem').filter({ hasText: 'Gnat' }).getByRole('button', { name: 'Put it back' }).click();
    await expect.element(page.getByText('It is on the shelf again.')).toBeVisible();
    expect(server.asked).toEqual([{ method: 'PUT', path: '/api/shelf', body: { ids: ['b'], away: false } }]);
    expect(invalidate).toHaveBeenCalledWith('dostik:away');
  });

  it('is brought back all at once, by key', async () => {
    awayOf(AWAY);
    await expect.element(page.getByText('Moth')).toBeVisible();
    await userEvent.keyboard('ab');
    await expect.element(page.getByText('2 patterns are on the shelf again.')).toBeVisible();
  });

  it('is searched by name, and gone through by key', async () => {
    awayOf(AWAY);
    await userEvent.keyboard('j');
    await expect.element(page.getByRole('checkbox', { name: 'Select Moth' })).toHaveFocus();
    await userEvent.keyboard('/');
    await userEvent.keyboard('gn');
    await expect.element(page.getByText('Moth')).not.toBeInTheDocument();
    await userEvent.keyboard('arl');
    await expect.element(page.getByText('None of them is called “gnarl”.')).toBeVisible();
  });

  it('stays where it is when it can’t be brought back', async () => {
    server.answer = () => refusal('The server rests.');
    awayOf(AWAY);
    await page.getByRole('button', { name: 'Put it back' }).first().click();
    await expect.element(page.getByText('The server rests. Nothing has been changed; try again.')).toBeVisible();
  });

  it('is nothing yet', async () => {
    awayOf([]);
    await expect.element(page.getByText(/Nothing is put away/)).toBeVisible();
    await expect.element(page.getByRole('searchbox')).not.toBeInTheDocument();
  });
});

describe('the reference card', () => {
  it('finds a term by any of its names, a hook by its size, a yarn by its weight', async () => {
    renderInHouse(Card as Component<Record<string, never>>, {});
    const field = page.getByRole('searchbox');
    await field.fill('htr');
    await expect
      .element(page.getByRole('row', { name: /half double crochet hdc half treble crochet htr/ }))
      .toBeVisible();
    await expect.element(page.getByRole('heading', { name: 'Hooks' })).not.toBeInTheDocument();
    await field.fill('3.50');
    await expect.element(page.getByRole('row', { name: /3\.50 E\/4 9/ })).toBeVisible();
    await field.fill('fingering');
    await expect.element(page.getByRole('heading', { name: 'Yarn weights' })).toBeVisible();
    await field.fill('dragon');
    await expect.element(page.getByText('Nothing on the card has “dragon” in it.')).toBeVisible();
  });
});

describe('the house style', () => {
  type Data = ComponentProps<typeof Style>['data'];
  const DATA = {
    style: { count: 'round' },
    traits: styleTraits(),
    patterns: [{ id: 'seal', name: 'Seal' }],
    model: null,
    tooMuch: null,
  } as unknown as Data;
  const styleOf = (data: Partial<Data> = {}) =>
    renderInHouse(Style as unknown as Page<unknown>, { data: { ...DATA, ...data } });

  it('is set trait by trait and left to the designer again', async () => {
    styleOf();
    const counts = page.getByRole('radiogroup', { name: 'How the count stands' });
    await counts.getByText('[18]').click();
    await until(() => expect(server.asked).toHaveLength(1));
    const [first] = server.asked;
    expect(first).toMatchObject({ method: 'PUT', path: '/api/style' });
    expect(Object.keys(first?.body as object)).toEqual(['count']);
    await counts.getByText('left to the designer').click();
    await until(() => expect(server.asked.at(-1)?.body).toEqual({}));
  });

  it('is not left before it is kept, and is as it was where it could not be', async () => {
    let refuse = () => {};
    server.answer = () => new Promise((resolve) => (refuse = () => resolve(refusal('The server rests.'))));
    styleOf();
    const kept = () => document.querySelector('main')?.dataset['style'];
    const before = kept();
    await page.getByRole('radiogroup', { name: 'The word for a round' }).getByText('Round 5:').click();
    expect(kept()).not.toBe(before);
    expect(leave('/')).toBe(false);
    refuse();
    await expect.element(page.getByText('The server rests. Nothing has been changed; try again.')).toBeVisible();
    expect(kept()).toBe(before);
  });

  it('is learnt from a pattern, with how often it writes each, and put back', async () => {
    styleOf({
      model: { id: 'seal', name: 'Seal', learnt: { label: 'Rnd' }, count: { label: { Rnd: 31 } } },
    });
    await expect.element(page.getByText('The figures tell how often “Seal” writes each.')).toBeVisible();
    await page.getByRole('button', { name: 'Take over all' }).click();
    await expect.element(page.getByText('The house style is set.')).toBeVisible();
    await page.getByRole('button', { name: 'Put it back' }).click();
    await until(() =>
      expect(server.asked.map(({ body }) => body)).toEqual([{ count: 'round', label: 'Rnd' }, { count: 'round' }]),
    );
  });

  it('stays as it was where the server does not answer at all', async () => {
    server.answer = () => Promise.reject(new TypeError('Failed to fetch'));
    styleOf({
      style: {},
      model: { id: 'seal', name: 'Seal', learnt: { word: 'Rnd' }, count: { word: { Rnd: 31 } } },
    });
    await page.getByRole('button', { name: 'Take over all' }).click();
    await expect
      .element(page.getByText('The server does not answer. Nothing has been changed; try again.'))
      .toBeVisible();
    await expect.element(page.getByText('The house style is set.')).not.toBeInTheDocument();
    await expect.element(page.getByRole('radio', { name: 'left to the designer' }).first()).toBeChecked();
  });

  it('says of a pattern that is too much that another is to be chosen', async () => {
    styleOf({ tooMuch: 'Cathedral' } as Partial<Data>);
    await expect.element(page.getByRole('alert')).toHaveTextContent('“Cathedral” is too much to be read at once.');
    await userEvent.selectOptions(page.getByRole('combobox', { name: 'Learn it from' }), 'seal');
    expect(goto).toHaveBeenCalledWith('/style?from=seal', { keepFocus: true });
  });
});

describe('an error', () => {
  it.each([
    [404, 'Not here', 'What was put away'],
    [500, 'This did not work', 'Try again'],
  ])('%s says what it is, and leads on', async (status, title, link) => {
    Object.assign(pageState, { status, error: { message: 'No pattern of that name.' } });
    renderInHouse(ErrorPage as Component<Record<string, never>>, {});
    await expect.element(page.getByRole('heading', { name: title })).toBeVisible();
    await expect.element(page.getByText('No pattern of that name.')).toBeVisible();
    await expect.element(page.getByRole('link', { name: link })).toBeVisible();
  });
});
