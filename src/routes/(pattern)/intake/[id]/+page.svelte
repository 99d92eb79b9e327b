<script lang="ts">
  import Intake from '../../../../lib/intake/Intake.svelte';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
</script>

<svelte:head><title>Intake of {data.pattern.name} · Dostik</title></svelte:head>

{#key `${data.pattern.id} ${data.pattern.revision}`}<Intake
    pattern={data.pattern}
    drafts={data.drafts}
    standing={data.standing}
  />{/key}
