<script lang="ts">
  import type { Conversion } from '../../core/index.js';
  import Button from '../components/Button.svelte';
  import Problems from './Problems.svelte';
  import type { TermsSession } from './terms.svelte.js';

  let { session, conversion }: { session: TermsSession; conversion: Conversion } = $props();
  const other = $derived(session.to === 'us' ? 'uk' : 'us');
</script>

<div>
  <h2>
    {conversion.state === 'already'
      ? `In ${session.to.toUpperCase()} terms already`
      : conversion.state === 'mixed'
        ? 'Both vocabularies are in use'
        : 'No vocabulary can be told'}
  </h2>
  <p>{conversion.message}</p>
  <Problems problems={conversion.problems} />
  {#if conversion.state === 'already'}
    <Button onclick={() => session.into(other)}>Into {other.toUpperCase()} terms</Button>
  {:else}
    <p>
      <Button onclick={() => session.settle('us')}>It is in US terms</Button>
      <Button onclick={() => session.settle('uk')}>It is in UK terms</Button>
    </p>
  {/if}
</div>

<style>
  div {
    display: grid;
    gap: var(--space-3);
    align-content: start;
    justify-items: start;
    max-width: 36rem;
    padding: var(--space-6);
  }

  h2 {
    font-size: var(--size-title);
  }
</style>
