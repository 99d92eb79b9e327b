<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { HTMLButtonAttributes } from 'svelte/elements';

  interface Props extends HTMLButtonAttributes {
    /** `firm` for the one thing to do, `plain` for the others, `quiet` where the words are enough. */
    weight?: 'firm' | 'plain' | 'quiet';
    children: Snippet;
  }

  let { weight = 'plain', children, type = 'button', ...rest }: Props = $props();
</script>

<button {type} class={weight} {...rest}>{@render children()}</button>

<style>
  button {
    display: inline-flex;
    align-items: center;
    gap: var(--space-2);
    min-height: 2.125rem;
    padding: 0 var(--space-3);
    border: 1px solid var(--rule-strong);
    border-radius: var(--radius);
    color: var(--ink);
    font-size: var(--size-body);
    font-weight: 550;
    white-space: nowrap;
  }

  button:hover {
    background: var(--paper-sunk);
  }

  .firm {
    border-color: var(--ink);
    background: var(--ink);
    color: var(--paper);
  }

  .firm:hover {
    background: var(--woad);
    border-color: var(--woad);
  }

  .quiet {
    border-color: transparent;
    color: var(--woad);
    padding: 0 var(--space-2);
  }

  button:disabled {
    cursor: default;
    opacity: 0.55;
  }
</style>
