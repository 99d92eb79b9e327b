<script lang="ts">
  import TermsDesk from '../../../../lib/terms/TermsDesk.svelte';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
</script>

<svelte:head><title>Terms of {data.pattern.name} · Dostik</title></svelte:head>

{#key data.pattern.id}<TermsDesk pattern={data.pattern} notes={data.notes} standing={data.standing} />{/key}
