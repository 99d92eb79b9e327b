<script lang="ts">
  import OwnPatterns from '../../lib/designers/OwnPatterns.svelte';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
</script>

<svelte:head><title>Your patterns · Dostik</title></svelte:head>

<OwnPatterns patterns={data.patterns} />
