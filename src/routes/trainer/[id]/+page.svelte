<script lang="ts">
  import PracticePage from '../../../lib/training/PracticePage.svelte';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
</script>

<svelte:head><title>{data.sheet.text.split('\n')[0]} · Trainer · Dostik</title></svelte:head>

{#key `${data.sheet.id} ${data.sheet.outcome === null}`}<PracticePage sheet={data.sheet} />{/key}
