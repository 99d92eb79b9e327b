<script lang="ts">
  import type { ShapePart } from '../../core/index.js';
  import type { ShapeSession } from './shape.svelte.js';

  interface Props {
    session: ShapeSession;
    part: ShapePart;
    /** The part as it would be with its shapings shifted: small, and with few words. */
    brief?: boolean;
  }

  let { session, part, brief = false }: Props = $props();
  const SIZE = 100;

  /** Rings of one piece in rounds, drawn at even distances: it is angles that are looked at. */
  const rings = $derived.by(() => {
    const piece = part.outlines.find(
      (outline) => !outline.flat && outline.levels.some(({ ring }) => ring === (session.ring ?? 0)),
    );
    const chosen = piece ?? part.outlines.find(({ flat }) => !flat);
    const levels = chosen?.levels ?? [];
    return levels.map(({ ring }, i) => ({ ring, r: ((i + 1) / levels.length) * (SIZE - 6), of: part.rings[ring] }));
  });
  const shown = $derived(rings.filter(({ of }) => of));

  /** Where a shaping lies: the start of the round at the bottom, the work going to the left as it does in the hand. */
  function at(r: number, share: number): { x: number; y: number } {
    const angle = share * 2 * Math.PI;
    return { x: -r * Math.sin(angle), y: r * Math.cos(angle) };
  }

  /** Those that last: of the widest round, and of the end. */
  const corners = $derived.by(() => {
    const widest = Math.max(0, ...shown.map(({ of }) => of?.made ?? 0));
    const lasting = [...shown.filter(({ of }) => of?.made === widest), ...shown.slice(-1)];
    return Math.max(0, ...lasting.map(({ of }) => of?.corners ?? 0));
  });
  const starts = $derived(shown.map(({ r, of }) => at(r, of?.start ?? 0)));
  const DENSE = 400;
  const many = $derived(shown.reduce((sum, { of }) => sum + (of?.shapings.length ?? 0), 0) > DENSE);
</script>

<figure class:brief>
  {#if shown.length > 0}
    <svg
      viewBox="-{SIZE} -{SIZE} {2 * SIZE} {2 * SIZE}"
      role="img"
      aria-label="Increases and decreases looked at from the pole{corners > 0 ? `, with ${corners} corners` : ''}"
    >
      {#each shown as { ring, r } (ring)}
        <circle class={['ring', { here: session.ring === ring }]} {r} />
      {/each}
      <path class="starts" d="M{starts.map(({ x, y }) => `${x} ${y}`).join('L')}" />
      {#each shown as { ring, r, of } (ring)}
        {#each of?.shapings ?? [] as shaping, i (i)}
          {@const { x, y } = at(r, shaping.at + (of?.start ?? 0))}
          {#if shaping.kind === 'increase'}
            <circle class={['shaping', { stacked: shaping.stacked >= 3 }]} cx={x} cy={y} r={many ? 1.4 : 2.4} />
          {:else}
            <path
              class={['decrease', { stacked: shaping.stacked >= 3 }]}
              d="M{x - 2.4} {y - 2.4}l4.8 4.8m0 -4.8l-4.8 4.8"
            />
          {/if}
        {/each}
      {/each}
    </svg>
    <figcaption>
      {#if brief}Shifted, it would be so{corners > 0 ? `, with ${corners} corners` : ', without corners'}.{:else}
        Seen from where it begins; ● increase, × decrease{#if corners > 0}, <span class="corner"
            >in columns: {corners} corners</span
          >{/if}. The line is where rounds start. Each stitch is taken to lean back by 0.3 of its width.{/if}
    </figcaption>
  {:else}
    <figcaption>Worked in rows: there is no pole to look from.</figcaption>
  {/if}
</figure>

<style>
  figure {
    margin: 0;
  }

  svg {
    display: block;
    width: 100%;
    max-height: 12rem;
  }

  .brief svg {
    max-height: 8rem;
  }

  .ring {
    fill: none;
    stroke: var(--rule-strong);
    stroke-width: 0.5;
  }

  .ring.here {
    stroke: var(--woad);
    stroke-width: 2;
  }

  .shaping {
    fill: var(--ink-soft);
  }

  .decrease {
    fill: none;
    stroke: var(--ink-soft);
    stroke-width: 1.2;
  }

  .shaping.stacked {
    fill: var(--madder);
  }

  .decrease.stacked {
    stroke: var(--madder);
  }

  .starts {
    fill: none;
    stroke: var(--weld);
    stroke-width: 0.8;
    stroke-dasharray: 2 2;
  }

  figcaption {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }

  .corner {
    color: var(--madder);
  }
</style>
