<script lang="ts">
  import type { Snippet } from 'svelte';

  /** One matter of the facts beside the drawing, under its heading. */
  let { heading, children }: { heading: string; children: Snippet } = $props();
  const id = $props.id();
</script>

<section aria-labelledby={id}>
  <h2 {id}>{heading}</h2>
  {@render children()}
</section>

<style>
  section {
    display: grid;
    gap: var(--space-1);
    padding-bottom: var(--space-4);
  }

  h2 {
    font-size: var(--size-body);
    font-weight: 680;
  }
</style>
