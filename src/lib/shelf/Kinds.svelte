<script lang="ts">
  import Select from '../components/Select.svelte';
  import { offered, SORTED, TERMS, type Look } from './arranging.js';

  interface Props {
    look: Look;
    /** How many there are of each kind. */
    tally: Readonly<Record<Look['show'], number>>;
    lookFor: (change: Partial<Look>) => void;
  }

  let { look, tally, lookFor }: Props = $props();
</script>

<!-- What is shown of the shelf, and in which order. -->
<div role="group" aria-label="Show">
  {#each offered(tally, look.show) as { value, text } (value)}
    <button type="button" aria-pressed={look.show === value} onclick={() => lookFor({ show: value })}
      >{text} <span>{tally[value].toLocaleString('en')}</span></button
    >
  {/each}
</div>
<Select label="Terms" value={look.terms} options={TERMS} chosen={(terms) => lookFor({ terms })} />
<Select label="Order" value={look.sort} options={SORTED} chosen={(sort) => lookFor({ sort })} />

<style>
  div {
    display: flex;
    flex: 1;
    flex-wrap: wrap;
    gap: var(--space-1) var(--space-4);
  }

  button {
    padding: var(--space-1) 0;
    border-bottom: 2px solid transparent;
    color: var(--ink-soft);
    font-size: var(--size-body);
  }

  button:hover {
    color: var(--woad);
  }

  [aria-pressed='true'] {
    border-bottom-color: var(--ink);
    color: var(--ink);
    font-weight: 620;
  }

  span {
    font-size: var(--size-small);
    font-weight: 450;
  }

  @media (max-width: 720px) {
    div {
      flex: 1 0 calc(100% - 3rem);
    }
  }
</style>
