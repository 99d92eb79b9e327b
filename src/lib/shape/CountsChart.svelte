<script lang="ts">
  import { onMount } from 'svelte';
  import type { ECharts } from 'echarts/core';
  import type { Shape } from '../../core/index.js';
  import { chartOf } from './chart.js';
  import type { ShapeSession } from './shape.svelte.js';

  let { session, shape }: { session: ShapeSession; shape: Shape } = $props();
  let place: HTMLDivElement;
  let chart = $state.raw<ECharts | null>(null);
  let failed = $state(false);
  /** Counts how often the scheme has changed. */
  let schemes = $state(0);

  const token = (name: string) => {
    const probe = document.createElement('span');
    probe.style.color = `var(${name})`;
    document.body.append(probe);
    const { color } = getComputedStyle(probe);
    probe.remove();
    return color;
  };

  onMount(() => {
    let open = true;
    const scheme = matchMedia('(prefers-color-scheme: dark)');
    const turned = () => (schemes += 1);
    scheme.addEventListener('change', turned);
    const watch = new ResizeObserver(() => chart?.resize());
    watch.observe(place);
    import('./echarts.js')
      .then(({ chartIn }) => {
        if (open) chart = chartIn(place);
      })
      .catch(() => (failed = true));
    return () => {
      open = false;
      scheme.removeEventListener('change', turned);
      watch.disconnect();
      chart?.dispose();
    };
  });

  // Drawn anew for other counts, another round, or the other scheme.
  $effect(() => {
    const colours = coloursFor(schemes);
    chart?.setOption(chartOf(shape, session.settings.dyes, { part: session.part, ring: session.ring }, colours), true);
  });

  /** The dyes of the page as they are in this scheme. @param _scheme by which it is asked for anew */
  function coloursFor(_scheme: number): Parameters<typeof chartOf>[3] {
    return {
      ink: token('--ink'),
      soft: token('--ink-soft'),
      rule: token('--rule'),
      off: token('--madder'),
      here: token('--woad'),
    };
  }

  $effect(() => {
    if (!chart) return;
    const look = (event: { data?: unknown }) => {
      const data = event.data as { part?: number; ring?: number } | undefined;
      if (data?.part !== undefined && data.ring !== undefined) session.look(data.part, data.ring);
    };
    chart.on('click', look);
    const own = chart;
    return () => {
      if (!own.isDisposed()) own.off('click', look);
    };
  });
</script>

<!-- The same figures stand in the table of figures, for who can't see the chart. -->
<figure aria-hidden="true">
  <div bind:this={place}></div>
  {#if failed}<figcaption>The chart could not be fetched. The figures stand under “Figures”.</figcaption>{/if}
</figure>

<style>
  figure {
    margin: 0;
    border-top: 1px solid var(--rule);
  }

  div {
    width: 100%;
    height: 11.5rem;
  }

  figcaption {
    padding: var(--space-2) var(--space-4);
    color: var(--ink-soft);
    font-size: var(--size-small);
  }
</style>
