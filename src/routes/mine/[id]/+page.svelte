<script lang="ts">
  import LetterPage from '../../../lib/designers/LetterPage.svelte';
  import type { PageProps } from './$types.js';

  let { data, params }: PageProps = $props();
</script>

<svelte:head><title>Queries on {data.letter.pattern} · Dostik</title></svelte:head>

{#key params.id}<LetterPage letter={data.letter} to="/api/mine/{params.id}" home="/mine" />{/key}
