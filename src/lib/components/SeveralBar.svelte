<script lang="ts">
  import type { Snippet } from 'svelte';
  import Button from './Button.svelte';
  import Check from './Check.svelte';
  import type { Several } from './several.svelte.js';

  interface Props {
    rows: Several;
    /** How many rows are shown. */
    of: number;
    /** What is shown, and in which order; as long as nothing is selected. */
    filters?: Snippet;
    /** Selects all rows that are shown, or none. */
    all?: () => void;
    /** What can be done with the selected ones. */
    acts: Snippet;
  }

  let { rows, of, filters, acts, all = () => rows.toggleAll() }: Props = $props();
  const chosen = $derived(rows.chosen.length);
</script>

<div class="bar" class:chosen={chosen > 0}>
  <Check
    checked={chosen > 0 && chosen === of}
    partly={chosen > 0 && chosen < of}
    label="Select all {of}"
    changed={all}
  />
  {#if chosen > 0}
    <p role="status">{chosen.toLocaleString('en')} of {of.toLocaleString('en')} selected</p>
    {@render acts()}
    <Button weight="quiet" onclick={() => rows.clear()}>Let them go</Button>
  {:else}{@render filters?.()}{/if}
</div>

<style>
  .bar {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: var(--space-2) var(--space-4);
    min-height: 3rem;
    padding: var(--space-1) var(--space-2);
    border-bottom: 2px solid var(--rule-strong);
  }

  .chosen {
    background: var(--woad-wash);
  }

  p {
    font-size: var(--size-body);
    font-weight: 620;
  }
</style>
