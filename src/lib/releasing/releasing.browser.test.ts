import type { Component, ComponentProps } from 'svelte';
import { beforeEach, describe, expect, it } from 'vitest';
import { page, userEvent } from 'vitest/browser';
import type { ChecklistLine } from '../../core/index.js';
import { freshStart, renderInHouse, type MadeUpServer } from '../testing/house.js';
import { justCome } from '../testing/standing.js';
import ReleaseDesk from './ReleaseDesk.svelte';
import type { ReleaseData } from './releaseData.js';

type Props = ComponentProps<typeof ReleaseDesk>;
let server: MadeUpServer;

beforeEach(async () => {
  server = await freshStart();
});

const line = (id: string, text: string, more: Partial<ChecklistLine> = {}): ChecklistLine => ({
  id,
  text,
  holds: true,
  words: 'It is so.',
  rests: [],
  person: null,
  ...more,
});
const person = { who: '', at: null, lapsed: false, basis: 'b', own: false };
const rest = { words: 'Body, Rnd 4: gives no count by its words', line: 9, key: 'k4', reason: '' };
const OPEN = line('rounds', 'Every round agrees', { holds: false, words: rest.words, rests: [rest] });
const READ = line('read', 'A second person has read it', { holds: false, words: 'Nobody has said so yet.', person });

async function release(lines: readonly ChecklistLine[], more: Partial<ReleaseData> = {}): Promise<void> {
  const data: ReleaseData = {
    id: 'vole',
    name: 'Vole',
    styled: false,
    readiness: {
      checklist: lines,
      since: 'stitches',
      proposed: '1.0',
      anew: ['Each round has a box to tick.'],
      revision: 3,
    },
    versions: [],
    photographs: [],
    errata: [],
    own: [],
    editor: 'Oda Marram',
    ...more,
  };
  renderInHouse(ReleaseDesk as Component<Props>, { data, standing: justCome('vole', 'Vole') });
  await expect.element(page.getByRole('tab', { name: /Checklist/ })).toBeVisible();
}

const asked = (path: string) => server.asked.filter(({ path: one }) => one.endsWith(path));
const VERSION = { number: '1.0', signer: 'Oda', note: 'The first', fingerprint: 'ab12', at: 1_700_000_000_000 };

describe('the release', () => {
  it('can’t be signed while something stands against it, and says what', async () => {
    await release([OPEN, READ]);
    await expect.element(page.getByRole('tab', { name: 'Checklist 2' })).toBeVisible();
    await expect.element(page.getByRole('button', { name: 'Sign version 1.0' })).toBeDisabled();
    await expect.element(page.getByText('2 lines of the checklist stand against it.')).toBeVisible();
    await expect.element(page.getByRole('link', { name: rest.words })).toHaveAttribute('href', '/desk/vole?line=9');
  });

  it('takes a round on trust for a reason, and a line on a person’s word', async () => {
    await release([OPEN, READ]);
    await userEvent.click(page.getByRole('button', { name: /Take it on trust/ }));
    await userEvent.fill(page.getByLabelText('Why it is all right'), 'By feel');
    await userEvent.keyboard('{Enter}');
    await expect.poll(() => asked('/release/trust').at(-1)?.body).toEqual({ key: 'k4', reason: 'By feel' });
    await userEvent.click(page.getByRole('checkbox', { name: READ.text }));
    await expect
      .poll(() => asked('/release/confirm').at(-1)?.body)
      .toEqual({ line: 'read', who: 'Oda Marram', basis: 'b' });
  });

  it('is signed once everything holds', async () => {
    await release([line('rounds', 'Every round agrees')]);
    server.answer = () => Response.json(VERSION);
    await userEvent.fill(page.getByLabelText('What is new in it'), 'The first');
    await userEvent.click(page.getByRole('button', { name: 'Sign version 1.0' }));
    await expect
      .poll(() => asked('/release').at(-1)?.body)
      .toEqual({ number: '1.0', who: 'Oda Marram', note: 'The first', styled: false, base: 3 });
    await expect.element(page.getByRole('tab', { name: /Versions/ })).toHaveAttribute('aria-selected', 'true');
  });

  it('adds a line for the house', async () => {
    await release([]);
    await userEvent.click(page.getByRole('button', { name: 'Add a line for the house' }));
    await userEvent.fill(page.getByLabelText(/What has to be true of every pattern/), 'The price is settled');
    await userEvent.keyboard('{Enter}');
    await expect
      .poll(() => asked('/release-lines').at(-1)?.body)
      .toEqual([{ id: expect.stringMatching(/^own-/) as string, text: 'The price is settled' }]);
  });

  it('goes from place to place by key; without a version there are no errata', async () => {
    await release([]);
    await userEvent.keyboard('{Alt>}4{/Alt}');
    await expect.element(page.getByText('Errata are of versions that have gone out; none has yet.')).toBeVisible();
    await userEvent.keyboard('{Alt>}3{/Alt}');
    await expect.element(page.getByText(/No version is signed yet/)).toBeVisible();
  });

  it('says of a text that is too much that it can’t be released', async () => {
    await release([], { readiness: null });
    await expect.element(page.getByRole('alert')).toHaveTextContent('what is not counted can’t be released');
    await expect.element(page.getByRole('button', { name: /Sign/ })).not.toBeInTheDocument();
  });
});

describe('a version', () => {
  it('has its files by name, in the paper and print that are chosen', async () => {
    await release([], { versions: [VERSION] });
    await userEvent.keyboard('{Alt>}3{/Alt}');
    const pdf = page.getByRole('row', { name: /UK edition/ }).getByRole('link', { name: '.pdf' });
    await expect.element(pdf).toHaveAttribute('href', expect.stringMatching(/1\.0\/uk-a4-normal\.pdf$/));
    await userEvent.selectOptions(page.getByRole('combobox', { name: 'Print' }), 'large');
    await expect.element(pdf).toHaveAttribute('href', expect.stringMatching(/1\.0\/uk-a4-large\.pdf$/));
  });

  it('gets a mistake entered at its line, counted before it is kept', async () => {
    server.answer = ({ path }) =>
      path.endsWith('/tried')
        ? Response.json({
            part: 'Body',
            round: 'Rnd 2',
            before: { made: 12, stated: 12, verdict: 'agrees' },
            after: { made: 9, stated: 9, verdict: 'agrees' },
            offBefore: 0,
            offAfter: 0,
            words: { us: { wrong: 'a', right: 'b' }, uk: { wrong: 'a', right: 'b' } },
          })
        : Response.json({
            terms: 'us',
            text: 'Body\nRnd 1: 6 sc\nRnd 2: inc x 6 (12)\n',
            rounds: [{ place: 'Body, Rnd 2', line: 3 }],
          });
    await release([], { versions: [VERSION] });
    await userEvent.keyboard('{Alt>}4{/Alt}');
    await userEvent.click(page.getByRole('button', { name: 'Enter a mistake' }));
    await userEvent.selectOptions(page.getByRole('combobox', { name: 'Round' }), 'Body, Rnd 2');
    const right = page.getByLabelText('It has to read');
    await expect.element(right).toHaveValue('Rnd 2: inc x 6 (12)');
    await expect.element(page.getByRole('button', { name: 'Keep the erratum' })).toBeDisabled();
    await userEvent.fill(right, 'Rnd 2: (sc 1, inc) x 3 (9)');
    await expect.element(page.getByText(/After: makes 9, states 9 \(agrees\)/)).toBeVisible();
    await userEvent.click(page.getByRole('button', { name: 'Keep the erratum' }));
    await expect
      .poll(() => asked('/errata').at(-1)?.body)
      .toMatchObject({ version: '1.0', line: 3, right: 'Rnd 2: (sc 1, inc) x 3 (9)' });
  });
});
