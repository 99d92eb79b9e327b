<script lang="ts">
  interface Props {
    value: string;
    /** What is looked for, as a label and in the empty field. */
    label: string;
    id?: string;
  }

  let { value = $bindable(), label, id = 'search' }: Props = $props();
  let field: HTMLInputElement;

  /** Takes the caret there, with what stands there selected. */
  export function ask(): void {
    field.focus();
    field.select();
  }

  function onkeydown(event: KeyboardEvent): void {
    if (event.key !== 'Escape') return;
    event.preventDefault();
    // A second time leads out of the field.
    if (value === '') field.blur();
    else value = '';
  }
</script>

<input type="search" {id} bind:this={field} bind:value placeholder={label} aria-label={label} {onkeydown} />

<style>
  input {
    width: 15rem;
    min-height: 2.125rem;
    padding: 0 var(--space-3);
    font-size: var(--size-body);
  }

  input::-webkit-search-cancel-button {
    display: none;
  }

  @media (max-width: 720px) {
    input {
      flex: 1;
      width: auto;
      min-width: 9rem;
    }
  }
</style>
