<script lang="ts">
  import type { Ladder } from '../../core/index.js';

  let { ladder, done }: { ladder: Ladder; done: number } = $props();
  /** So many stitches about the one that is worked are shown: more can't be told apart at arm's length. */
  const SHOWN = 18;
  const from = $derived(Math.max(0, Math.min(done - 6, ladder.stitches.length - SHOWN)));
  const shown = $derived(ladder.stitches.slice(from, from + SHOWN).map((stitch, i) => ({ ...stitch, at: from + i })));
  const low = $derived(Math.min(...shown.flatMap(({ on }) => on), Infinity));
  const first = $derived(Number.isFinite(low) ? low : 0);
  const edge = $derived([...new Set(shown.flatMap(({ on }) => on))]);
  const x = (i: number) => 10 + i * 20;
  /** The rows stand about the same middle. */
  const shift = $derived(((shown.length - edge.length) * 20) / 2);
</script>

<svg viewBox="0 0 {SHOWN * 20} 56" aria-hidden="true">
  {#each shown as { on, at } (at)}
    {#each on as below (below)}
      <path class:here={at === done} class:past={at < done} d="M{x(below - first) + shift} 46L{x(at - from)} 10" />
    {/each}
    <circle class:here={at === done} class:past={at < done} cx={x(at - from)} cy="10" r="5" />
  {/each}
  {#each edge as below (below)}<circle class="edge" cx={x(below - first) + shift} cy="46" r="4" />{/each}
</svg>

<style>
  svg {
    display: block;
    width: 100%;
    max-height: 4.5rem;
    margin: var(--space-2) 0;
  }

  path {
    stroke: var(--rule-strong);
    stroke-width: 1.5;
  }

  circle {
    fill: var(--paper);
    stroke: var(--ink-soft);
    stroke-width: 1.5;
  }

  .edge {
    fill: var(--ink-soft);
  }

  .past {
    stroke: var(--sage);
  }

  circle.past {
    fill: var(--sage);
  }

  .here {
    stroke: var(--woad);
    stroke-width: 3;
  }
</style>
