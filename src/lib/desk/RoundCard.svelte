<script lang="ts">
  import { tick as drawn } from 'svelte';
  import Mark from '../components/Mark.svelte';
  import { MARK_WORDS } from '../components/marks.js';
  import { toasts } from '../components/toasts.svelte.js';
  import type { Asking } from './asking.svelte.js';
  import Card from './Card.svelte';
  import type { DeskSession } from './desk.svelte.js';
  import HookQuestion from './HookQuestion.svelte';
  import Nearby from './Nearby.svelte';
  import { changeOf, roundName, type PlacedRound } from './rounds.js';
  import RoundSteps from './RoundSteps.svelte';
  import ThisMeans from './ThisMeans.svelte';
  import type { Walking } from './walking.js';

  interface Props {
    desk: DeskSession;
    walking: Walking;
    asking: Asking;
    placed: PlacedRound;
  }

  let { desk, walking, asking, placed }: Props = $props();
  let card = $state<Card>();
  let hook = $state<{ ask: () => void }>();
  let means = $state<{ ask: () => boolean }>();

  const round = $derived(placed.round);
  const ticked = $derived(desk.notes.ticks.has(round.key));
  const change = $derived(changeOf(round));
  const before = $derived(desk.wordsBefore(placed));
  const account = $derived(desk.account?.label === round.label ? desk.account : null);
  const light = (words: { from: number; to: number } | null) => desk.light(words);

  /** Opens a question about the round. */
  export async function ask(question: 'hook' | 'aside' | 'meaning'): Promise<void> {
    await drawn();
    if (question === 'aside') card?.askAside();
    else if (question === 'hook') {
      if (hook) hook.ask();
      else toasts.say('This round has no count to go by.');
    } else if (!means?.ask()) toasts.say('Every word of this round means something.');
  }
</script>

<Card bind:this={card} label="Round" {desk} {walking} {asking} findings={desk.findingsOf(placed)}>
  {#snippet head()}
    <header>
      <h2>{roundName(round)}<span class="part">{placed.part.name}</span></h2>
      <button
        type="button"
        class="tick"
        aria-pressed={ticked}
        title="Alt T"
        onclick={() => void desk.notes.tick(round.key, !ticked)}
        ><span class="box" aria-hidden="true"></span>{ticked ? 'Agreed' : 'Agree'}</button
      >
    </header>

    <p class="sum">
      {#if account?.edge === null && account.made !== null}<span class="soft">starts with</span>
      {:else}<span>{round.into ?? '–'}</span><span class="soft">of {round.edge ?? '–'}</span><span class="soft">→</span
        >{/if}
      <strong>{round.made ?? '–'}</strong>
      {#if change}<span class="soft">({change})</span>{/if}
    </p>
    <p class="verdict {round.verdict}">
      <span class="word"><Mark name={round.verdict} silent /> {MARK_WORDS[round.verdict]}</span>
      {#if round.stated !== null}<span>states {round.stated}</span>{/if}
    </p>
  {/snippet}

  <!-- Questions first: their answers open where one looks. -->
  {#if round.made !== null}
    {#key round.key}
      <HookQuestion
        bind:this={hook}
        made={round.made}
        slips={(onHook: number) => desk.asking?.slips(placed.index, onHook) ?? Promise.resolve([])}
      />
    {/key}
  {/if}
  {#if account && account.unclear.length > 0}
    {#key round.key}
      <ThisMeans
        bind:this={means}
        words={account.unclear}
        caret={desk.caret}
        settled={desk.notes.words}
        meanings={(word: string) => desk.asking?.meanings(word) ?? Promise.resolve(null)}
        take={(word, sense, comesOut) => void walking.mean(word, sense, comesOut)}
        {light}
      />
    {/key}
  {/if}
  {#if account}
    <div><RoundSteps {account} caret={desk.caret} {light} /></div>
    {#if before !== null}
      <div class="before">
        <h3>Before</h3>
        <p>{before}</p>
      </div>
    {/if}
    <Nearby {desk} {placed} />
  {/if}
</Card>

<style>
  header {
    display: flex;
    align-items: baseline;
    justify-content: space-between;
    gap: var(--space-3);
  }

  .part {
    margin-left: 0.5em;
    font-family: var(--figure-face);
    font-size: var(--size-small);
    font-weight: 450;
    color: var(--ink-soft);
  }

  .soft {
    color: var(--ink-soft);
  }

  .tick {
    display: inline-flex;
    align-items: center;
    gap: var(--space-2);
    padding: 0.2rem var(--space-2);
    border: 1px solid var(--rule-strong);
    border-radius: var(--radius);
    color: var(--ink);
    font-size: var(--size-small);
    font-weight: 600;
    white-space: nowrap;
  }

  .tick[aria-pressed='true'] {
    border-color: var(--sage);
    background: var(--sage-wash);
    color: var(--sage);
  }

  .box {
    width: 0.8em;
    height: 0.8em;
    border: 1.5px solid currentcolor;
    border-radius: 2px;
  }

  [aria-pressed='true'] .box {
    background: currentcolor;
  }

  .sum {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0 0.4em;
    font-size: 1.125rem;
  }

  .sum strong {
    font-size: 1.375rem;
    font-weight: 680;
  }

  .verdict {
    font-weight: 600;
  }

  /* As wide as the longest verdict, so that nothing after it moves. */
  .word {
    display: inline-block;
    min-width: 6.5rem;
  }

  .verdict.off,
  .verdict.unreadable {
    color: var(--madder);
  }

  .verdict.on-trust {
    color: var(--weld);
  }

  .verdict.agrees,
  .verdict.counted {
    color: var(--sage);
  }

  .before {
    padding-left: var(--space-3);
    border-left: 3px solid var(--weld);
    font-size: var(--size-small);
  }

  .before h3 {
    font-family: var(--figure-face);
    font-size: 0.75rem;
    font-weight: 500;
    color: var(--ink-soft);
  }

  .before p {
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }
</style>
