<script lang="ts">
  import { tick } from 'svelte';
  import { WindowVirtualizer } from 'virtua/svelte';
  import type { ShelfEntry } from '../patterns.js';
  import type { Several } from '../components/several.svelte.js';
  import ShelfRow from './ShelfRow.svelte';

  interface Props {
    /** Those that are looked for; null for one that has not come yet. */
    shown: readonly (ShelfEntry | null)[];
    /** The words that are looked for. */
    words: string;
    rows: Several;
    /** One that has not come is in sight. */
    want: (at: number) => void;
    putAway: (ids: readonly string[]) => void;
  }

  let { shown, words, rows, want, putAway }: Props = $props();
  let list = $state<WindowVirtualizer<ShelfEntry | null>>();
  /** So many are written into the page; the others are drawn when they are scrolled to. */
  const FIRST = 12;

  /** Takes the focus to a row, by its number among those shown. */
  export async function focus(row: number): Promise<void> {
    list?.scrollToIndex(row, { align: 'nearest' });
    await tick();
    // A row that was far out of sight is drawn with the next frame.
    requestAnimationFrame(() => {
      const id = shown[row]?.id ?? '';
      document
        .querySelector<HTMLElement>(`[data-row="${CSS.escape(id)}"] :is(a, input)`)
        ?.focus({ preventScroll: true });
    });
  }
</script>

<div role="list" aria-label="Patterns">
  <WindowVirtualizer
    bind:this={list}
    data={shown as (ShelfEntry | null)[]}
    getKey={(entry, at) => entry?.id ?? at}
    itemSize={69}
    ssrCount={Math.min(FIRST, shown.length)}
  >
    {#snippet children(entry: ShelfEntry | null, at: number)}
      {#if entry}<ShelfRow {entry} {words} {rows} putAway={() => putAway([entry.id])} />
      {:else}<p class="coming" {@attach () => want(at)}>…</p>{/if}
    {/snippet}
  </WindowVirtualizer>
</div>

<style>
  .coming {
    height: 69px;
    padding: var(--space-3);
    border-bottom: 1px solid var(--rule);
    color: var(--ink-soft);
  }
</style>
