<script lang="ts">
  import ShapeDesk from '../../../../lib/shape/ShapeDesk.svelte';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
</script>

<svelte:head><title>Shape of {data.pattern.name} · Dostik</title></svelte:head>

{#key data.pattern.id}<ShapeDesk
    pattern={data.pattern}
    settings={data.settings}
    tested={data.tested}
    standing={data.standing}
  />{/key}
