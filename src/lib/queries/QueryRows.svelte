<script lang="ts">
  import type { Query } from '../queries.js';
  import { STATE_WORDS } from './words.js';

  interface Props {
    /** In the order of the text. */
    rows: readonly Query[];
    selected: number | null;
    select: (number: number) => void;
  }

  let { rows, selected, select }: Props = $props();
  const parts = $derived.by(() => {
    const groups: { name: string; rows: Query[] }[] = [];
    for (const query of rows) {
      const name = query.part || 'The whole pattern';
      const last = groups.at(-1);
      if (last?.name === name) last.rows.push(query);
      else groups.push({ name, rows: [query] });
    }
    return groups;
  });

  /** What is selected is seen, wherever it was selected. */
  function seen(row: HTMLElement, here: boolean): void {
    if (here) row.scrollIntoView({ block: 'nearest' });
  }
</script>

<div class="rows">
  {#each parts as { name, rows: own }, i (i)}
    <h2>{name}</h2>
    <ul>
      {#each own as query (query.number)}
        {@const here = query.number === selected}
        <li>
          <button
            type="button"
            class={query.state}
            aria-current={here}
            {@attach (row: HTMLElement) => seen(row, here)}
            onclick={() => select(query.number)}
          >
            <span class="number">{query.number}</span>
            <span class="round">{query.round}</span>
            <span class="text">{query.text.split('\n')[0]}</span>
            <span class="state">{STATE_WORDS[query.state]}</span>
          </button>
        </li>
      {/each}
    </ul>
  {/each}
</div>

<style>
  h2 {
    padding: var(--space-3) var(--space-4) var(--space-1);
    font-size: 1.0625rem;
  }

  ul {
    border-top: 1px solid var(--rule);
  }

  button {
    display: grid;
    grid-template-columns: 2.2rem 5.5rem minmax(0, 1fr) 8.5rem;
    gap: 0 var(--space-3);
    align-items: baseline;
    width: 100%;
    padding: 0.45rem var(--space-4);
    border-bottom: 1px solid var(--rule);
    border-left: 3px solid transparent;
    text-align: left;
  }

  button:hover {
    background: var(--paper-raised);
  }

  button[aria-current='true'] {
    border-left-color: var(--woad);
    background: var(--woad-wash);
  }

  .number {
    font-variant-numeric: tabular-nums;
    font-weight: 680;
    text-align: right;
  }

  .round {
    overflow: hidden;
    color: var(--ink-soft);
    font-size: var(--size-small);
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  .text {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  .state {
    color: var(--ink-soft);
    font-size: var(--size-small);
    text-align: right;
    white-space: nowrap;
  }

  .answered .state {
    color: var(--woad);
    font-weight: 650;
  }

  .settled,
  .withdrawn {
    color: var(--ink-soft);
  }

  @media (max-width: 720px) {
    button {
      grid-template-columns: 1.6rem minmax(0, 1fr) auto;
      padding: 0.45rem var(--space-3);
    }

    .round {
      display: none;
    }
  }
</style>
