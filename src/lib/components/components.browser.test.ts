import { createRawSnippet } from 'svelte';
import { expect, it, describe, vi } from 'vitest';
import { page, userEvent } from 'vitest/browser';
import { render } from 'vitest-browser-svelte';
import '../styles/tokens.css';
import '../styles/base.css';
import Check from './Check.svelte';
import Choice from './Choice.svelte';
import Dialog from './Dialog.svelte';
import Field from './Field.svelte';
import Menu from './Menu.svelte';
import RowButton from './RowButton.svelte';
import Search from './Search.svelte';
import Select from './Select.svelte';
import { Several } from './several.svelte.js';
import SeveralBar from './SeveralBar.svelte';
import Tabs from './Tabs.svelte';
import Toaster from './Toaster.svelte';
import { toasts } from './toasts.svelte.js';
import UpdateNotice from './UpdateNotice.svelte';
import When from './When.svelte';
import { updated } from '../testing/state.svelte.js';
import { until } from '../testing/until.js';

const words = (text: string) => createRawSnippet(() => ({ render: () => `<span>${text}</span>` }));

describe('a menu', () => {
  const items = () => [
    { text: 'Rename', act: vi.fn(), keys: 'Alt N' },
    { text: 'Print', href: '#print' },
    { text: 'Take off the shelf', act: vi.fn(), grave: true },
  ];

  it('opens at its first entry, is gone through by arrows, and does what is chosen once', async () => {
    const list = items();
    render(Menu, { label: 'More', items: list });
    await page.getByRole('button', { name: 'More' }).click();
    const entry = (name: string) => page.getByRole('menuitem', { name });
    await expect.element(entry('Rename')).toHaveFocus();
    await userEvent.keyboard('{ArrowDown}');
    await expect.element(entry('Print')).toHaveFocus();
    await userEvent.keyboard('{ArrowUp}{ArrowUp}');
    await expect.element(entry('Take off')).toHaveFocus();
    await userEvent.keyboard('{Home}{Enter}');
    expect(list[0]?.act).toHaveBeenCalledOnce();
    expect(list[2]?.act).not.toHaveBeenCalled();
    await expect.element(page.getByRole('menu')).not.toBeInTheDocument();
  });

  it('closes by Escape with the focus where it came from, and does nothing', async () => {
    const list = items();
    render(Menu, { label: 'More', items: list });
    const opener = page.getByRole('button', { name: 'More' });
    await opener.click();
    await userEvent.keyboard('{Escape}');
    await expect.element(opener).toHaveFocus();
    expect(list[0]?.act).not.toHaveBeenCalled();
  });
});

describe('a select', () => {
  const options = [
    { value: 'us', text: 'US terms' },
    { value: 'uk', text: 'UK terms' },
  ];

  it('tells its name and its value, and what was chosen', async () => {
    const chosen = vi.fn();
    render(Select, { label: 'Terms', value: 'us', options, chosen });
    const select = page.getByRole('combobox', { name: 'Terms' });
    await expect.element(select).toHaveValue('us');
    await userEvent.selectOptions(select, 'uk');
    expect(chosen).toHaveBeenCalledExactlyOnceWith('uk');
  });

  it('is changed by keys', async () => {
    const chosen = vi.fn();
    render(Select, { label: 'Terms', value: 'us', options, chosen });
    await userEvent.tab();
    await userEvent.keyboard('{Enter}{ArrowDown}{Enter}');
    await until(() => expect(chosen).toHaveBeenCalledWith('uk'));
  });
});

describe('a choice of a few', () => {
  it('is one stop for the keys, and arrows go from one to the other', async () => {
    const chosen = vi.fn();
    const options = ['one', 'two', 'three'].map((value) => ({ value, text: value }));
    render(Choice, { label: 'How many', name: 'many', value: 'one', options, chosen });
    await userEvent.tab();
    await expect.element(page.getByRole('radio', { name: 'one' })).toHaveFocus();
    await userEvent.keyboard('{ArrowRight}');
    expect(chosen).toHaveBeenCalledWith('two');
    await expect.element(page.getByRole('radiogroup', { name: 'How many' })).toBeVisible();
  });
});

describe('a box to check', () => {
  it('is checked by its words and by the space key, and tells that', async () => {
    const changed = vi.fn();
    render(Check, { checked: false, changed, children: words('Spelling') });
    await page.getByText('Spelling').click();
    expect(changed).toHaveBeenLastCalledWith(true);
    await userEvent.keyboard(' ');
    expect(changed).toHaveBeenLastCalledWith(false);
  });

  it('shows that some of what it stands for is checked', async () => {
    render(Check, { checked: false, partly: true, label: 'Select all 8' });
    await expect.element(page.getByRole('checkbox', { name: 'Select all 8' })).toBePartiallyChecked();
  });
});

describe('a search field', () => {
  it('is emptied by Escape, and left by another', async () => {
    render(Search, { label: 'Find a rule', value: '' });
    const field = page.getByRole('searchbox', { name: 'Find a rule' });
    await field.fill('count');
    await userEvent.keyboard('{Escape}');
    await expect.element(field).toHaveValue('');
    await expect.element(field).toHaveFocus();
    await userEvent.keyboard('{Escape}');
    await expect.element(field).not.toHaveFocus();
  });
});

describe('tabs', () => {
  it('are one stop for the keys; arrows choose among those that are shown', async () => {
    render(Tabs, {
      label: 'What was found',
      chosen: 'here',
      tabs: [
        { id: 'here', text: 'Here' },
        { id: 'findings', text: 'Findings', count: 3 },
      ],
    });
    await expect.element(page.getByRole('tab', { name: 'Here' })).toHaveAttribute('aria-selected', 'true');
    await page.getByRole('tab', { name: 'Here' }).click();
    await userEvent.keyboard('{ArrowRight}');
    await expect.element(page.getByRole('tab', { name: 'Findings 3' })).toHaveAttribute('aria-selected', 'true');
    await expect.element(page.getByRole('tab', { name: 'Findings 3' })).toHaveFocus();
  });
});

describe('a dialog', () => {
  it('asks to be closed by Escape', async () => {
    const onclose = vi.fn();
    render(Dialog, { title: 'Sure?', onclose, children: words('Think') });
    const dialog = page.getByRole('dialog', { name: 'Sure?' });
    await expect.element(dialog).toBeVisible();
    await userEvent.keyboard('{Escape}');
    expect(onclose).toHaveBeenCalledOnce();
    // Whoever opened it closes it.
    await expect.element(dialog).toBeVisible();
  });
});

describe('a field', () => {
  it('says what is wrong with it instead of its hint, to eyes and ears', async () => {
    const { rerender } = render(Field, { label: 'Hook size', value: '3', hint: 'In millimetres' });
    const field = page.getByRole('textbox', { name: 'Hook size' });
    await expect.element(field).toHaveAccessibleDescription('In millimetres');
    await expect.element(field).not.toHaveAttribute('aria-invalid');
    await rerender({ label: 'Hook size', value: '3', hint: 'In millimetres', problem: 'Too large' });
    await expect.element(field).toHaveAccessibleDescription('Too large');
    await expect.element(page.getByRole('alert')).toHaveTextContent('Too large');
    await expect.element(field).toHaveAttribute('aria-invalid', 'true');
  });

  it('has as many lines as it is asked for', async () => {
    render(Field, { label: 'Note', value: 'a', lines: 4 });
    await expect.element(page.getByRole('textbox', { name: 'Note' })).toHaveAttribute('rows', '4');
  });
});

describe('a line that leads somewhere', () => {
  it('has its columns, leads by click and by key, and says where one is', async () => {
    const onclick = vi.fn();
    render(RowButton, { columns: '3rem 1fr', onclick, 'aria-current': 'true', children: words('Rnd 4') });
    const line = page.getByRole('button', { name: 'Rnd 4' });
    await expect.element(line).toHaveAttribute('aria-current', 'true');
    expect(getComputedStyle(line.element()).gridTemplateColumns).toMatch(/^48px /);
    await line.click();
    await userEvent.keyboard('{Enter}');
    expect(onclick).toHaveBeenCalledTimes(2);
  });

  it('looks like the paper until it is dressed', () => {
    render(RowButton, { columns: '1fr', children: words('Rnd 5') });
    const { backgroundColor, borderTopWidth, textAlign } = getComputedStyle(
      page.getByRole('button', { name: 'Rnd 5' }).element(),
    );
    expect([backgroundColor, borderTopWidth, textAlign]).toEqual(['rgba(0, 0, 0, 0)', '0px', 'left']);
  });
});

describe('words at the foot of the page', () => {
  it('come, do one thing, and go', async () => {
    const act = vi.fn();
    render(Toaster, {});
    toasts.say('It is gone.', { text: 'Undo', act });
    await page.getByRole('button', { name: 'Undo' }).click();
    expect(act).toHaveBeenCalledOnce();
    await expect.element(page.getByText('It is gone.')).not.toBeInTheDocument();
  });

  it('are three at the most, the newest last', async () => {
    render(Toaster, {});
    for (const text of ['one', 'two', 'three', 'four']) toasts.say(text);
    await expect.element(page.getByRole('status')).toHaveTextContent(/^two\s*three\s*four$/);
    toasts.list = [];
  });
});

describe('a bar for several', () => {
  function bar() {
    const rows = new Several(() => ['a', 'b', 'c']);
    render(SeveralBar, { rows, of: 3, filters: words('By name'), acts: words('Put away') });
    return rows;
  }

  it('shows the filters until something is selected, then what can be done with it', async () => {
    const rows = bar();
    await expect.element(page.getByText('By name')).toBeVisible();
    rows.toggle('b');
    await expect.element(page.getByText('1 of 3 selected')).toBeVisible();
    await expect.element(page.getByText('Put away')).toBeVisible();
    await expect.element(page.getByText('By name')).not.toBeInTheDocument();
    await expect.element(page.getByRole('checkbox', { name: 'Select all 3' })).toBePartiallyChecked();
  });

  it('selects all, and lets them go', async () => {
    const rows = bar();
    rows.toggle('a');
    await page.getByRole('checkbox', { name: 'Select all 3' }).click();
    expect(rows.chosen).toEqual(['a', 'b', 'c']);
    await page.getByRole('button', { name: 'Let them go' }).click();
    expect(rows.chosen).toEqual([]);
  });
});

it('a notice of a newer version is put off, and not shown before there is one', async () => {
  render(UpdateNotice, {});
  await expect.element(page.getByText(/Dostik was updated/)).not.toBeInTheDocument();
  updated.current = true;
  await expect.element(page.getByText(/Dostik was updated/)).toBeVisible();
  await page.getByRole('button', { name: 'Later' }).click();
  await expect.element(page.getByText(/Dostik was updated/)).not.toBeInTheDocument();
  updated.current = false;
});

it('a moment is told from now, with its date at hand', async () => {
  render(When, { at: Date.now() - 1000 });
  const time = page.getByText('just now');
  await expect.element(time).toHaveAttribute('datetime', expect.stringMatching(/^\d{4}-\d\d-\d\dT/));
  await expect.element(time).toHaveAttribute('title', expect.stringMatching(/\d{4}/));
});
