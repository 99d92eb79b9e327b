<script lang="ts">
  import type { HTMLInputAttributes } from 'svelte/elements';

  interface Props extends Omit<HTMLInputAttributes, 'value'> {
    label: string;
    value: string;
    /** For several lines: how many to show. */
    lines?: number;
    hint?: string;
    problem?: string;
  }

  let {
    label,
    value = $bindable(),
    lines = 1,
    hint,
    problem,
    id = `field-${label.toLowerCase().replace(/\W+/g, '-')}`,
    placeholder,
    ...rest
  }: Props = $props();
  const about = $derived(problem || hint ? `${id}-about` : undefined);
</script>

<div class="field" class:tall={lines > 1}>
  <label for={id}>{label}</label>
  {#if lines > 1}
    <textarea
      {id}
      bind:value
      rows={lines}
      {placeholder}
      spellcheck="false"
      aria-describedby={about}
      aria-invalid={problem ? true : undefined}></textarea>
  {:else}
    <input {id} bind:value {placeholder} aria-describedby={about} aria-invalid={problem ? true : undefined} {...rest} />
  {/if}
  {#if problem}
    <p id={about} class="problem" role="alert">{problem}</p>
  {:else if hint}
    <p id={about} class="hint">{hint}</p>
  {/if}
</div>

<style>
  .field {
    display: grid;
    gap: var(--space-1);
  }

  .tall {
    min-height: 0;
    grid-template-rows: auto minmax(0, 1fr) auto;
  }

  label {
    font-size: var(--size-small);
    font-weight: 600;
    color: var(--ink-soft);
  }

  input,
  textarea {
    width: 100%;
    padding: var(--space-2) var(--space-3);
    font-size: var(--size-body);
  }

  textarea {
    font-family: var(--text-face);
    line-height: 1.6;
    resize: vertical;
  }

  [aria-invalid] {
    border-color: var(--madder);
  }

  .hint {
    font-size: var(--size-small);
    color: var(--ink-soft);
  }

  .problem {
    font-size: var(--size-small);
    color: var(--madder);
  }
</style>
