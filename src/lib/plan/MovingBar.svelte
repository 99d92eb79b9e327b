<script lang="ts">
  import Button from '../components/Button.svelte';
  import { dayWords, fullDayWords, stageWords } from './words.js';
  import { plural } from '../plural.js';
  import type { PlanSession } from './plan.svelte.js';

  let { session }: { session: PlanSession } = $props();
  const told = $derived(session.told);
  const others = $derived(told?.moves.filter(({ stage }) => stage !== session.moving?.stage) ?? []);
</script>

{#if session.moving && told}
  <div role="status">
    <p>
      <b>{stageWords(session.moving.stage)}</b> on {fullDayWords(session.moving.day)}.
      {#if others.length > 0}
        With it go {others.map(({ stage, to }) => `${stageWords(stage).toLowerCase()} (${dayWords(to)})`).join(', ')}.
      {/if}
      {#if told.slips > 0}<b class="late">It comes out {plural(told.slips, 'day')} after its date.</b>{/if}
      {#if told.waiting.length > 0}<b class="late">{told.waiting.join(' and ')} would wait for it.</b>{/if}
    </p>
    <Button weight="firm" title="Enter" onclick={() => void session.keep()}>Keep</Button>
    <Button weight="quiet" title="Esc" onclick={() => (session.moving = null)}>Take back</Button>
  </div>
{/if}

<style>
  div {
    display: flex;
    align-items: center;
    gap: var(--space-3);
    padding: var(--space-2) var(--space-3);
    border: 1px solid var(--ink);
    background: var(--paper-raised);
    contain: layout paint;
  }

  p {
    flex: 1;
  }

  .late {
    color: var(--madder);
  }
</style>
