<script lang="ts">
  import Dialog from '../components/Dialog.svelte';
  import type { Action } from './actions.js';
  import { roundName, type PlacedRound } from './rounds.js';

  interface Props {
    actions: readonly Action[];
    rounds: readonly PlacedRound[];
    goTo: (round: PlacedRound) => void;
    onclose: () => void;
  }

  let { actions, rounds, goTo, onclose }: Props = $props();
  interface Entry {
    readonly id: string;
    readonly text: string;
    readonly note: string;
    readonly run: () => void;
  }
  const MOST = 60;
  let words = $state('');
  let at = $state(0);

  const entries = $derived<Entry[]>([
    ...rounds.map((placed) => ({
      id: `round-${placed.index}`,
      text: `${roundName(placed.round)}, ${placed.part.name}`,
      note: `line ${placed.round.line}`,
      run: () => goTo(placed),
    })),
    ...actions.map(({ id, text, keys, run }) => ({ id, text, note: keys ?? '', run })),
  ]);

  /** A number finds the rounds of that number first, ranges that hold it among them. */
  const found = $derived.by(() => {
    const asked = words.trim().toLowerCase();
    const number = /^(?:rnd|round|row|r)?\s*(\d+)$/.exec(asked)?.[1];
    if (number !== undefined) {
      const wanted = Number(number);
      return rounds
        .filter(({ round }) => round.from <= wanted && wanted <= round.to)
        .flatMap(({ index }) => entries.find(({ id }) => id === `round-${index}`) ?? []);
    }
    if (asked === '') return entries.filter(({ id }) => !id.startsWith('round-'));
    const terms = asked.split(/\s+/);
    return entries.filter(({ text }) => terms.every((term) => text.toLowerCase().includes(term))).slice(0, MOST);
  });
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

<Dialog title="Go to a round, or do something" {onclose}>
  <input
    type="text"
    role="combobox"
    aria-label="Round or action"
    aria-expanded="true"
    aria-controls="finder-list"
    aria-activedescendant={chosen ? `finder-${chosen.id}` : undefined}
    autocomplete="off"
    placeholder="A number, a part, or a word"
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
    border: 1px solid var(--rule-strong);
    border-radius: var(--radius);
    background: var(--paper-raised);
    color: var(--ink);
    font: inherit;
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
