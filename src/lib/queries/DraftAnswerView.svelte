<script lang="ts">
  import Button from '../components/Button.svelte';
  import type { DraftAnswer } from './draftAnswers.js';

  let { answer, accept }: { answer: DraftAnswer; accept: () => void } = $props();
  const HEADS = {
    mended: 'The new draft mends it',
    still: 'Altered in the new draft, and still off',
    altered: 'Its words are altered in the new draft',
    gone: 'Its place is gone from the new draft',
    untouched: 'Not touched in the new draft',
  } as const;
</script>

<div class={answer.says}>
  <h3>{HEADS[answer.says]}</h3>
  {#if answer.now && answer.says !== 'untouched'}<p class="now">{answer.now.trim()}</p>{/if}
  {#if answer.found && answer.says === 'still'}<p>{answer.found.message}</p>{/if}
  {#if answer.says === 'still'}<Button onclick={accept}>Send it back with this sum</Button>
  {:else if answer.says !== 'untouched'}<Button onclick={accept}>Accept: settled</Button>{/if}
</div>

<style>
  div {
    display: grid;
    gap: var(--space-2);
    justify-items: start;
    padding: var(--space-2) var(--space-3);
    border-left: 3px solid var(--sage);
    background: var(--paper-raised);
  }

  .still {
    border-color: var(--madder);
  }

  .untouched {
    border-color: var(--rule-strong);
    background: none;
  }

  h3 {
    font-family: var(--figure-face);
    font-size: var(--size-small);
    font-weight: 650;
  }

  .now {
    font-family: var(--text-face);
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }
</style>
