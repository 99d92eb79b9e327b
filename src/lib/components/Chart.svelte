<script lang="ts">
  import { onMount } from 'svelte';
  import type { ECharts, EChartsCoreOption } from 'echarts/core';
  import type { ChartColours } from './chartColours.js';

  interface Props {
    /** Where on the first of its axes is clicked, as a place in its data. */
    onplace?: (place: number) => void;
    /** What is drawn, in the colours of the page as they are in this scheme. */
    option: (colours: ChartColours) => EChartsCoreOption;
    /** A place in the data of its first axis that is marked; none is by default. */
    mark?: number | null;
    /** What was put into the data that is clicked. */
    onpick?: (data: unknown) => void;
    /** What is said where it can't be drawn. */
    otherwise: string;
    /** Rem. */
    height?: number;
  }

  let {
    option,
    mark = null,
    onpick = () => undefined,
    onplace = () => undefined,
    otherwise,
    height = 11.5,
  }: Props = $props();
  let place: HTMLDivElement;
  let chart = $state.raw<ECharts | null>(null);
  let failed = $state(false);
  /** Counts how often the scheme has changed. */
  let schemes = $state(0);
  /** Counts how often it was made larger or smaller. */
  let sizes = $state(0);
  /** Where the mark stands; pixels. */
  let marked = $state<number | null>(null);

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
    const watch = new ResizeObserver(() => {
      chart?.resize();
      sizes += 1;
    });
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

  // The mark moves by itself: a chart of many strips takes long to be drawn anew.
  $effect(() => {
    const at = sizes >= 0 && mark !== null ? chart?.convertToPixel({ xAxisIndex: 0 }, mark) : null;
    marked = typeof at === 'number' && Number.isFinite(at) ? at : null;
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
    const place = ({ offsetX, offsetY }: { offsetX: number; offsetY: number }) => {
      const [at] = own.convertFromPixel({ gridIndex: 0 }, [offsetX, offsetY]) as (number | undefined)[];
      if (at !== undefined && Number.isInteger(at)) onplace(at);
    };
    own.getZr().on('click', place);
    return () => {
      if (own.isDisposed()) return;
      own.off('click', look);
      own.getZr().off('click', place);
    };
  });
</script>

<!-- The same figures stand in a table, for who can't see the chart. -->
<figure aria-hidden="true">
  <div bind:this={place} style:height="{height}rem"></div>
  {#if marked !== null}<i style:left="{marked}px"></i>{/if}
  {#if failed}<figcaption>{otherwise}</figcaption>{/if}
</figure>

<style>
  figure {
    position: relative;
    margin: 0;
    border-top: 1px solid var(--rule);
  }

  div {
    width: 100%;
  }

  i {
    position: absolute;
    inset: 0 auto 0 0;
    width: 3px;
    margin-left: -1.5px;
    background: var(--woad);
    opacity: 0.6;
    pointer-events: none;
  }

  figcaption {
    padding: var(--space-2) var(--space-4);
    color: var(--ink-soft);
    font-size: var(--size-small);
  }
</style>
