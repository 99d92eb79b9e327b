<script lang="ts">
  import { figureIn, reckoned, SHAPINGS, sumWords, type Shaping } from './reckoning.js';

  let plain = $state('');
  let shaping = $state<Shaping>('inc');
  let times = $state('');
  let edge = $state('');
  const sum = $derived(reckoned(figureIn(plain), shaping, figureIn(times)));
  let first = $state<HTMLInputElement>();

  /** Into its first field. */
  export function ask(): void {
    first?.focus();
  }
</script>

<!-- Sums of a round that one types in oneself: nothing of the pattern is read here. -->
<fieldset>
  <legend>Sums</legend>
  <p>
    <input bind:this={first} bind:value={plain} inputmode="numeric" aria-label="Plain stitches" maxlength="4" /> plain,
    then
    <select bind:value={shaping} aria-label="Then">
      {#each SHAPINGS as { id, words } (id)}<option value={id}>{words}</option>{/each}
    </select>
  </p>
  <p>
    <input bind:value={times} inputmode="numeric" aria-label="Times" maxlength="4" /> times, on
    <input bind:value={edge} inputmode="numeric" aria-label="Stitches there" maxlength="4" /> stitches
  </p>
  <p class="sum" role="status">
    {sumWords(sum, figureIn(edge))}
  </p>
</fieldset>

<style>
  fieldset {
    display: grid;
    gap: var(--space-2);
    margin: 0;
    padding: var(--space-3);
    border: 1px solid var(--rule);
    border-radius: var(--radius);
    font-size: var(--size-body);
  }

  legend {
    padding: 0 var(--space-1);
    font-size: var(--size-small);
    font-weight: 600;
  }

  p {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: var(--space-2);
  }

  input {
    width: 3.25rem;
    min-height: 2rem;
    padding: 0 var(--space-2);
    text-align: right;
  }

  select {
    min-height: 2rem;
    padding: 0 var(--space-1);
  }

  .sum {
    min-height: 1.5em;
    font-weight: 600;
  }
</style>
