<script lang="ts">
  import type { Shape, ShapePlaced } from '../../core/index.js';
  import FactSection from './FactSection.svelte';
  import type { ShapeSession } from './shape.svelte.js';
  import { cm } from './words.js';

  let { session, shape, pattern }: { session: ShapeSession; shape: Shape; pattern: string } = $props();
  const R = 40;

  function whereOf({ rounds, between, part }: ShapePlaced): string {
    const on = part === null ? '' : `${shape.parts[part]?.name ?? ''}, `;
    if (!rounds) return part === null ? '' : (shape.parts[part]?.name ?? '');
    const [a, b] = rounds;
    return `${on}${between ? `between ${a} and ${b}` : a === b ? `round ${a}` : `rounds ${a} to ${b}`}`;
  }

  function look({ part, rings }: ShapePlaced): void {
    if (part !== null) session.look(part, rings?.[0] ?? null);
  }
</script>

{#if shape.placed.length > 0 || shape.neverPlaced.length > 0}
  <FactSection heading="What goes where">
    <ul>
      {#each shape.placed as placed, i (i)}
        <li>
          <svg viewBox="-50 -50 100 100" aria-hidden="true">
            <circle class="round" r={R} />
            <path class="front" d="M0 {R + 8}V{R + 2}" />
            {#each placed.turns as turn (turn)}
              <circle
                class="thing"
                r="6"
                cx={R * Math.sin((turn * Math.PI) / 180)}
                cy={R * Math.cos((turn * Math.PI) / 180)}
              />
            {/each}
          </svg>
          <p>
            <button type="button" onclick={() => look(placed)}>{placed.what}</button>
            {whereOf(placed)}{#if placed.apart !== null && placed.of !== null}; {placed.apart} of {placed.of} stitches apart,
              {Math.round((placed.apart / placed.of) * 360)}° round{#if placed.distance !== null}, {cm(placed.distance)} along
                it{/if}{/if}{#if placed.symmetric === false}. <span class="missing"
                >Its middle is not that of the other pairs.</span
              >{/if}{#if placed.symmetric}. Its middle is that of the other pairs.{/if}
            {#if placed.missing.length > 0}
              <a class="missing" href="/desk/{pattern}?line={placed.line}">Not said: {placed.missing.join(', ')}.</a>
            {/if}
          </p>
        </li>
      {/each}
    </ul>
    {#each shape.neverPlaced as thing (thing)}<p class="missing">
        The materials list {thing}, and no words say on which round they go.
      </p>{/each}
    {#if shape.placed.some(({ turns }) => turns.length > 1)}<p class="soft">
        Seen from above, the front below. A pair is drawn to both sides of it.
      </p>{/if}
  </FactSection>
{/if}

<style>
  li {
    display: grid;
    grid-template-columns: 2.25rem 1fr;
    gap: var(--space-2);
    padding: var(--space-1) 0;
    border-bottom: 1px solid var(--rule);
  }

  svg {
    width: 2.25rem;
    height: 2.25rem;
  }

  .round {
    fill: none;
    stroke: var(--ink-soft);
    stroke-width: 2;
  }

  .front {
    stroke: var(--ink-soft);
    stroke-width: 3;
  }

  .thing {
    fill: var(--ink);
  }

  button {
    color: var(--woad);
    font-weight: 620;
  }

  button:hover {
    text-decoration: underline;
  }

  .missing {
    color: var(--weld);
  }

  .soft {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }
</style>
