<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    checked: boolean;
    /** Some of what it stands for is checked, and some isn't. */
    partly?: boolean;
    /** Its name, where nothing stands beside it. */
    label?: string;
    changed?: (checked: boolean) => void;
    children?: Snippet;
  }

  let { checked = $bindable(), partly = false, label, changed, children }: Props = $props();
</script>

<label>
  <input
    type="checkbox"
    bind:checked
    indeterminate={partly}
    aria-label={label}
    onchange={(event) => changed?.(event.currentTarget.checked)}
  />
  {@render children?.()}
</label>

<style>
  label {
    display: inline-flex;
    align-items: center;
    gap: var(--space-2);
    cursor: pointer;
  }

  input {
    flex: none;
    appearance: none;
    width: 1.0625rem;
    height: 1.0625rem;
    margin: 0;
    border: 1.5px solid var(--ink-soft);
    border-radius: 2px;
    background: var(--paper-raised);
    cursor: pointer;
  }

  /* A stitch in the box: the cross that is worked on linen. */
  input:checked {
    border-color: var(--woad);
    background:
      linear-gradient(45deg, transparent 42%, var(--woad) 42% 58%, transparent 58%),
      linear-gradient(-45deg, transparent 42%, var(--woad) 42% 58%, transparent 58%), var(--paper-raised);
  }

  input:indeterminate {
    border-color: var(--woad);
    background: linear-gradient(-45deg, transparent 42%, var(--woad) 42% 58%, transparent 58%), var(--paper-raised);
  }
</style>
