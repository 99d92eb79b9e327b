import type { Component, ComponentProps } from 'svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { page, userEvent } from 'vitest/browser';
import { NO_HAND } from '../../core/index.js';
import { freshStart, refusal, renderInHouse, type MadeUpServer } from '../testing/house.js';
import { goto } from '../testing/navigation.js';
import { justCome } from '../testing/standing.js';
import Desk from './Desk.svelte';
import HouseStyleReview from './HouseStyleReview.svelte';
import { keep } from './kept.js';
import { until } from '../testing/until.js';

type Props = ComponentProps<typeof Desk>;
const LIMPET =
  'Limpet\n\nMaterials\nCotton: Sand 20 g\n\nSHELL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (19)\n' +
  'Fasten off.\n\nFOOT (make 2)\nRnd 1: 5 sc in MR (5)\nRnd 2: inc x 5 (10)\nFasten off.\n';
let server: MadeUpServer;
let number = 0;

beforeEach(async () => {
  server = await freshStart();
  server.answer = ({ method, path }) =>
    method === 'PUT' && /\/patterns\/[^/]+$/.test(path)
      ? Response.json({ revision: 2 })
      : Response.json({ text: null });
});

/** The Desk on a text, counted; each test has a pattern of its own. */
async function deskAt({ text = LIMPET, style = {} as Props['style'] } = {}): Promise<string> {
  const id = `limpet-${(number += 1)}`;
  const pattern = { id, name: 'Limpet', text, revision: 1, terms: 'auto' as const, hand: NO_HAND };
  const standing = justCome(id, 'Limpet');
  const stored = { ticks: [], dismissals: [], rules: {} };
  renderInHouse(Desk as Component<Props>, { pattern, stored, queries: [], style, standing });
  // The Desk stands where there is something to mend, and the fixes for it have come.
  await expect.element(page.getByRole('button', { name: /State 18 instead of 19/ }).first()).toBeVisible();
  await expect.element(heading(/Rnd 3/)).toBeVisible();
  return id;
}

const heading = (name: string | RegExp) => page.getByRole('heading', { name, level: 2 });
const alt = (...keys: readonly string[]) => userEvent.keyboard(keys.map((key) => `{Alt>}${key}{/Alt}`).join(''));
const sent = (path: RegExp) => server.asked.filter((asked) => path.test(asked.path));

describe('the Desk', () => {
  it('opens at the first thing to mend, which one key mends, and that is saved', async () => {
    const id = await deskAt();
    await expect.element(page.getByRole('link', { name: /Desk.*1 off/ })).toBeVisible();
    await alt('1');
    await expect.element(page.getByRole('link', { name: /Desk.*1 warning/ })).toBeVisible();
    const saves = () => server.asked.filter(({ method, path }) => method === 'PUT' && path === `/api/patterns/${id}`);
    await until(() =>
      expect(saves().map(({ body }) => body)).toEqual([{ base: 1, text: LIMPET.replace('(19)', '(18)') }]),
    );
    await expect.element(page.getByText('Saved', { exact: true })).toBeVisible();
  });

  it('is gone through by key: rounds, parts, findings, and a tick that goes on to the next', async () => {
    await deskAt();
    await alt('{ArrowUp}');
    await expect.element(heading(/Rnd 2/)).toBeVisible();
    await alt('{PageDown}');
    await expect.element(heading('Foot')).toBeVisible();
    await alt('{ArrowDown}');
    await expect.element(heading(/Rnd 1.*Foot/)).toBeVisible();
    await alt('{Enter}');
    await expect.element(heading(/Rnd 2.*Foot/)).toBeVisible();
    await expect.element(page.getByText('1 of 5 ticked')).toBeVisible();
    await alt(',');
    await expect.element(heading(/Rnd 3/)).toBeVisible();
    expect(sent(/ticks$/)).toHaveLength(1);
  });

  it('takes a tick off again that could not be kept, and says so', async () => {
    await deskAt();
    server.answer = () => refusal('The disk is full.');
    await alt('t');
    await expect.element(page.getByText(/The disk is full/)).toBeVisible();
    await expect.element(page.getByText('0 of 5 ticked')).toBeVisible();
  });

  it('goes to a round by its number, and to one of several by the arrows', async () => {
    await deskAt();
    await alt('g');
    const field = page.getByRole('combobox', { name: 'Place, pattern, round or action' });
    await expect.element(field).toHaveFocus();
    await userEvent.keyboard('2');
    await expect
      .element(page.getByRole('option', { name: /Rnd 2, Shell line 8/ }))
      .toHaveAttribute('aria-selected', 'true');
    await userEvent.keyboard('{ArrowDown}{Enter}');
    await expect.element(heading(/Rnd 2.*Foot/)).toBeVisible();
  });

  it('explains a count on the hook where it was asked', async () => {
    await deskAt();
    await alt('h');
    await userEvent.keyboard('17');
    await expect.element(page.getByText('One increase was worked as a single stitch.')).toBeVisible();
    await page.getByLabelText('On the hook').fill('18');
    await expect.element(page.getByText('That is right.')).toBeVisible();
    await page.getByLabelText('On the hook').fill('3');
    await expect.element(page.getByText(/No single slip explains 3/)).toBeVisible();
    await page.getByLabelText('On the hook').fill('many');
    await expect.element(page.getByText(/No single slip/)).not.toBeInTheDocument();
  });

  it('has a finding put aside with a reason, listed with it, and taken up again', async () => {
    await deskAt();
    await alt('0');
    await page.getByRole('button', { name: 'It is meant so' }).click();
    await alt('l');
    await page.getByRole('button', { name: '1 put aside' }).click();
    await expect.element(page.getByText('Put aside: It is meant so')).toBeVisible();
    await page.getByRole('button', { name: 'Take up again' }).click();
    await expect.element(page.getByRole('button', { name: /States 19/ })).toBeVisible();
    expect(sent(/dismissals$/).map(({ body }) => (body as { reason: string | null }).reason)).toEqual([
      'It is meant so',
      null,
    ]);
  });

  it('folds what stands before the rounds, and a part, and opens them again', async () => {
    await deskAt();
    const line = page.getByText('Cotton: Sand 20 g');
    await expect.element(line).toBeVisible();
    await alt('b');
    await expect.element(line).not.toBeInTheDocument();
    await alt('b');
    await expect.element(line).toBeVisible();
    await alt('f');
    await expect.element(page.getByText('Rnd 2: inc x 6 (12)')).not.toBeInTheDocument();
  });

  it('is renamed, and keeps its name where that did not work', async () => {
    await deskAt();
    await page.getByRole('button', { name: 'More for this pattern' }).click();
    await page.getByRole('menuitem', { name: 'Rename' }).click();
    const field = page.getByLabelText('Name of the pattern');
    await field.fill(' ');
    await page.getByRole('button', { name: 'Rename' }).click();
    await expect.element(page.getByRole('alert')).toHaveTextContent('A pattern needs a name.');
    await field.fill('Whelk');
    await page.getByRole('button', { name: 'Rename' }).click();
    await expect.element(page.getByRole('heading', { name: 'Whelk', level: 1 })).toBeVisible();
    server.answer = () => refusal('The server rests.');
    await page.getByRole('button', { name: 'More for this pattern' }).click();
    await page.getByRole('menuitem', { name: 'Rename' }).click();
    await field.fill('Winkle');
    await page.getByRole('button', { name: 'Rename' }).click();
    await expect.element(page.getByText(/The server rests/)).toBeVisible();
    await expect.element(page.getByRole('heading', { name: 'Whelk', level: 1 })).toBeVisible();
  });

  it('is taken off the shelf from its menu, and put back', async () => {
    const id = await deskAt();
    await page.getByRole('button', { name: 'More for this pattern' }).click();
    await page.getByRole('menuitem', { name: 'Take the pattern off the shelf' }).click();
    await expect.element(page.getByText('It is off the shelf.')).toBeVisible();
    expect(goto).toHaveBeenCalledWith('/');
    await page.getByRole('button', { name: 'Put it back' }).click();
    await until(() => expect(goto).toHaveBeenLastCalledWith(`/desk/${id}`));
    expect(sent(/shelf$/).map(({ body }) => body)).toEqual([
      { ids: [id], away: true },
      { ids: [id], away: false },
    ]);
  });
});

describe('what can’t be saved', () => {
  it('is kept in the browser and said, until it has arrived', async () => {
    await deskAt();
    const before = server.answer;
    server.answer = () => refusal('The disk is full.', 507);
    await alt('1');
    const bar = page.getByRole('alert');
    await expect.element(bar).toHaveTextContent(/Not saved\.\s*The disk is full\.\s*Your text is kept in this browser/);
    server.answer = before;
    await bar.getByRole('button', { name: 'Try now' }).click();
    await expect.element(bar).not.toBeInTheDocument();
    await expect.element(page.getByText('Saved', { exact: true })).toBeVisible();
  });

  /** What stands there by now, which a save meets once. */
  const meets = (id: string, text: string) => {
    const theirs = { id, name: 'Limpet', text, revision: 3, terms: 'auto', hand: NO_HAND };
    let met = false;
    server.answer = ({ method, path }) => {
      if (path.endsWith('/settle')) return refusal('The server rests.');
      if (path.endsWith('/here')) return Response.json({ revision: 1, others: [{ who: 'Ines', at: 'Rnd 3, Shell' }] });
      if (method !== 'PUT' || met) return Response.json({ revision: 4, text: null });
      met = true;
      return Response.json({ current: theirs, kept: false }, { status: 409 });
    };
    return theirs;
  };
  const lastSaved = () =>
    server.asked.filter(({ method, path }) => method === 'PUT' && /\/patterns\//.test(path)).at(-1)?.body;

  it('since others have changed another line, goes together with that', async () => {
    meets(await deskAt(), LIMPET.replace('Sand', 'Moss'));
    await alt('1');
    await expect.element(page.getByText('Cotton: Moss 20 g')).toBeVisible();
    const both = LIMPET.replace('Sand', 'Moss').replace('(19)', '(18)');
    await expect.poll(lastSaved).toEqual({ base: 3, text: both });
    await expect.element(page.getByText('Saved', { exact: true })).toBeVisible();
    await expect.element(page.getByText('with Ines')).toBeVisible();
  });

  it('since others have changed the same round, is laid beside theirs with both sums, until one is chosen', async () => {
    meets(await deskAt(), LIMPET.replace('(sc 1, inc) x 6 (19)', '(sc 1, inc) x 6, sc 1 (19)'));
    await alt('1');
    const clash = page.getByRole('alert', { name: 'Changed here and there' });
    await expect.element(clash.getByText('Rnd 3: (sc 1, inc) x 6 (18)')).toBeVisible();
    await expect.element(clash.getByText(/13\/12 → 19 \(\+7\)/)).toBeVisible();
    await clash.getByRole('button', { name: /^Take what/ }).click();
    await expect.element(clash).not.toBeInTheDocument();
    await expect.element(page.getByText('Rnd 3: (sc 1, inc) x 6, sc 1 (19)')).toBeVisible();
  });

  it('since it is not known what it came from, is laid beside what stands there, and one of the two goes on', async () => {
    keep(`limpet-${number + 1}`, 'another-window', {
      name: 'Limpet',
      text: LIMPET.replace('Sand', 'Rust'),
      base: 0,
      sent: [],
      at: Date.UTC(2026, 1, 1),
    });
    const theirs = meets(`limpet-${number + 1}`, LIMPET.replace('Sand', 'Moss'));
    await deskAt();
    const dialog = page.getByRole('dialog', { name: 'This pattern was changed in another window' });
    await expect.element(dialog).toHaveTextContent(/first differ in line 4/);
    await expect.element(dialog).toHaveTextContent(/Cotton: Rust 20 g\s*There\s*Cotton: Moss 20 g/);
    await dialog.getByRole('button', { name: /Go on with theirs/ }).click();
    await expect.element(dialog.getByRole('alert')).toHaveTextContent('The server rests.');
    server.answer = () => Response.json(theirs);
    await dialog.getByRole('button', { name: /Go on with theirs/ }).click();
    await expect.element(dialog).not.toBeInTheDocument();
    await expect.element(page.getByText('Cotton: Moss 20 g')).toBeVisible();
  });

  it('in an earlier sitting is there again when the Desk is opened', async () => {
    keep(`limpet-${number + 1}`, 'another-window', {
      name: 'Limpet',
      text: LIMPET.replace('Sand', 'Rust'),
      base: 1,
      sent: [],
      at: Date.UTC(2026, 1, 1),
    });
    await deskAt();
    await expect.element(page.getByText('Cotton: Rust 20 g')).toBeVisible();
  });
});

describe('a file that is dropped on the Desk is looked at first', () => {
  const drop = (name: string) => {
    const dataTransfer = new DataTransfer();
    dataTransfer.items.add(new File(['Whelk'], name));
    document
      .querySelector('.cm-content')
      ?.dispatchEvent(new DragEvent('drop', { dataTransfer, bubbles: true, cancelable: true }));
  };
  const dialog = page.getByRole('dialog', { name: 'A file for this pattern?' });
  const WHELK = { text: 'Whelk\nRnd 1: 5 sc in MR (5)\n', left: ['Heads are left out.'] };

  it('and goes on as the next draft, or comes in beside it', async () => {
    await deskAt();
    server.answer = () => Response.json(WHELK);
    drop('whelk.docx');
    await expect.element(dialog).toHaveTextContent('“whelk.docx”: 2 lines. Heads are left out. It begins:');
    server.answer = () => refusal('The disk is full.');
    await dialog.getByRole('button', { name: 'Take it in as a pattern of its own' }).click();
    await expect.element(dialog.getByRole('alert')).toHaveTextContent('The disk is full.');
    server.answer = () => Response.json({ id: 'seal', left: [] });
    await dialog.getByRole('button', { name: 'Go on with it as the next draft' }).click();
    await until(() => expect(goto).toHaveBeenCalledWith('/drafts/seal'));
    expect(sent(/documents\?/).at(-1)?.path).toMatch(/^\/api\/documents\?file=whelk\.docx&pattern=./);
    await expect.element(page.getByText('Cotton: Sand 20 g')).toBeVisible();
  });

  it('is refused in words where it can’t be read', async () => {
    await deskAt();
    server.answer = () => refusal('This is a picture.');
    drop('cat.png');
    await expect.element(page.getByText('“cat.png”: This is a picture.')).toBeVisible();
    expect(page.getByRole('dialog').elements()).toEqual([]);
  });

  it('is left alone where that is wanted', async () => {
    await deskAt();
    server.answer = () => Response.json(WHELK);
    drop('owl.txt');
    await page.getByRole('button', { name: 'Neither' }).click();
    await expect.element(page.getByRole('dialog')).not.toBeInTheDocument();
    expect(sent(/documents\?/)).toEqual([]);
  });
});

describe('setting a pattern in house style', () => {
  const review = (props: Partial<ComponentProps<typeof HouseStyleReview>>) =>
    renderInHouse(HouseStyleReview as Component<ComponentProps<typeof HouseStyleReview>>, {
      set: true,
      ask: () => null,
      apply: vi.fn(),
      onclose: vi.fn(),
      ...props,
    });
  const LINE = { line: 2, before: 'Rnd 1: 6 sc', after: 'Round 1: 6 sc' };

  it('shows each line as it was and as it will be, and does it at once', async () => {
    const apply = vi.fn();
    const ask = () => Promise.resolve({ text: 'new', lines: [LINE], left: 2, proved: true });
    review({ ask, apply });
    const dialog = page.getByRole('dialog', { name: 'Set in house style' });
    await expect.element(dialog).toHaveTextContent('One line changes; counted again, every round comes out as before.');
    await expect.element(dialog).toHaveTextContent('2 places stay as they are');
    await expect.element(dialog).toHaveTextContent(/Rnd 1: 6 sc\s*Round 1: 6 sc/);
    await dialog.getByRole('button', { name: 'Set it so' }).click();
    expect(apply).toHaveBeenCalledExactlyOnceWith('new');
  });

  it.each([
    ['nothing would change', { text: '', lines: [], left: 0, proved: true }, 'The pattern is in house style.'],
    ['it would not count the same', { text: '', lines: [LINE], left: 0, proved: false }, 'Nothing is changed.'],
  ])('says where %s, and offers nothing', async (_, styled, said) => {
    review({ ask: () => Promise.resolve(styled) });
    await expect.element(page.getByRole('dialog')).toHaveTextContent(said);
    await expect.element(page.getByRole('button', { name: 'Set it so' })).not.toBeInTheDocument();
    await expect.element(page.getByRole('button', { name: 'Close' })).toBeVisible();
  });

  it('says that it failed, and where none is set', async () => {
    review({ ask: () => Promise.reject(new Error('gone')) });
    await expect.element(page.getByText('The house style could not be worked out. Nothing is changed.')).toBeVisible();
    review({ set: false });
    await expect.element(page.getByText('No house style has been set yet.')).toBeVisible();
  });
});
