<script lang="ts" generics="Value extends string">
  import type { Snippet } from 'svelte';

  interface Option {
    readonly value: Value;
    readonly text: string;
  }
  interface Props {
    /** What is chosen, as the name of the group. */
    label: string;
    name: string;
    value: Value;
    options: readonly Option[];
    chosen: (value: Value) => void;
    /** How an option is shown, where its text alone is not enough. */
    option?: Snippet<[Option]>;
  }

  let { label, name, value, options, chosen, option: shown }: Props = $props();
</script>

<!-- One of a few, side by side, as a row of tags. -->
<div role="radiogroup" aria-label={label}>
  {#each options as option (option.value)}
    <label class:chosen={option.value === value}>
      <input type="radio" {name} checked={option.value === value} onchange={() => chosen(option.value)} />
      {#if shown}{@render shown(option)}{:else}{option.text}{/if}
    </label>
  {/each}
</div>

<style>
  div {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  label {
    display: flex;
    align-items: center;
    gap: var(--space-2);
    min-height: 2.125rem;
    padding: 0 var(--space-3);
    border: 1px solid var(--rule-strong);
    border-radius: var(--radius);
    font-size: var(--size-body);
    cursor: pointer;
  }

  label:hover {
    background: var(--paper-sunk);
  }

  label:focus-within {
    outline: 2px solid var(--woad);
    outline-offset: 2px;
  }

  .chosen,
  .chosen:hover {
    border-color: var(--ink-soft);
    background: var(--woad-wash);
  }

  input {
    appearance: none;
    flex: none;
    width: 0.6rem;
    height: 0.6rem;
    margin: 0;
    border: 1.5px solid var(--ink-soft);
    border-radius: 50%;
    outline: 0;
  }

  input:checked {
    border-color: var(--woad);
    background: var(--woad);
  }
</style>
