<script lang="ts">
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import { patternNames } from '../client.js';
  import Dialog from '../components/Dialog.svelte';
  import type { Action } from './actions.js';
  import { search, type Entry } from './finding.js';
  import type { Found } from './house.svelte.js';

  interface Props {
    actions: readonly Action[];
    /** What the page leads to: its rounds. */
    found: readonly Found[];
    onclose: () => void;
  }

  let { actions, found: here, onclose }: Props = $props();
  let words = $state('');
  let at = $state(0);
  let patterns = $state.raw<readonly Entry[]>([]);

  // Without the names of the patterns it finds all the rest.
  onMount(() => {
    void patternNames()
      .then((names) => {
        patterns = names.map(({ id, name }) => ({
          id: `pattern-${id}`,
          text: name,
          note: 'pattern',
          run: () => void goto(`/desk/${id}`),
        }));
      })
      .catch(() => undefined);
  });

  // Places first: that is what one comes for without a word.
  const doable = $derived<Entry[]>(
    [...actions.filter(({ group }) => group === 'Places'), ...actions.filter(({ group }) => group !== 'Places')]
      .filter(({ id }) => id !== 'finder')
      .map(({ id, text, keys, run }) => ({ id, text, note: keys ?? '', run })),
  );
  const found = $derived(search(words, here, doable, patterns));
  const chosen = $derived(found[Math.min(at, found.length - 1)]);

  function run(entry: Entry | undefined): void {
    if (!entry) return;
    onclose();
    // The dialog gives the focus back when it closes; what was chosen comes after that.
    setTimeout(entry.run);
  }

  function onkeydown(event: KeyboardEvent): void {
    if (event.key === 'ArrowDown') at = Math.min(at + 1, found.length - 1);
    else if (event.key === 'ArrowUp') at = Math.max(at - 1, 0);
    else if (event.key === 'Enter') run(chosen);
    else return;
    event.preventDefault();
    document.getElementById(`finder-${chosen?.id}`)?.scrollIntoView({ block: 'nearest' });
  }

  function focusFirst(input: HTMLInputElement): void {
    input.focus();
  }
</script>

<Dialog title="Go somewhere, or do something" {onclose}>
  <input
    type="text"
    role="combobox"
    aria-label="Place, pattern, round or action"
    aria-expanded="true"
    aria-controls="finder-list"
    aria-activedescendant={chosen ? `finder-${chosen.id}` : undefined}
    autocomplete="off"
    placeholder="A place, a pattern, the number of a round, or what is to be done"
    bind:value={words}
    oninput={() => (at = 0)}
    {onkeydown}
    {@attach focusFirst}
  />
  <ul id="finder-list" role="listbox" aria-label="Found">
    {#each found as entry (entry.id)}
      <li
        id="finder-{entry.id}"
        role="option"
        aria-selected={entry === chosen}
        onpointerdown={(event) => {
          event.preventDefault();
          run(entry);
        }}
      >
        <span>{entry.text}</span><span class="note">{entry.note}</span>
      </li>
    {/each}
  </ul>
  {#if found.length === 0}<p>Nothing is called that.</p>{/if}
</Dialog>

<style>
  input {
    width: 100%;
    padding: var(--space-2) var(--space-3);
  }

  ul {
    max-height: 22rem;
    overflow-y: auto;
    margin-top: var(--space-2);
  }

  li {
    display: flex;
    justify-content: space-between;
    gap: var(--space-3);
    padding: 0.3rem var(--space-3);
    border-radius: var(--radius);
    cursor: pointer;
  }

  li:hover {
    background: var(--paper-sunk);
  }

  [aria-selected='true'] {
    background: var(--woad-wash);
  }

  .note {
    color: var(--ink-soft);
    white-space: nowrap;
  }

  p {
    padding: var(--space-3);
    color: var(--ink-soft);
  }
</style>
