<script lang="ts">
  import DraftsDesk from '../../../../lib/drafts/DraftsDesk.svelte';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
</script>

<svelte:head><title>Drafts of {data.pattern.name} · Dostik</title></svelte:head>

{#key `${data.pattern.id} ${data.texts.length}`}<DraftsDesk
    pattern={data.pattern}
    drafts={data.drafts}
    texts={data.texts}
    decided={data.decided}
    standing={data.standing}
  />{/key}
