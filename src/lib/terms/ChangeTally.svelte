<script lang="ts">
  import type { TermChange } from '../../core/index.js';
  import RowButton from '../components/RowButton.svelte';
  import { changeGroups } from './lines.js';

  interface Props {
    changes: readonly TermChange[];
    selected: string | null;
    select: (key: string) => void;
  }

  let { changes, selected, select }: Props = $props();

  const groups = $derived(changeGroups(changes));

  /** The next of a group after the one that is chosen, so that each click goes on. */
  function next(of: readonly TermChange[]): void {
    const one = of[(of.findIndex(({ key }) => key === selected) + 1) % of.length];
    if (one) select(one.key);
  }
</script>

{#if groups.length > 0}
  <section aria-labelledby="tally">
    <h2 id="tally">What changes</h2>
    <ul>
      {#each groups as { before, written, doubtful, of } (`${before}\n${written}`)}
        <li>
          <RowButton columns="minmax(0, 1fr) minmax(0, 1fr) 2.5rem" onclick={() => next(of)}>
            <span class="before">{before === '' ? 'added' : before}</span>
            <span class="written" class:doubtful
              >{doubtful ? 'in doubt' : before === written ? 'left' : written === '' ? 'taken out' : written}</span
            >
            <span class="count">{of.length}</span>
          </RowButton>
        </li>
      {/each}
    </ul>
  </section>
{/if}

<style>
  h2 {
    padding-bottom: var(--space-1);
    font-size: var(--size-body);
    font-weight: 680;
  }

  span {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  .before {
    color: var(--ink-soft);
  }

  .doubtful {
    color: var(--weld);
    font-weight: 620;
  }

  .count {
    text-align: right;
    font-variant-numeric: tabular-nums;
  }
</style>
