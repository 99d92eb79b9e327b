<script lang="ts">
  import { tick } from 'svelte';
  import { WindowVirtualizer } from 'virtua/svelte';
  import type { ShelfEntry } from '../patterns.js';
  import type { Several } from '../components/several.svelte.js';
  import ShelfRow from './ShelfRow.svelte';

  interface Props {
    shown: readonly ShelfEntry[];
    rows: Several;
    putAway: (ids: readonly string[]) => void;
  }

  let { shown, rows, putAway }: Props = $props();
  let list = $state<WindowVirtualizer<ShelfEntry>>();
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
    data={shown as ShelfEntry[]}
    getKey={({ id }) => id}
    itemSize={69}
    ssrCount={Math.min(FIRST, shown.length)}
  >
    {#snippet children(entry: ShelfEntry)}
      <ShelfRow {entry} {rows} putAway={() => putAway([entry.id])} />
    {/snippet}
  </WindowVirtualizer>
</div>
