<script lang="ts">
  import type { Conversion } from '../../core/index.js';

  let { problems }: { problems: Conversion['problems'] } = $props();
</script>

{#if problems.length > 0}
  <ul>
    {#each problems as { line, message }, i (i)}<li><span>{line}</span> {message}</li>{/each}
  </ul>
{/if}

<style>
  ul {
    display: grid;
    gap: var(--space-1);
    width: 100%;
    max-height: 12rem;
    overflow-y: auto;
    font-size: var(--size-small);
  }

  span {
    display: inline-block;
    min-width: 2rem;
    color: var(--ink-soft);
  }
</style>
