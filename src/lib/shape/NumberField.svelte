<script lang="ts">
  interface Props {
    label: string;
    /** What was set; null for what goes without it. */
    value: number | null;
    /** What goes where nothing is set; null where nothing does. */
    otherwise: number | null;
    least: number;
    most: number;
    set: (value: number | null) => void;
  }

  let { label, value, otherwise, least, most, set }: Props = $props();
  let problem = $state('');
  const id = $props.id();
  const shown = (figure: number | null) => (figure === null ? '' : String(Number(figure.toFixed(1))));

  /** Nothing is drawn at a gauge of nothing: what can't be is said, and what was drawn stays. */
  function take(written: string): void {
    const words = written.trim().replace(',', '.');
    const figure = Number(words);
    problem = '';
    if (words === '') set(null);
    else if (!Number.isFinite(figure) || figure < least || figure > most) problem = `From ${least} to ${most}.`;
    else if (figure !== value) set(figure);
  }
</script>

<div>
  <label for={id}>{label}</label>
  <input
    {id}
    inputmode="decimal"
    autocomplete="off"
    value={shown(value)}
    placeholder={otherwise === null ? '?' : shown(otherwise)}
    aria-invalid={problem === '' ? undefined : true}
    aria-describedby={problem === '' ? undefined : `${id}-about`}
    onchange={(event) => take(event.currentTarget.value)}
  />
  {#if problem}<p id="{id}-about" role="alert">{problem}</p>{/if}
</div>

<style>
  div {
    display: grid;
    grid-template-columns: 1fr 4.5rem;
    align-items: center;
    gap: 0 var(--space-2);
  }

  input {
    width: 100%;
    min-height: 1.875rem;
    padding: 0 var(--space-2);
    border: 1px solid var(--rule-strong);
    border-radius: var(--radius);
    background: var(--paper-raised);
    font-variant-numeric: tabular-nums;
    text-align: right;
  }

  input[aria-invalid] {
    border-color: var(--madder);
  }

  p {
    grid-column: 1 / -1;
    color: var(--madder);
    font-size: var(--size-small);
    text-align: right;
  }
</style>
