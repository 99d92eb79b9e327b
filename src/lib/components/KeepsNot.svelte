<script lang="ts">
  import { keeps } from '../keeps.svelte.js';
  import TroubleBar from './TroubleBar.svelte';
</script>

{#if keeps.trouble !== null}
  <TroubleBar grave again={() => void keeps.look()}>
    <strong>Nothing can be kept at present.</strong>
    {keeps.trouble} You can read, and go on typing at a Desk: what you type stays in this browser until it can be kept.
  </TroubleBar>
{/if}
