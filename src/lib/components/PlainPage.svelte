<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    heading: string;
    /** Stands above the heading. */
    above?: string;
    children: Snippet;
  }

  let { heading, above = '', children }: Props = $props();
</script>

<!-- A page by itself that is read from top to bottom: the bench, the door. -->
<main>
  {#if above}<p>{above}</p>{/if}
  <h1>{heading}</h1>
  {@render children()}
</main>

<style>
  main {
    max-width: 34rem;
    padding: var(--space-5) var(--space-4);
    margin: 0 auto;
    font-size: var(--size-text);
  }

  main > p:first-child {
    color: var(--ink-soft);
  }

  h1 {
    margin-bottom: var(--space-3);
    font-size: var(--size-display);
    line-height: 1.15;
  }
</style>
