<script lang="ts">
  import type { Snippet } from 'svelte';
  import Button from './Button.svelte';

  interface Props {
    /** Something is in danger, or only left undone. */
    grave?: boolean;
    again: () => void;
    children: Snippet;
  }

  let { grave = false, again, children }: Props = $props();
</script>

<div role="alert" class:grave>
  <p>{@render children()}</p>
  <Button weight="quiet" onclick={again}>Try now</Button>
</div>

<style>
  div {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: var(--space-4);
    padding: var(--space-2) var(--space-4);
    background: var(--weld-wash);
    font-size: var(--size-body);
  }

  .grave {
    background: var(--madder-wash);
  }
</style>
