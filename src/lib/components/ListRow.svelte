<script lang="ts">
  import type { Snippet } from 'svelte';
  import Check from './Check.svelte';

  interface Props {
    id: string;
    name: string;
    /** Where its name leads. */
    href?: string;
    selected: boolean;
    toggle: () => void;
    /** The row was come to by focus: the keys go on from it. */
    reached: () => void;
    /** Small words below the name. */
    facts?: Snippet;
    /** What is to be seen of it, beside the name. */
    children?: Snippet;
    /** What can be done with it. */
    ends?: Snippet;
  }

  let { id, name, href, selected, toggle, reached, facts, children, ends }: Props = $props();
</script>

<div class="row" class:selected role="listitem" data-row={id} onfocusin={reached}>
  <Check checked={selected} label="Select {name}" changed={toggle} />
  <div class="name">
    {#if href}<a {href}>{name}</a>{:else}<span class="called">{name}</span>{/if}
    {#if facts}<p>{@render facts()}</p>{/if}
  </div>
  {#if children}<div class="seen">{@render children()}</div>{/if}
  <div class="ends">{@render ends?.()}</div>
</div>

<style>
  .row {
    display: grid;
    grid-template-columns: auto minmax(0, 5fr) minmax(0, 6fr) auto;
    align-items: center;
    gap: var(--space-1) var(--space-4);
    min-height: 4.25rem;
    padding: var(--space-2) var(--space-2);
    border-bottom: 1px solid var(--rule);
  }

  .row:hover,
  .row:focus-within {
    background: color-mix(in srgb, var(--paper-raised) 60%, transparent);
  }

  .row:focus-within {
    box-shadow: inset 3px 0 var(--woad);
  }

  .selected,
  .selected:hover {
    background: var(--woad-wash);
  }

  a,
  .called {
    display: -webkit-box;
    overflow: hidden;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 2;
    line-clamp: 2;
    overflow-wrap: anywhere;
    font-family: var(--text-face);
    font-size: 1.125rem;
    line-height: 1.3;
    color: var(--ink);
    text-decoration-color: transparent;
  }

  a:hover {
    text-decoration-color: currentcolor;
  }

  p {
    margin-top: 0.1rem;
    font-size: var(--size-small);
    color: var(--ink-soft);
  }

  .ends {
    grid-column: -2;
  }

  @media (max-width: 720px) {
    .row {
      grid-template-columns: auto minmax(0, 1fr) auto;
      gap: var(--space-1) var(--space-3);
    }

    .seen {
      grid-column: 2;
      grid-row: 2;
    }

    .ends {
      grid-column: 3;
      grid-row: 1;
    }
  }
</style>
