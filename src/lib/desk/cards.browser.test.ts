import { beforeEach, describe, expect, it, vi } from 'vitest';
import { page, userEvent } from 'vitest/browser';
import { render } from 'vitest-browser-svelte';
import '../styles/tokens.css';
import '../styles/base.css';
import { Asking } from './asking.svelte.js';
import DeskPanel from './DeskPanel.svelte';
import { deskOn } from './testing.js';
import { Walking } from './walking.js';
import { until } from '../testing/until.js';

const LIMPET =
  'Limpet\n\nMaterials\nCotton: Sand 20 g, Rust 5 g, Moss 5 g\n3 mm hook\n\nAbbreviations\nsc = single crochet\nsk = skip\nUS terms\n\n' +
  'SHELL\nWith Sand.\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (19)\nFasten off.\n\n' +
  'FOOT (make 2)\nWith Rust.\nRnd 1: 5 sc in MR (5)\nRnd 2: inc x 5 (10)\nFasten off.\n\nASSEMBLY\nSew the feet to the shell.\n';
const lineOf = (words: string) => LIMPET.split('\n').findIndex((line) => line.includes(words)) + 1;

beforeEach(async () => {
  await page.viewport(1280, 800);
  localStorage.clear();
  vi.stubGlobal('fetch', () => Promise.resolve(new Response('{}')));
});

/** The panel beside a text, as high as on a laptop, with the caret at a line. */
async function panelAt(words: string, text = LIMPET) {
  const { desk, editor } = deskOn(text);
  const said: string[] = [];
  const walking = new Walking(desk, (told) => said.push(told));
  const { container, component } = render(DeskPanel, {
    desk,
    walking,
    asking: new Asking(desk, (told) => said.push(told)),
  });
  const aside = container.querySelector('aside');
  if (!aside) throw new Error('There is a panel.');
  aside.style.height = '640px';
  aside.style.width = '344px';
  desk.toLine(lineOf(words));
  await until(() => expect(desk.at.kind).not.toBe('nothing'));
  return { desk, editor, aside, component: component as { ask: (q: 'hook' | 'aside' | 'meaning') => Promise<void> } };
}

/** Whether an element lies within the panel as it is seen. */
function seen(aside: Element, element: Element): boolean {
  const [outer, inner] = [aside.getBoundingClientRect(), element.getBoundingClientRect()];
  return inner.top >= outer.top && inner.bottom <= outer.bottom + 1;
}

describe('at a round', () => {
  it('stands what it makes, step by step, with the rounds beside it', async () => {
    await panelAt('Rnd 2: inc x 6');
    await expect.element(page.getByRole('heading', { name: /^Rnd 2/ })).toBeVisible();
    await expect.element(page.getByText('uses all 6, makes 12.')).toBeVisible();
    await expect.element(page.getByRole('button', { name: /Rnd 1.*6$/ })).toBeVisible();
    await expect.element(page.getByRole('group', { name: 'To mend here' })).not.toBeInTheDocument();
    expect(document.body.textContent).not.toContain('Nothing to mend');
  });

  it('the answer to a count on the hook is seen as soon as it is given', async () => {
    const { aside, component } = await panelAt('Rnd 3');
    await expect.element(page.getByText(/do this 6 times: uses all 12/)).toBeVisible();
    await component.ask('hook');
    await expect.element(page.getByLabelText('On the hook')).toHaveFocus();
    await userEvent.keyboard('17');
    const answer = page.getByText('One increase was worked as a single stitch.');
    await expect.element(answer).toBeVisible();
    expect(seen(aside, answer.element())).toBe(true);
  });

  it('a count on the hook that could not be worked out says so, and is asked again with Enter', async () => {
    const { desk, component } = await panelAt('Rnd 3');
    await expect.element(page.getByText(/do this 6 times: uses all 12/)).toBeVisible();
    if (!desk.asking) throw new Error('It is counted.');
    const slips = vi.spyOn(desk.asking, 'slips').mockRejectedValue(new Error('not fetched'));
    await component.ask('hook');
    await userEvent.keyboard('17');
    await expect.element(page.getByText('This could not be worked out. Press Enter to try again.')).toBeVisible();
    slips.mockRestore();
    await userEvent.keyboard('{Enter}');
    await expect.element(page.getByText('One increase was worked as a single stitch.')).toBeVisible();
  });

  it('also on a narrow screen, where one has to scroll', async () => {
    await page.viewport(390, 800);
    const { aside, component } = await panelAt('Rnd 3');
    aside.style.height = '300px';
    await component.ask('hook');
    await userEvent.keyboard('17');
    const answer = page.getByText('One increase was worked as a single stitch.');
    await expect.element(answer).toBeVisible();
    await until(() => expect(seen(aside, answer.element())).toBe(true));
  });

  it('what is off stands at its lower edge with its fix, which mends it', async () => {
    const { desk, aside } = await panelAt('Rnd 3');
    const group = page.getByRole('group', { name: 'To mend here' });
    await expect.element(group).toHaveTextContent('States 19');
    expect(seen(aside, group.element())).toBe(true);
    await group.getByRole('button', { name: /State 18 instead of 19/ }).click();
    await until(() => expect(desk.text).toContain('inc) x 6 (18)'));
    await expect.element(group).not.toBeInTheDocument();
  });

  it('a finding is put aside with a reason by key, and left where it was by Escape', async () => {
    const { desk, component } = await panelAt('Rnd 3');
    await component.ask('aside');
    await userEvent.keyboard('{Escape}');
    expect(desk.findings).toHaveLength(desk.report?.findings.length ?? 0);
    await component.ask('aside');
    await userEvent.keyboard('{Enter}');
    expect(desk.notes.aside.size).toBe(0);
    await userEvent.keyboard('Asked the designer{Enter}');
    await until(() => expect([...desk.notes.aside.values()]).toEqual(['Asked the designer']));
  });

  it('neighbours are gone to', async () => {
    const { desk } = await panelAt('Rnd 2: inc x 6');
    await page.getByRole('button', { name: /Rnd 1.*6$/ }).click();
    expect(desk.spot.line).toBe(lineOf('Rnd 1: 6 sc'));
  });
});

describe('at a heading', () => {
  it('stands the part: how many, how it grows, all its stitches, and what is sewn where', async () => {
    const { desk } = await panelAt('FOOT');
    await expect.element(page.getByRole('heading', { name: /Foot/ })).toBeVisible();
    await expect.element(page.getByText('2 rounds: from 5 up to 10, and 10 at the end')).toBeVisible();
    await expect.element(page.getByRole('figure')).toBeVisible();
    const facts = page.getByRole('region', { name: 'Part' });
    await expect.element(facts).toHaveTextContent(/Stitches in one\s*15/);
    await expect.element(facts).toHaveTextContent(/In all 2\s*30/);
    await page.getByRole('button', { name: /Sew the feet/ }).click();
    expect(desk.spot.line).toBe(lineOf('Sew the feet'));
  });
});

describe('in front of the rounds', () => {
  it('stand the materials with what uses each, and what nothing uses', async () => {
    const { desk } = await panelAt('Cotton');
    const card = page.getByRole('region', { name: 'The pattern' });
    await expect.element(card).toHaveTextContent(/Sand\s*20 g\s*Shell/);
    await expect.element(card).toHaveTextContent(/Moss\s*5 g\s*not spoken of again/);
    await card.getByRole('button', { name: 'Foot', exact: true }).click();
    expect(desk.spot.line).toBe(lineOf('With Rust'));
  });

  it('stand the words of its list with their meaning and how often they are used', async () => {
    await panelAt('sk = skip');
    const card = page.getByRole('region', { name: 'The pattern' });
    await expect.element(card).toHaveTextContent(/sc\s*single crochet\s*3 ×/);
    await expect.element(card).toHaveTextContent(/sk\s*skip\s*never/);
  });

  it('stands what a statement of terms rests on', async () => {
    await panelAt('Limpet');
    const card = page.getByRole('region', { name: 'The pattern' });
    await expect.element(card).toHaveTextContent('It says that it is in US terms');
    await expect.element(card).toHaveTextContent('2 parts');
  });
});

it('all findings are listed, filtered, and gone to', async () => {
  const { desk } = await panelAt('Limpet');
  await page.getByRole('tab', { name: /Findings/ }).click();
  await page.getByRole('button', { name: /Errors 1/ }).click();
  await page.getByRole('button', { name: /States 19/ }).click();
  expect(desk.spot.line).toBe(lineOf('Rnd 3'));
});
