<script lang="ts">
  import type { BenchCall } from '../bench.js';
  import type { BenchSession } from './bench.svelte.js';

  let { session, call }: { session: BenchSession; call: BenchCall } = $props();
  const round = $derived(session.round);
  const beat = $derived(session.beats[session.touches] ?? null);
  const pass = $derived(beat?.pass ?? null);
  const now = $derived(beat && session.instruction ? session.instruction.words.slice(beat.from, beat.to) : '');
  const said = $derived.by(() => {
    if (!round) return '';
    if (session.whole) return 'Touch when the round is done';
    if (session.full) return `All ${round.made ?? ''} worked. Touch for the next round`;
    if (session.counting === 'repeat')
      return pass ? `repeat ${pass.at} of ${pass.of}` : `part ${session.touches + 1} of ${session.beats.length}`;
    return pass ? `${now}, repeat ${pass.at} of ${pass.of}` : now;
  });
</script>

<section aria-label="Counter">
  <div class="doing">
    <button type="button" onclick={() => session.undo()} disabled={!session.progress?.last}>Take back</button>
    <button type="button" onclick={() => (session.sheet = 'count')} disabled={!round}>How many?</button>
    <button type="button" onclick={() => (session.sheet = 'note')}>Note</button>
  </div>
  {#if round}
    <button
      type="button"
      class={['pad', { full: session.full }]}
      aria-describedby="pad-said"
      onpointerdown={(event) => {
        // At the touch, not when the finger leaves.
        if (event.button === 0) session.touch();
      }}
      onclick={(event) => {
        // By keys and by voice it is a click without a pointer.
        if (event.detail === 0) session.touch();
      }}
    >
      {#if session.whole}
        <span class="figure">{round.made ?? '?'}</span>
      {:else if session.counting === 'repeat'}
        <span class="figure"
          >{Math.min(session.touches, session.beats.length)} <small>of {session.beats.length}</small></span
        >
      {:else}
        <span class="figure">{session.stitches} <small>of {round.made ?? '?'}</small></span>
      {/if}
      <span id="pad-said" class="said" aria-live="off">{said}</span>
    </button>
  {:else}
    <div class="pad done">
      <p>{call.name}: every round is worked.</p>
      <button type="button" class="on" onclick={() => (session.sheet = 'figures')}>Weigh, measure, finish</button>
    </div>
  {/if}
</section>

<style>
  section {
    display: grid;
    grid-area: pad;
    grid-template-rows: auto minmax(0, 1fr);
    min-height: 0;
  }

  .doing {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    border-top: 1px solid var(--rule-strong);
  }

  .doing button {
    min-height: 3.25rem;
    color: var(--woad);
    font-weight: 550;
    text-align: center;
  }

  .doing button + button {
    border-left: 1px solid var(--rule);
  }

  .doing button:disabled {
    color: var(--ink-soft);
    opacity: 0.6;
  }

  .pad {
    display: grid;
    place-content: center;
    gap: var(--space-2);
    width: 100%;
    padding: var(--space-4);
    padding-bottom: max(var(--space-4), env(safe-area-inset-bottom));
    background: var(--paper-sunk);
    text-align: center;
    user-select: none;
    -webkit-tap-highlight-color: transparent;
  }

  .pad:active {
    background: var(--woad-wash);
  }

  .full {
    background: var(--sage-wash);
  }

  .figure {
    font-size: clamp(4.5rem, 22vmin, 9rem);
    font-weight: 600;
    line-height: 1;
  }

  small {
    color: var(--ink-soft);
    font-size: 0.34em;
    font-weight: 400;
  }

  .said {
    min-height: 2.9em;
    font-size: var(--size-title);
  }

  .on {
    min-height: 3.5rem;
    padding: 0 var(--space-4);
    background: var(--ink);
    color: var(--paper);
    font-weight: 600;
    text-align: center;
  }
</style>
