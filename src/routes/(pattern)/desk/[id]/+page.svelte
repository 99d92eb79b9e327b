<script lang="ts">
  import Desk from '../../../../lib/desk/Desk.svelte';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
</script>

<svelte:head><title>{data.pattern.name} · Dostik</title></svelte:head>

{#key data.pattern.id}<Desk
    pattern={data.pattern}
    stored={data.notes}
    queries={data.queries}
    style={data.style}
    standing={data.standing}
  />{/key}
