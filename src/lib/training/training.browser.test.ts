import { beforeEach, describe, expect, it } from 'vitest';
import { page, userEvent } from 'vitest/browser';
import { marked, turned } from '../../core/index.js';
import { freshStart, refusal, renderInHouse, type MadeUpServer } from '../testing/house.js';
import type { PracticeSheet } from '../training.js';
import PracticePage from './PracticePage.svelte';

const TEXT =
  'Ball\nUS terms\n\nsc = single crochet, inc = 2 sc in one st, MR = magic ring, st = stitch\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 5 (18)\nRnd 4: sc around (18)\nFasten off and weave in.\n';
const FAULT = {
  kind: 'times' as const,
  lines: [9],
  says: 'Uses 10 of 12 stitches: 2 are left unworked.',
  compare: 'Compare what Rnd 3 uses with what Rnd 2 leaves: 10 against 12.',
  right: 'Rnd 3: (sc 1, inc) x 6 (18)',
};
const SHEET: PracticeSheet = {
  id: 'p1',
  what: 'faults',
  level: 2,
  terms: 'us',
  text: TEXT,
  work: { marks: [], answer: '', seconds: 0 },
  told: 1,
  outcome: null,
};

let server: MadeUpServer;
beforeEach(async () => {
  server = await freshStart();
});

const open = (sheet: Partial<PracticeSheet> = {}) => renderInHouse(PracticePage, { sheet: { ...SHEET, ...sheet } });
const kept = () => new Response(null, { status: 204 });
/** What was handed in. */
const handedIn = () => server.asked.filter(({ method }) => method === 'POST').map(({ body }) => body);
const list = () => page.getByRole('listbox', { name: 'Manuscript' });
const down = (times: number) => userEvent.keyboard('{ArrowDown}'.repeat(times));

describe('a practice pattern', () => {
  it('is worked through by keys alone, and handed in', async () => {
    server.answer = kept;
    await open();
    await expect.element(page.getByText('1 fault in it')).toBeVisible();
    await expect.element(list()).toHaveFocus();
    await down(6);
    await expect.element(page.getByRole('heading', { name: 'Line 9' })).toBeVisible();
    await userEvent.keyboard('m');
    await expect.element(page.getByText('1 line marked')).toBeVisible();
    await userEvent.keyboard('w');
    await userEvent.selectOptions(page.getByLabelText('What is wrong with it'), 'The number of repeats is wrong');
    await page.getByLabelText('As it should read').fill('Rnd 3: (sc 1, inc) x 6 (18)');
    await userEvent.keyboard('{Escape}');
    await expect.element(list()).toHaveFocus();
    await userEvent.keyboard('{Alt>}{Enter}{/Alt}');
    await expect
      .poll(() => handedIn())
      .toMatchObject([{ marks: [{ line: 9, kind: 'times', proposal: 'Rnd 3: (sc 1, inc) x 6 (18)' }] }]);
  });

  it('offers the kinds of its level, sums beside it, and a clock that can be hidden', async () => {
    await open({ level: 1 });
    await down(6);
    await userEvent.keyboard('m');
    const kinds = page.getByLabelText('What is wrong with it');
    await expect.element(kinds).toBeVisible();
    expect(kinds.element().querySelectorAll('option')).toHaveLength(5);
    await userEvent.keyboard('{Alt>}r{/Alt}');
    await expect.element(page.getByLabelText('Plain stitches')).toHaveFocus();
    await userEvent.keyboard('1');
    await page.getByLabelText('Times').fill('5');
    await page.getByLabelText('Stitches there').fill('12');
    await expect.element(page.getByText('uses 10 of 12: 2 left, makes 15')).toBeVisible();
    await userEvent.keyboard('{Alt>}c{/Alt}');
    await expect.element(page.getByRole('button', { name: 'Show the clock' })).toBeVisible();
  });

  it('says what could not be kept, and tries it again', async () => {
    server.answer = () => refusal('There is no room left.', 507);
    await open();
    await down(6);
    await userEvent.keyboard('m');
    await expect.element(page.getByText('What you marked last is not kept', { exact: false })).toBeVisible();
    server.answer = kept;
    await page.getByRole('button', { name: 'Try now' }).click();
    await expect.element(page.getByText('What you marked last is not kept', { exact: false })).not.toBeInTheDocument();
  });

  it('shows what was found, missed and blamed, with the sums beside the rounds', async () => {
    const marks = [{ line: 8, kind: null, proposal: '' }];
    const work = { marks, answer: '', seconds: 61 };
    await open({ work, outcome: { what: 'faults', marked: marked({ text: TEXT, faults: [FAULT] }, marks) } });
    await expect
      .element(page.getByText('0 of 1 fault found, 1 line blamed without a reason, in 1:01', { exact: false }))
      .toBeVisible();
    const points = page.getByRole('list', { name: 'What there was to see' });
    await expect.element(points).toHaveTextContent('Rnd 2 uses 6 of 6, makes 12 and states 12: it comes out.');
    await expect.element(points).toHaveTextContent('Missed: the number of repeats is wrong');
    await expect.element(points).toHaveTextContent('10 against 12');
    await expect.element(page.getByText('10/12 → 15, states 18')).toBeVisible();
    await userEvent.keyboard('{Alt>}.{/Alt}');
    await expect.element(page.getByRole('option', { name: /^9: .*a fault, missed/ })).toHaveAttribute('id', 'line-9');
  });

  it('of terms is turned in a field, and marked word by word', async () => {
    server.answer = kept;
    await open({ what: 'terms', told: null });
    const field = page.getByLabelText('UK terms');
    await expect.element(field).toHaveValue(TEXT);
    await field.fill(TEXT.replace('US terms', 'UK terms'));
    await userEvent.keyboard('{Alt>}{Enter}{/Alt}');
    await expect.poll(() => handedIn()).toMatchObject([{ answer: TEXT.replace('US terms', 'UK terms') }]);
  });

  it('of terms shows each word that was left standing', async () => {
    const answer = TEXT.replace('US terms', 'UK terms').replace('Fasten', 'Cast');
    const work = { marks: [], answer, seconds: 5 };
    await open({ what: 'terms', work, outcome: { what: 'terms', turned: turned({ text: TEXT, to: 'uk' }, answer) } });
    await expect
      .element(page.getByText('1 of 7 words turned as they should, 1 place changed', { exact: false }))
      .toBeVisible();
    await expect.element(page.getByRole('row', { name: /^7 / })).toHaveTextContent('Missed: sc is dc');
    await expect.element(page.getByText('“Fasten” should have stayed as it stands.')).toBeVisible();
  });
});
