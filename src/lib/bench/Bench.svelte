<script lang="ts">
  import { onMount } from 'svelte';
  import type { BenchCall } from '../bench.js';
  import { BenchSession } from './bench.svelte.js';
  import CountSheet from './CountSheet.svelte';
  import { keySwitch, practiceSwitch } from './devices.js';
  import FiguresSheet from './FiguresSheet.svelte';
  import GoingUp from './GoingUp.svelte';
  import Joining from './Joining.svelte';
  import { Keep } from './keep.js';
  import MoreSheet from './MoreSheet.svelte';
  import NoteSheet from './NoteSheet.svelte';
  import Pad from './Pad.svelte';
  import PartsSheet from './PartsSheet.svelte';
  import { post } from './post.js';
  import RoundWords from './RoundWords.svelte';
  import StepsSheet from './StepsSheet.svelte';
  import { awake } from './awake.js';

  let { secret, token }: { secret: string; token: string | null } = $props();
  let session = $state.raw<BenchSession | null>(null);

  onMount(() => {
    let made: BenchSession | null = null;
    let ended = false;
    void Keep.open()
      .catch(() => null)
      .then((keep) => {
        if (ended) return keep?.close();
        made = new BenchSession({ secret, token, keep, post });
        session = made;
        return made.begin();
      });
    const press = (what: 'on' | 'back') => (what === 'on' ? made?.touch() : made?.undo());
    const ends = [keySwitch(window).listen(press), practiceSwitch.listen(press), awake()];
    return () => {
      ended = true;
      made?.end();
      for (const end of ends) end();
    };
  });

  const title = (call: BenchCall | null | undefined) => (call ? `${call.name} · Bench` : 'Bench');
</script>

<svelte:head><title>{title(session?.call)}</title></svelte:head>
<svelte:window ononline={() => session?.retry()} />
<svelte:document onvisibilitychange={() => document.visibilityState === 'visible' && session?.retry()} />

{#if session?.state === 'work' && session.call}
  {@const { call } = session}
  <main>
    <header>
      <button type="button" class="part" onclick={() => session && (session.sheet = 'parts')}>
        <GoingUp {session} {call} />
      </button>
      <button type="button" class="more" onclick={() => session && (session.sheet = 'more')}
        >More{#if session.newer}<small>the text has changed</small>{/if}</button
      >
    </header>
    <div class="words"><RoundWords {session} {call} /></div>
    <Pad {session} {call} />
  </main>
  {#if session.sheet === 'count'}<CountSheet {session} />
  {:else if session.sheet === 'note'}<NoteSheet {session} />
  {:else if session.sheet === 'parts'}<PartsSheet {session} {call} />
  {:else if session.sheet === 'figures'}<FiguresSheet {session} {call} />
  {:else if session.sheet === 'steps'}<StepsSheet {session} {call} />
  {:else if session.sheet === 'more'}<MoreSheet {session} {call} />{/if}
{:else if session?.state === 'join' && session.call}
  <Joining {session} call={session.call} />
{:else}
  <main class="waiting">
    {#if session?.state === 'nothing'}
      <h1>This test can’t be opened</h1>
      <p role="alert">{session.trouble}</p>
    {:else}
      <p>Opening …</p>
    {/if}
  </main>
{/if}

<style>
  main {
    display: grid;
    grid-template:
      'head' auto
      'words' minmax(0, 1fr)
      'pad' minmax(46dvh, auto)
      / minmax(0, 1fr);
    height: 100dvh;
    max-width: 52rem;
    margin: 0 auto;
    touch-action: manipulation;
  }

  header {
    display: grid;
    grid-area: head;
    grid-template-columns: minmax(0, 1fr) auto;
    border-bottom: 2px solid var(--ink);
  }

  header button {
    min-height: 3rem;
    padding: 0 var(--space-4);
  }

  .more {
    color: var(--woad);
    font-weight: 550;
  }

  .more small {
    display: block;
    color: var(--weld);
    font-size: var(--size-small);
    font-weight: 400;
  }

  .words {
    grid-area: words;
    overflow-y: auto;
    padding: var(--space-3) var(--space-4);
  }

  .waiting {
    display: block;
    height: auto;
    padding: var(--space-6) var(--space-4);
  }

  /* Held across, and on a tablet that lies across: the words to the left, the pad under the right thumb. */
  @media (orientation: landscape) and (min-width: 600px) {
    main {
      grid-template:
        'head head' auto
        'words pad' minmax(0, 1fr)
        / minmax(0, 1fr) minmax(20rem, 44%);
      max-width: 80rem;
    }
  }
</style>
