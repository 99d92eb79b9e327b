<script lang="ts">
  interface Props {
    label: string;
    short: string;
    value: number | null;
    most: number;
    /** Nothing at all is a figure too. */
    none?: boolean;
    /** What a device shows, to be taken over by a touch. */
    from?: number | null;
    onset: (value: number) => void;
  }

  let { label, short, value, most, none = false, from = null, onset }: Props = $props();
  let typed = $derived(value === null ? '' : String(value));
  let wrong = $state(false);

  function set(words: string): void {
    const figure = Number(words.trim().replace(',', '.'));
    wrong = words.trim() !== '' && !((figure > 0 || (none && figure === 0)) && figure <= most);
    if (words.trim() !== '' && !wrong) onset(figure);
  }
</script>

<span class="figure">
  <small aria-hidden="true">{wrong ? 'a number, please' : short}</small>
  <input
    aria-label={label}
    aria-invalid={wrong}
    inputmode="decimal"
    bind:value={typed}
    onchange={(event) => set(event.currentTarget.value)}
  />
  {#if from !== null}<button
      type="button"
      aria-label="{label}: {from}"
      onclick={() => onset(none ? Math.max(0, from) : from)}>{from}</button
    >{/if}
</span>

<style>
  .figure {
    display: grid;
  }

  small {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }

  input {
    width: 100%;
    min-height: 3rem;
    padding: 0 var(--space-2);
    text-align: right;
  }

  [aria-invalid='true'] {
    border-color: var(--madder);
  }

  button {
    min-height: 3rem;
    border: 1px dashed var(--woad);
    color: var(--woad);
    text-align: center;
  }
</style>
