<script lang="ts">
  import ReleaseDesk from '../../../../lib/releasing/ReleaseDesk.svelte';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
</script>

<svelte:head><title>Release of {data.name} · Dostik</title></svelte:head>

{#key data.id}<ReleaseDesk {data} standing={data.standing} />{/key}
