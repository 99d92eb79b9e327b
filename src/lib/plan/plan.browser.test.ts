import type { Component, ComponentProps } from 'svelte';
import { beforeEach, expect, it } from 'vitest';
import { page, userEvent } from 'vitest/browser';
import { USUAL_SETTINGS, type PlanGiven, type PlanRow } from '../plan.js';
import { freshStart, refusal, renderInHouse, type MadeUpServer } from '../testing/house.js';
import Plan from './Plan.svelte';
import { planRow } from './testing.js';

const row = (id: string, name: string, more: Partial<PlanRow> = {}) => planRow(id, { name, ...more });
const GIVEN: PlanGiven = {
  rows: [row('puffin', 'Puffin'), row('crab', 'Crab', { release: '2026-05-20', editor: 'Oda', after: ['puffin'] })],
  settings: USUAL_SETTINGS,
  learnt: { answered: { median: 9, low: 7, high: 12, patterns: 4 } },
  today: '2026-05-06',
};

type Props = ComponentProps<typeof Plan>;
let server: MadeUpServer;
beforeEach(async () => {
  server = await freshStart();
  server.answer = () => new Response(null, { status: 204 });
});

const open = (given: PlanGiven = GIVEN) =>
  renderInHouse(Plan as Component<Props>, {
    given,
    unlisted: [{ id: 'slug', name: 'Sea slug' }],
    address: null,
    people: ['Una'],
  });
const grid = () => page.getByRole('grid', { name: 'Weeks and patterns' });
const card = () => page.getByRole('region', { name: /^Plan of / });
/** What was put, by the pattern that it is about. */
const put = () => server.asked.filter(({ method }) => method === 'PUT').map(({ path, body }) => [path, body]);

it('shows what is late, what will be, and what is to be done by whom', async () => {
  await open();
  await expect
    .element(page.getByRole('rowheader', { name: /Crab/ }))
    .toHaveTextContent(/Checked \d+ days late comes out \d+ days late/);
  const tasks = page.getByRole('region', { name: 'What is to be done' });
  await expect.element(tasks).toHaveTextContent(/Crab: check it Oda \d+ days late/);
  await page.getByRole('combobox', { name: 'Whose' }).selectOptions('Ines');
  await expect.element(tasks).not.toHaveTextContent('Crab');
});

it('moves a strip by keys, with the consequence said before it is done', async () => {
  await open();
  await grid().click();
  await userEvent.keyboard('{ArrowRight}{ArrowRight}{ArrowRight}');
  await expect.element(page.getByRole('row', { name: /^Test call/ })).toBeVisible();
  await userEvent.keyboard('{Shift>}{ArrowDown}{/Shift}');
  const bar = page.getByRole('status').filter({ hasText: 'Test call' });
  await expect.element(bar).toHaveTextContent(/It comes out \d+ days after its date\. Crab would wait for it\./);
  expect(put()).toEqual([]);
  await userEvent.keyboard('{Escape}');
  await expect.element(bar).not.toBeInTheDocument();
  await userEvent.keyboard('{Shift>}{ArrowRight}{/Shift}{Enter}');
  await expect.poll(put).toMatchObject([['/api/plan/puffin', { moved: { called: '2026-05-15' } }]]);
  await expect.element(card()).toHaveTextContent('moved: let go');
});

it('moves a strip with the mouse', async () => {
  await open();
  const strip = page.getByRole('gridcell', { name: /^End of test/ }).first();
  const { x, y, width, height } = strip.element().getBoundingClientRect();
  const at = { x: x + width / 2, y: y + height / 2 };
  const point = (type: string, dx: number) =>
    strip
      .element()
      .dispatchEvent(
        new PointerEvent(type, { bubbles: true, pointerId: 1, button: 0, clientX: at.x + dx, clientY: at.y }),
      );
  strip.element().setPointerCapture = () => undefined;
  point('pointerdown', 0);
  point('pointermove', 35);
  point('pointerup', 35);
  await expect
    .element(page.getByRole('status').filter({ hasText: 'End of test' }))
    .toHaveTextContent('on Thu, 11 Jun 2026');
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect.poll(put).toMatchObject([['/api/plan/puffin', { moved: { tested: '2026-06-11' } }]]);
});

it('says how long a test takes by the hours of the toy', async () => {
  await open({ ...GIVEN, rows: [row('puffin', 'Puffin', { expected: 12 })] });
  await expect.element(page.getByRole('row', { name: /^End of test/ })).toHaveTextContent('19 cal.');
  await expect.element(page.getByLabelText('Hours of making')).toHaveAttribute('placeholder', '12, by its stitches');
});

it('settles who, when and what is reached, and takes back what can’t be kept', async () => {
  await open();
  await page.getByLabelText('Editor').fill('Una');
  await userEvent.tab();
  await page.getByRole('checkbox', { name: 'Checked reached' }).click();
  await expect.poll(put).toMatchObject([
    ['/api/plan/puffin', { editor: 'Una' }],
    ['/api/plan/puffin', { done: { checked: '2026-05-06' } }],
  ]);
  server.answer = () => refusal('There is no room left.', 507);
  await card().getByLabelText('Release', { exact: true }).fill('2026-07-01');
  await userEvent.tab();
  await expect.element(page.getByText('The date was not kept. There is no room left.')).toBeVisible();
  await expect.element(card().getByLabelText('Release', { exact: true })).toHaveValue('2026-06-12');
});

it('puts a pattern on the plan; without a day it asks for one', async () => {
  await open({ ...GIVEN, rows: [] });
  await expect.element(page.getByText('From there all other days follow', { exact: false })).toBeVisible();
  await userEvent.keyboard('n');
  await page.getByRole('button', { name: 'Put it on the plan' }).click();
  await expect.element(page.getByText('Say on which day it is to come out.')).toBeVisible();
  await page.getByLabelText('Comes out on').fill('2020-01-01');
  await page.getByRole('button', { name: 'Put it on the plan' }).click();
  await expect.poll(put).toMatchObject([['/api/plan/slug', { release: '2020-01-01' }]]);
});

it('settles durations and free days; what can’t be read is told, and nothing is lost', async () => {
  await open();
  await userEvent.keyboard('{Alt>}s{/Alt}');
  const dialog = page.getByRole('dialog', { name: 'What the dates go by' });
  await expect.element(dialog).toHaveTextContent('9, learnt from 4 (7 to 12)');
  await page.getByLabelText('Days until Checked').fill('5');
  await page.getByLabelText('Who is away', { exact: false }).fill('Ines in July');
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect.element(dialog).toHaveTextContent('“Ines in July” can’t be read');
  await page.getByLabelText('Who is away', { exact: false }).fill('Ines 2026-07-01 2026-07-31');
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect
    .poll(put)
    .toMatchObject([
      ['/api/plan', { days: { checked: 5 }, absences: [{ person: 'Ines', from: '2026-07-01', to: '2026-07-31' }] }],
    ]);
});
