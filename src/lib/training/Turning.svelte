<script lang="ts">
  import { onMount } from 'svelte';
  import Button from '../components/Button.svelte';
  import TroubleBar from '../components/TroubleBar.svelte';
  import { offering } from '../frame/house.svelte.js';
  import { clockOf } from '../training.js';
  import PracticeBar from './PracticeBar.svelte';
  import type { PracticeSession } from './session.svelte.js';

  interface Props {
    session: PracticeSession;
    ended: () => void;
  }

  let { session, ended }: Props = $props();
  let field = $state<HTMLTextAreaElement>();
  const names = $derived(session.sheet.terms === 'us' ? (['US', 'UK'] as const) : (['UK', 'US'] as const));

  onMount(() => {
    field?.focus();
    field?.setSelectionRange(0, 0);
    const clock = setInterval(() => session.tick(), 1000);
    return () => clearInterval(clock);
  });

  async function handIn(): Promise<void> {
    if (await session.handIn()) ended();
  }

  offering({
    clock: () => (session.clockHidden = !session.clockHidden),
    'hand-in': () => void handIn(),
  });
</script>

<svelte:window onpagehide={() => void session.keep()} />

<PracticeBar
  title={session.title}
  about="Turn it from {names[0]} into {names[1]} terms, with all that belongs to that, and leave everything else as it stands. Line breaks stay where they are."
>
  <Button weight="quiet" title="Alt C" onclick={() => (session.clockHidden = !session.clockHidden)}
    >{session.clockHidden ? 'Show the clock' : clockOf(session.seconds)}</Button
  >
  <Button weight="firm" title="Alt Enter" disabled={session.handing} onclick={() => void handIn()}>Hand in</Button>
</PracticeBar>
{#if session.trouble}<TroubleBar grave again={() => void session.keep()}
    >What you wrote last is not kept: {session.trouble}</TroubleBar
  >{/if}

<div class="room">
  <section aria-label="As it is">
    <h2>{names[0]} terms</h2>
    <pre>{session.sheet.text}</pre>
  </section>
  <section>
    <h2><label for="turned">{names[1]} terms</label></h2>
    <textarea
      id="turned"
      bind:this={field}
      spellcheck="false"
      value={session.answer}
      oninput={({ currentTarget }) => session.write(currentTarget.value)}></textarea>
  </section>
</div>

<style>
  .room {
    display: grid;
    grid-template-columns: 1fr 1fr;
    min-height: 0;
  }

  section {
    display: grid;
    grid-template-rows: auto minmax(0, 1fr);
    min-width: 0;
    min-height: 0;
  }

  section + section {
    border-left: 1px solid var(--rule);
  }

  h2 {
    padding: var(--space-2) var(--space-4);
    font-size: var(--size-text);
  }

  pre,
  textarea {
    margin: 0;
    padding: 0 var(--space-4) var(--space-6);
    overflow: auto;
    border: 0;
    border-radius: 0;
    font-family: var(--text-face);
    font-size: var(--size-text);
    line-height: 1.5;
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }

  textarea {
    background: var(--paper-raised);
    outline-offset: -2px;
    resize: none;
  }

  @media (max-width: 720px) {
    .room {
      grid-template-columns: minmax(0, 1fr);
      grid-template-rows: 1fr 1fr;
    }
  }
</style>
