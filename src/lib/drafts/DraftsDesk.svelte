<script lang="ts">
  import { onMount, tick, untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import Button from '../components/Button.svelte';
  import Check from '../components/Check.svelte';
  import Select from '../components/Select.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import { Dropping } from '../desk/dropping.svelte.js';
  import Offered from '../desk/Offered.svelte';
  import Frame from '../frame/Frame.svelte';
  import { offering } from '../frame/house.svelte.js';
  import type { Standing } from '../frame/places.js';
  import Came from '../intake/Came.svelte';
  import type { Draft, DraftText } from '../drafts.js';
  import type { StoredPattern } from '../patterns.js';
  import { Comparer } from '../workers/comparer.js';
  import { DESK, DraftsSession } from './drafts.svelte.js';
  import FoundBetween from './FoundBetween.svelte';
  import NextDraft from './NextDraft.svelte';
  import OwnChanges from './OwnChanges.svelte';
  import TwoDrafts from './TwoDrafts.svelte';

  interface Props {
    pattern: StoredPattern;
    /** The last first. */
    drafts: readonly Draft[];
    texts: readonly DraftText[];
    decided: readonly string[];
    standing: Standing;
  }

  let { pattern, drafts, texts, decided, standing }: Props = $props();
  const say = (words: string) => toasts.say(words);
  const session = untrack(() => new DraftsSession(pattern, texts, decided, { say }));
  const dropping = new Dropping(say);
  let next = $state(false);
  const sides = $derived([
    ...texts.map(({ number }) => ({ value: String(number), text: `Draft ${number}` })),
    { value: String(DESK), text: 'As it is at the Desk' },
  ]);
  const nameOf = (side: number) => sides.find(({ value }) => value === String(side))?.text ?? '';

  offering({
    'next-change': () => session.step(1),
    'last-change': () => session.step(-1),
    see: () => seeIt(),
    'take-in': () => (next = true),
  });

  onMount(() => {
    void session.begin(new Comparer());
    return () => session.end();
  });

  // What is selected is seen.
  $effect(() => {
    const at = session.selected;
    if (at !== null) void tick().then(() => document.getElementById(`row-${at}`)?.scrollIntoView({ block: 'nearest' }));
  });

  function seeIt(): void {
    void goto(session.line === null ? `/desk/${pattern.id}` : `/desk/${pattern.id}?line=${session.line}`);
  }
</script>

<div class="workplace" role="presentation" ondropcapture={(event) => void dropping.take(event)}>
  <Frame at="drafts" {standing}>
    {#snippet tools()}
      <Button weight="firm" title="N" onclick={() => (next = true)}>Take in the next draft</Button>
    {/snippet}
  </Frame>
  <main>
    <aside>
      <h2>What has come</h2>
      <Came id={pattern.id} {drafts} />
      <a href="/history/{pattern.id}">Letters, answers and decisions, in order</a>
      <div class="sides">
        <Select
          label="Compare"
          shown
          value={String(session.before)}
          options={sides}
          chosen={(side: string) => void session.choose(Number(side), session.after)}
        />
        <Select
          label="with"
          shown
          value={String(session.after)}
          options={sides}
          chosen={(side: string) => void session.choose(session.before, Number(side))}
        />
      </div>
      <p class="sentence" role="status">{session.sentence}</p>
      {#if session.parts.length > 0}
        <ul class="parts">
          {#each session.parts as part (part)}<li>{part}</li>{/each}
        </ul>
      {/if}
      <Check bind:checked={session.onlyChanged}>Show only what has changed</Check>
      <p class="walk">
        <Button title="Alt ," onclick={() => session.step(-1)}>Change before</Button>
        <Button title="Alt ." onclick={() => session.step(1)}>Next change</Button>
      </p>
      <FoundBetween {session} pattern={pattern.id} />
      {#if session.own.length > 0}<OwnChanges {session} />{/if}
    </aside>
    {#if session.compared}
      <TwoDrafts {session} from={nameOf(session.before)} to={nameOf(session.after)} />
    {:else}<p class="waiting" role={session.trouble ? 'alert' : undefined}>{session.trouble || 'Comparing …'}</p>{/if}
  </main>
</div>
{#if next}<NextDraft id={pattern.id} now={pattern.text} onclose={() => (next = false)} />{/if}
<Offered {dropping} pattern={pattern.id} text={pattern.text} />

<style>
  main {
    --columns: 21rem minmax(0, 1fr);
  }

  aside {
    display: grid;
    /* Longer than the window it scrolls; nothing in it is pressed together. */
    grid-auto-rows: max-content;
    align-content: start;
    gap: var(--space-3);
    padding: var(--space-4);
    overflow-y: auto;
    border-right: 1px solid var(--rule-strong);
    scrollbar-width: thin;
  }

  h2 {
    font-size: 1.0625rem;
  }

  a {
    color: var(--woad);
    font-size: var(--size-small);
  }

  .sides {
    display: grid;
    gap: var(--space-2);
    justify-items: start;
  }

  .sentence {
    font-family: var(--text-face);
    font-size: 1.1875rem;
    line-height: 1.4;
  }

  .parts {
    display: grid;
    gap: 0.15rem;
    color: var(--ink-soft);
  }

  .walk {
    display: flex;
    gap: var(--space-3);
  }

  .waiting {
    padding: var(--space-6);
  }

  @media (max-width: 900px) {
    aside {
      border-right: 0;
      border-bottom: 1px solid var(--rule-strong);
    }
  }
</style>
