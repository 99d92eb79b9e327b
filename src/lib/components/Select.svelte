<script lang="ts" generics="Value extends string">
  import { onMount } from 'svelte';

  interface Props {
    label: string;
    value: Value;
    options: readonly { readonly value: Value; readonly text: string }[];
    /** The label stands before it; otherwise it is only heard. */
    shown?: boolean;
    /** A class for its colour. */
    tone?: string;
    chosen: (value: Value) => void;
  }

  let { label, value, options, shown = false, tone = '', chosen }: Props = $props();

  /** A choice before the page is alive would be lost: until then there is none. */
  let alive = $state(false);
  onMount(() => void (alive = true));

  function choose(wanted: string): void {
    const option = options.find((one) => one.value === wanted);
    if (option) chosen(option.value);
  }
</script>

<!-- The browser's own select, in our look where it lets itself be dressed: keys and screen readers are as everywhere. -->
<label>
  <span class:unseen={!shown}>{label}</span>
  <select class={tone} {value} disabled={!alive} onchange={(event) => choose(event.currentTarget.value)}>
    {#each options as option (option.value)}<option value={option.value}>{option.text}</option>{/each}
  </select>
</label>

<style>
  label {
    display: inline-flex;
    align-items: center;
    gap: var(--space-2);
    position: relative;
    font-size: var(--size-body);
  }

  select,
  select::picker(select) {
    appearance: base-select;
  }

  span {
    white-space: nowrap;
  }

  select {
    display: inline-flex;
    align-items: center;
    justify-content: space-between;
    min-height: 2.125rem;
    max-width: 16rem;
    padding: 0 var(--space-3);
    font-size: var(--size-body);
    white-space: nowrap;
    cursor: pointer;
  }

  select:enabled:hover {
    background: var(--paper-sunk);
  }

  select::picker-icon {
    content: '';
    width: 0.45em;
    height: 0.45em;
    border: solid var(--ink-soft);
    border-width: 0 1.5px 1.5px 0;
    margin: -0.2em 0 0 var(--space-3);
    rotate: 45deg;
  }

  select::picker(select) {
    padding: var(--space-1);
    border: 1px solid var(--rule-strong);
    border-radius: var(--radius);
    background: var(--paper-raised);
    color: var(--ink);
    box-shadow: var(--lift);
  }

  option {
    padding: var(--space-1) var(--space-3);
    border-radius: var(--radius);
    font-weight: 450;
    color: var(--ink);
  }

  option:checked {
    font-weight: 680;
  }

  option:hover,
  option:focus-visible {
    outline: 0;
    background: var(--woad-wash);
  }

  option::checkmark {
    display: none;
  }

  .error {
    color: var(--madder);
    font-weight: 620;
  }

  .warning {
    color: var(--weld);
    font-weight: 620;
  }

  .hint {
    color: var(--woad);
  }
</style>
