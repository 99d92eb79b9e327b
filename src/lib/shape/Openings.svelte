<script lang="ts">
  import type { Shape, ShapePart } from '../../core/index.js';
  import FactSection from './FactSection.svelte';
  import type { ShapeSession } from './shape.svelte.js';
  import { cm, short } from './words.js';

  let { session, shape, part }: { session: ShapeSession; shape: Shape; part: ShapePart } = $props();
  const openings = $derived(part.openings);
  const label = (ring: number) => {
    const of = part.rings[ring];
    return of ? (of.number === null ? of.label : `${/row/i.test(of.kind) ? 'row' : 'round'} ${of.number}`) : '';
  };
  const rows = $derived(
    openings
      ? ([
          ['Stuffing', openings.stuffing],
          [`Washers of ${short(shape.eyes.size)} mm eyes`, openings.washers],
        ] as const)
      : [],
  );
</script>

{#if openings && part.filling !== 'lies-flat'}
  <FactSection heading="Opening of {part.name}, laid flat">
    <dl>
      <dt>Widest</dt>
      <dd>
        <button type="button" onclick={() => (session.ring = openings.widest.ring)}
          >{cm(openings.widest.width)}, {label(openings.widest.ring)}</button
        >
      </dd>
      <dt>At the end</dt>
      <dd>{cm(openings.last.width)}</dd>
      {#each rows as [what, until] (what)}
        <dt>{what}</dt>
        <dd>
          {#if until}
            <button type="button" onclick={() => (session.ring = until.ring)}
              >until {label(until.ring)}, {cm(until.width)}</button
            >
          {:else if openings.widest.width < shape.eyes.washer}never: too narrow
          {:else}to the end{/if}
        </dd>
      {/each}
    </dl>
    {#if !shape.eyes.said}<p>
        No size of eyes is named: {short(shape.eyes.size)} mm is assumed, with washers of {short(shape.eyes.washer)} mm.
      </p>{/if}
  </FactSection>
{/if}

<style>
  dl {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 0 var(--space-3);
    font-variant-numeric: tabular-nums;
  }

  dt,
  p {
    color: var(--ink-soft);
  }

  dd {
    text-align: right;
  }

  button {
    color: var(--woad);
    text-decoration: underline;
  }

  p {
    font-size: var(--size-small);
  }
</style>
