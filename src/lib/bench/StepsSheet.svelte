<script lang="ts">
  import type { BenchCall } from '../bench.js';
  import type { BenchSession } from './bench.svelte.js';
  import Sheet from './Sheet.svelte';
  import { stepWords } from './words.js';

  let { session, call }: { session: BenchSession; call: BenchCall } = $props();
  /** So many are shown at once. */
  const MANY = 60;
  let most = $state(MANY);
  // Touches inside a round are taken back at the pad: what they led to is shown.
  const steps = $derived((session.progress?.standing ?? []).filter(({ what }, i) => i === 0 || what.kind !== 'count'));
  const time = new Intl.DateTimeFormat(undefined, {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });
</script>

<Sheet title="All that was done" onclose={() => (session.sheet = null)}>
  {#if steps.length === 0}<p>Nothing yet.</p>{/if}
  <ol>
    {#each steps.slice(0, most) as { id, at, what } (id)}
      {@const { where, did } = stepWords(what, call.course)}
      <li>
        <p>
          {#if where}<strong>{where}</strong>{/if}
          {did}
          <small>{time.format(at)}</small>
        </p>
        <button type="button" aria-label="Take back: {where} {did}" onclick={() => session.takeBack(id)}
          >Take back</button
        >
      </li>
    {/each}
  </ol>
  {#if steps.length > most}
    <button type="button" onclick={() => (most += MANY)}>Show {Math.min(MANY, steps.length - most)} earlier ones</button
    >
  {/if}
</Sheet>

<style>
  ol {
    margin: 0;
    list-style: none;
  }

  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: var(--space-3);
    align-items: center;
    border-bottom: 1px solid var(--rule);
    overflow-wrap: anywhere;
  }

  strong {
    font-weight: 600;
  }

  strong,
  small {
    display: block;
  }

  small {
    color: var(--ink-soft);
  }

  p {
    padding: var(--space-2) 0;
  }

  button {
    min-height: 3rem;
    color: var(--woad);
    font-weight: 550;
  }
</style>
