<script lang="ts">
  import QueriesDesk from '../../../../lib/queries/QueriesDesk.svelte';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
</script>

<svelte:head><title>Queries on {data.pattern.name} · Dostik</title></svelte:head>

{#key data.pattern.id}<QueriesDesk
    pattern={data.pattern}
    queries={data.queries}
    history={data.history}
    letters={data.letters}
    settings={data.settings}
    designer={data.designer}
    post={data.post}
    address={data.address}
    standing={data.standing}
  />{/key}
