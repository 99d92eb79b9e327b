<script lang="ts">
  import { tick } from 'svelte';
  import type { ShapePart } from '../../core/index.js';
  import type { ShapeSession } from './shape.svelte.js';

  let { session, part }: { session: ShapeSession; part: ShapePart } = $props();
  const lines = $derived(session.text.split('\n'));
  /** Each round once, with the first of its rings. */
  const rounds = $derived(
    part.rings.flatMap((ring, i) => (part.rings[i - 1]?.round === ring.round ? [] : [{ ...ring, at: i }])),
  );
  const here = $derived(session.ringHere?.round ?? null);
  const words = (line: number, endLine: number) =>
    lines
      .slice(line - 1, endLine)
      .join(' ')
      .trim();

  // What is lit elsewhere is seen here as well.
  $effect(() => {
    if (here === null) return;
    void tick().then(() => document.getElementById(`words-${here}`)?.scrollIntoView({ block: 'nearest' }));
  });
</script>

<!-- The words of the rounds: what is lit in the outline is lit here. -->
<ol aria-label="Rounds as they are written">
  {#each rounds as { round, line, endLine, at, verdict } (round)}
    <li id="words-{round}">
      <button
        type="button"
        class={verdict}
        aria-current={here === round ? 'true' : undefined}
        onclick={() => (session.ring = at)}>{words(line, endLine)}</button
      >
    </li>
  {/each}
</ol>

<style>
  ol {
    min-height: 0;
    overflow-y: auto;
    font-family: var(--text-face);
    font-size: var(--size-small);
    line-height: 1.45;
  }

  button {
    width: 100%;
    padding: 0.1rem 0.3rem;
    border-left: 2px solid transparent;
    text-align: left;
    overflow-wrap: anywhere;
  }

  button:hover {
    background: var(--paper-sunk);
  }

  [aria-current] {
    border-left-color: var(--woad);
    background: var(--woad-wash);
  }

  .off {
    color: var(--madder);
  }

  .unreadable,
  .on-trust {
    color: var(--weld);
  }
</style>
