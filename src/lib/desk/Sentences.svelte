<script lang="ts">
  import RowButton from '../components/RowButton.svelte';
  import type { DeskSession } from './desk.svelte.js';

  interface Props {
    desk: DeskSession;
    /** Words of the pattern or about it, with the line that they come from. `own` are what it is about, the others are beside. */
    sentences: readonly { readonly text: string; readonly line: number; readonly own?: boolean }[];
  }

  let { desk, sentences }: Props = $props();
</script>

<ol>
  {#each sentences as { text, line, own = true }, i (i)}
    <li>
      <RowButton columns="minmax(0, 1fr) auto" onclick={() => desk.toLine(line)}>
        <span class="text" class:own>{text}</span><span class="line">line {line}</span>
      </RowButton>
    </li>
  {/each}
</ol>

<style>
  .text {
    color: var(--ink-soft);
    overflow-wrap: anywhere;
  }

  .own {
    color: var(--ink);
  }

  .line {
    color: var(--ink-soft);
    white-space: nowrap;
  }
</style>
