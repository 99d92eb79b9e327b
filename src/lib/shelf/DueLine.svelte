<script lang="ts">
  import { plural } from '../plural.js';

  let { due }: { due: { readonly late: number; readonly today: number } } = $props();
  const words = $derived(
    [
      due.late > 0 ? `${plural(due.late, 'pattern')} late` : '',
      due.today > 0 ? `${plural(due.today, 'date')} today` : '',
    ]
      .filter((part) => part !== '')
      .join(', '),
  );
</script>

{#if words !== ''}<p class:late={due.late > 0}><a href="/plan">On the plan: {words}</a></p>{/if}

<style>
  p {
    padding-bottom: var(--space-2);
    font-size: var(--size-small);
  }

  a {
    color: var(--ink-soft);
  }

  .late a {
    color: var(--madder);
    font-weight: 600;
  }
</style>
