<script lang="ts">
  import { onDestroy } from 'svelte';
  import { endPractice, notePractice } from '../client.js';
  import { toasts } from '../components/toasts.svelte.js';
  import Frame from '../frame/Frame.svelte';
  import { loadAnew } from '../loadAnew.js';
  import type { PracticeSheet } from '../training.js';
  import Result from './Result.svelte';
  import { PracticeSession } from './session.svelte.js';
  import TurnedResult from './TurnedResult.svelte';
  import Turning from './Turning.svelte';
  import Working from './Working.svelte';

  let { sheet }: { sheet: PracticeSheet } = $props();
  // svelte-ignore state_referenced_locally
  const { id } = sheet;
  // svelte-ignore state_referenced_locally
  const session = new PracticeSession(sheet, {
    note: (work) => notePractice(id, work),
    handIn: (work) => endPractice(id, work),
    say: (words) => toasts.say(words),
  });
  const ended = () => void loadAnew('dostik:practice');
  // What was marked last is not lost where one goes to another place.
  onDestroy(() => {
    if (session.saving) void session.keep();
  });
</script>

<div class="practice">
  <Frame at="trainer" />
  <main>
    {#if sheet.outcome?.what === 'faults'}
      <Result {sheet} marked={sheet.outcome.marked} />
    {:else if sheet.outcome?.what === 'terms'}
      <TurnedResult {sheet} turned={sheet.outcome.turned} />
    {:else if sheet.what === 'terms'}
      <Turning {session} {ended} />
    {:else}
      <Working {session} {ended} />
    {/if}
  </main>
</div>

<style>
  .practice {
    display: flex;
    flex-direction: column;
    height: 100dvh;
  }

  main {
    display: flex;
    flex: 1;
    flex-direction: column;
    min-height: 0;
  }

  main > :global(.room) {
    flex: 1;
  }
</style>
