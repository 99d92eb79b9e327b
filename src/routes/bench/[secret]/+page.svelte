<script lang="ts">
  import Bench from '../../../lib/bench/Bench.svelte';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
</script>

{#key data.secret}<Bench secret={data.secret} token={data.token} />{/key}
