<script lang="ts">
  import Plan from '../../lib/plan/Plan.svelte';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
</script>

<svelte:head><title>Plan · Dostik</title></svelte:head>

<Plan given={data.given} unlisted={data.unlisted} address={data.address} people={data.people} />
