<script lang="ts">
  import PracticeDevices from '../../../lib/bench/PracticeDevices.svelte';
</script>

<svelte:head><title>Practice devices · Bench</title></svelte:head>

<PracticeDevices />
