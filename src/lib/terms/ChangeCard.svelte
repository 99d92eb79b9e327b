<script lang="ts">
  import type { TermChange } from '../../core/index.js';
  import Button from '../components/Button.svelte';

  interface Props {
    change: TermChange | null;
    /** Which one it is of how many; -1 where none is chosen. */
    place: { at: number; of: number };
    step: (by: 1 | -1) => void;
    /** Writes something in its place; null takes the decision back. */
    decide: (change: TermChange, written: string | null) => void;
  }

  let { change, place, step, decide }: Props = $props();
  let own = $state('');
  const taken = $derived(change?.written === change?.after);
  const left = $derived(change?.written === change?.before);

  $effect(() => {
    own = change && change.written !== change.after && change.written !== change.before ? change.written : '';
  });

  function write(event: SubmitEvent): void {
    event.preventDefault();
    if (change && own.trim() !== '') decide(change, own);
  }

  const visible = (words: string) => (words.trim() === '' ? 'nothing' : words.replace(/\s+/g, ' ').trim());
</script>

<section aria-labelledby="change" aria-live="polite">
  <div class="head">
    <h2 id="change">
      {#if change}Change {place.at + 1} of {place.of}{:else}{place.of} changes{/if}
    </h2>
    <button type="button" title="Alt ," aria-label="Change before" onclick={() => step(-1)}>‹</button>
    <button type="button" title="Alt ." aria-label="Next change" onclick={() => step(1)}>›</button>
  </div>
  {#if change}
    <p class="words"><del>{visible(change.before)}</del> <ins>{visible(change.written)}</ins></p>
    <p class="reason">Line {change.line}. {change.reason}</p>
    <div class="choice" role="group" aria-label="What to write">
      <button type="button" aria-pressed={taken} title="Alt 1" onclick={() => decide(change, change.after)}
        >{visible(change.after)}</button
      >
      <button type="button" aria-pressed={left} title="Alt 2" onclick={() => decide(change, change.before)}
        >leave {visible(change.before)}</button
      >
    </div>
    <form onsubmit={write}>
      <input bind:value={own} placeholder="write otherwise" aria-label="Write otherwise" maxlength="200" />
      <Button type="submit" disabled={own.trim() === ''}>Write</Button>
    </form>
    {#if change.decided}
      <button type="button" class="back" title="Alt 0" onclick={() => decide(change, null)}
        >Decided, and kept for the next draft. Take it back</button
      >
    {/if}
  {:else if place.of > 0}
    <p class="reason">Click a marked word, or go through them with Alt . and Alt ,</p>
  {/if}
</section>

<style>
  section {
    display: grid;
    gap: var(--space-2);
    padding: var(--space-3);
    border: 1px solid var(--rule-strong);
    border-radius: var(--radius);
    background: var(--paper-raised);
  }

  .head {
    display: flex;
    align-items: center;
    gap: var(--space-1);
  }

  h2 {
    flex: 1;
    font-size: var(--size-body);
    font-weight: 680;
    font-variant-numeric: tabular-nums;
  }

  .head button {
    text-align: center;
    width: 2rem;
    height: 1.75rem;
    border: 1px solid var(--rule-strong);
    border-radius: var(--radius);
    color: var(--ink);
    line-height: 1;
  }

  .words {
    font-family: var(--text-face);
    font-size: var(--size-text);
    overflow-wrap: anywhere;
  }

  del {
    color: var(--ink-soft);
  }

  ins {
    background: var(--woad-wash);
    text-decoration: none;
  }

  .reason {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }

  .choice {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-1);
  }

  .choice button {
    min-height: 2rem;
    padding: 0 var(--space-2);
    border: 1px solid var(--rule-strong);
    border-radius: var(--radius);
    color: var(--ink);
    font-size: var(--size-small);
  }

  .choice button[aria-pressed='true'] {
    background: var(--woad-wash);
    font-weight: 620;
  }

  form {
    display: flex;
    gap: var(--space-1);
  }

  input {
    flex: 1;
    min-width: 0;
    padding: 0 var(--space-2);
    background: var(--paper);
    font-size: var(--size-small);
  }

  .back {
    justify-self: start;
    color: var(--woad);
    font-size: var(--size-small);
    text-decoration: underline;
  }
</style>
