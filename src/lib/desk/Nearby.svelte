<script lang="ts">
  import Mark from '../components/Mark.svelte';
  import RowButton from '../components/RowButton.svelte';
  import type { DeskSession } from './desk.svelte.js';
  import { changeOf, roundName, type PlacedRound } from './rounds.js';

  let { desk, placed }: { desk: DeskSession; placed: PlacedRound } = $props();
  /** So many are shown, with it in the middle where there are enough on both sides. */
  const SHOWN = 9;

  const near = $derived.by(() => {
    const all = desk.rounds.filter(({ part }) => part === placed.part);
    const here = all.findIndex(({ index }) => index === placed.index);
    const from = Math.max(0, Math.min(here - Math.floor(SHOWN / 2), all.length - SHOWN));
    return all.slice(from, from + SHOWN);
  });
</script>

{#if near.length > 1}
  <div>
    <h3>Before and after it</h3>
    <ol>
      {#each near as one (one.index)}
        <li>
          <RowButton
            columns="auto minmax(0, 1fr) 3rem 3rem"
            aria-current={one.index === placed.index ? 'true' : undefined}
            onclick={() => desk.toRound(one)}
          >
            <Mark name={one.round.verdict} />
            <span class="name">{roundName(one.round)}</span>
            <span class="change">{changeOf(one.round)}</span>
            <span class="made">{one.round.made ?? '–'}</span>
          </RowButton>
        </li>
      {/each}
    </ol>
  </div>
{/if}

<style>
  ol {
    margin-top: var(--space-1);
  }

  .name {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  .change,
  .made {
    text-align: right;
  }

  .change {
    color: var(--ink-soft);
  }
</style>
