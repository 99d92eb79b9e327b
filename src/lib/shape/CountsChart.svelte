<script lang="ts">
  import type { Shape } from '../../core/index.js';
  import Chart from '../components/Chart.svelte';
  import { chartOf } from './chart.js';
  import type { ShapeSession } from './shape.svelte.js';

  let { session, shape }: { session: ShapeSession; shape: Shape } = $props();

  function look(data: unknown): void {
    const { part, ring } = (data ?? {}) as { part?: number; ring?: number };
    if (part !== undefined && ring !== undefined) session.look(part, ring);
  }
</script>

<Chart
  option={(colours) => chartOf(shape, session.settings.dyes, { part: session.part, ring: session.ring }, colours)}
  onpick={look}
  otherwise="The chart could not be fetched. The figures stand under “Figures”."
/>
