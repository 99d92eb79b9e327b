<script lang="ts">
  import KeptCalls from '../../lib/bench/KeptCalls.svelte';
</script>

<svelte:head><title>Bench · Dostik</title></svelte:head>

<KeptCalls />
