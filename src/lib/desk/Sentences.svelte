<script lang="ts">
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
      <button type="button" class:own onclick={() => desk.toLine(line)}>
        <span>{text}</span><span class="line">line {line}</span>
      </button>
    </li>
  {/each}
</ol>

<style>
  button {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
    gap: var(--space-3);
    width: 100%;
    padding: 0.2rem 0.25rem;
    border: 0;
    border-bottom: 1px solid var(--rule);
    background: none;
    color: var(--ink-soft);
    font: inherit;
    font-size: var(--size-small);
    text-align: left;
    overflow-wrap: anywhere;
    cursor: pointer;
  }

  .own {
    color: var(--ink);
  }

  button:hover {
    background: var(--paper-sunk);
  }

  .line {
    color: var(--ink-soft);
    white-space: nowrap;
  }
</style>
