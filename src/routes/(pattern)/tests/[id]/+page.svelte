<script lang="ts">
  import TestsDesk from '../../../../lib/tests/TestsDesk.svelte';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
</script>

<svelte:head><title>Tests of {data.pattern.name} · Dostik</title></svelte:head>

{#key data.pattern.id}<TestsDesk
    pattern={data.pattern}
    calls={data.calls}
    settings={data.settings}
    alone={data.alone}
    standing={data.standing}
  />{/key}
