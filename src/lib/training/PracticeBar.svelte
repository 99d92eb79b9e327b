<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    title: string;
    /** What there is to know before anything is done, or once all is. */
    about: string;
    /** From 0 to 1; null while it is worked on. */
    mark?: number | null;
    children: Snippet;
  }

  let { title, about, mark = null, children }: Props = $props();
</script>

<div class="bar">
  <h1>{title}</h1>
  {#if mark !== null}<p class="mark"><b>{Math.round(100 * mark)}</b> of 100</p>{/if}
  <p class="about">{about}</p>
  {@render children()}
</div>

<style>
  .bar {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: var(--space-1) var(--space-4);
    padding: var(--space-2) var(--space-4);
    border-bottom: 1px solid var(--rule);
  }

  h1 {
    font-size: var(--size-title);
  }

  .mark b {
    font-family: var(--text-face);
    font-size: var(--size-display);
    font-weight: 560;
    line-height: 1.2;
  }

  .about {
    flex: 1;
    min-width: 14rem;
    color: var(--ink-soft);
  }
</style>
