import { createRawSnippet } from 'svelte';
import { expect, it, describe, vi } from 'vitest';
import { page, userEvent } from 'vitest/browser';
import { render } from 'vitest-browser-svelte';
import '../styles/tokens.css';
import '../styles/base.css';
import Check from './Check.svelte';
import Choice from './Choice.svelte';
import Menu from './Menu.svelte';
import Search from './Search.svelte';
import Select from './Select.svelte';
import Tabs from './Tabs.svelte';

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
    await vi.waitFor(() => expect(chosen).toHaveBeenCalledWith('uk'));
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
