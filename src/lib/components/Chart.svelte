<script lang="ts">
  import { onMount } from 'svelte';
  import type { ECharts, EChartsCoreOption } from 'echarts/core';
  import type { ChartColours } from './chartColours.js';

  interface Props {
    /** What is drawn, in the colours of the page as they are in this scheme. */
    option: (colours: ChartColours) => EChartsCoreOption;
    /** What was put into the data that is clicked. */
    onpick?: (data: unknown) => void;
    /** What is said where it can't be drawn. */
    otherwise: string;
    /** Rem. */
    height?: number;
  }

  let { option, onpick = () => undefined, otherwise, height = 11.5 }: Props = $props();
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

  $effect(() => {
    chart?.setOption(option(coloursFor(schemes)), true);
  });

  /** The dyes of the page as they are in this scheme. @param _scheme by which it is asked for anew */
  function coloursFor(_scheme: number): ChartColours {
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
    const look = (event: { data?: unknown }) => onpick(event.data);
    chart.on('click', look);
    const own = chart;
    return () => {
      if (!own.isDisposed()) own.off('click', look);
    };
  });
</script>

<!-- The same figures stand in a table, for who can't see the chart. -->
<figure aria-hidden="true">
  <div bind:this={place} style:height="{height}rem"></div>
  {#if failed}<figcaption>{otherwise}</figcaption>{/if}
</figure>

<style>
  figure {
    margin: 0;
    border-top: 1px solid var(--rule);
  }

  div {
    width: 100%;
  }

  figcaption {
    padding: var(--space-2) var(--space-4);
    color: var(--ink-soft);
    font-size: var(--size-small);
  }
</style>
