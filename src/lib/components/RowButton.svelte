<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { HTMLButtonAttributes } from 'svelte/elements';

  interface Props extends HTMLButtonAttributes {
    /** The widths of its columns, as CSS says them. */
    columns: string;
    children: Snippet;
  }

  let { columns, children, ...rest }: Props = $props();
</script>

<!-- A line of a list that leads somewhere. -->
<button type="button" style:grid-template-columns={columns} {...rest}>{@render children()}</button>

<style>
  button {
    display: grid;
    align-items: baseline;
    gap: var(--space-2);
    width: 100%;
    padding: 0.15rem 0.25rem;
    border-bottom: 1px solid var(--rule);
    font-size: var(--size-small);
  }

  button:hover {
    background: var(--paper-sunk);
  }

  [aria-current] {
    background: var(--woad-wash);
    font-weight: 620;
  }
</style>
