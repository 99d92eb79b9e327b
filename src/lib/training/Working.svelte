<script lang="ts">
  import { onMount } from 'svelte';
  import Button from '../components/Button.svelte';
  import TroubleBar from '../components/TroubleBar.svelte';
  import { offering } from '../frame/house.svelte.js';
  import { plural } from '../plural.js';
  import { clockOf, LEVEL_WORDS } from '../training.js';
  import MarkCard from './MarkCard.svelte';
  import PracticeBar from './PracticeBar.svelte';
  import Reckoner from './Reckoner.svelte';
  import type { PracticeSession } from './session.svelte.js';
  import Sheet from './Sheet.svelte';

  interface Props {
    session: PracticeSession;
    /** It has been handed in. */
    ended: () => void;
  }

  let { session, ended }: Props = $props();
  let sheet = $state<Sheet>();
  let card = $state<MarkCard>();
  let reckoner = $state<Reckoner>();
  let reckons = $state(false);
  const marks = $derived(session.inOrder);

  onMount(() => {
    sheet?.ask();
    const clock = setInterval(() => session.tick(), 1000);
    return () => clearInterval(clock);
  });

  async function handIn(): Promise<void> {
    if (await session.handIn()) ended();
  }

  offering({
    pencil: () => session.pencil(),
    'say-why': () => {
      if (!session.here) session.pencil();
      requestAnimationFrame(() => card?.ask());
    },
    'next-mark': () => session.toMark(1),
    'last-mark': () => session.toMark(-1),
    clock: () => (session.clockHidden = !session.clockHidden),
    reckon: () => {
      reckons = !reckons;
      requestAnimationFrame(() => (reckons ? reckoner : sheet)?.ask());
    },
    'hand-in': () => void handIn(),
  });
</script>

<svelte:window onpagehide={() => void session.keep()} />

<PracticeBar
  title={session.title}
  about="Level {session.sheet.level}. {session.sheet.told === null
    ? LEVEL_WORDS[session.sheet.level]
    : `${plural(session.sheet.told, 'fault')} in it`}."
>
  <p class="count" role="status">{marks.length === 0 ? 'Nothing marked' : `${plural(marks.length, 'line')} marked`}</p>
  <Button weight="quiet" title="Alt C" onclick={() => (session.clockHidden = !session.clockHidden)}
    >{session.clockHidden ? 'Show the clock' : clockOf(session.seconds)}</Button
  >
  <Button weight="firm" title="Alt Enter" disabled={session.handing} onclick={() => void handIn()}>Hand in</Button>
</PracticeBar>
{#if session.trouble}<TroubleBar grave again={() => void session.keep()}
    >What you marked last is not kept: {session.trouble}</TroubleBar
  >{/if}

<div class="room">
  <Sheet
    bind:this={sheet}
    lines={session.lines}
    at={session.at}
    looks={(line: number) => (session.marks.has(line) ? 'marked' : null)}
    went={(line: number) => session.goTo(line)}
    stepped={(by: 1 | -1) => session.step(by)}
    pencil={(line: number) => session.pencil(line)}
  />
  <div class="panel">
    <MarkCard
      bind:this={card}
      line={session.at}
      words={session.lines[session.at - 1] ?? ''}
      mark={session.here}
      level={session.sheet.level}
      pencil={() => session.pencil()}
      name={(kind) => session.name(kind)}
      propose={(words: string) => session.propose(words)}
      done={() => sheet?.ask()}
    />
    {#if reckons}<Reckoner bind:this={reckoner} />{:else}<div>
        <Button weight="quiet" title="Alt R" onclick={() => (reckons = true)}>Sums beside it</Button>
      </div>{/if}
    {#if marks.length > 0}
      <section aria-label="Marked">
        <h3>Marked</h3>
        <ol>
          {#each marks as mark (mark.line)}
            <li>
              <button type="button" onclick={() => session.goTo(mark.line)}
                ><span class="number">{mark.line}</span>{session.lines[mark.line - 1]}</button
              >
            </li>
          {/each}
        </ol>
      </section>
    {/if}
  </div>
</div>

<style>
  .count {
    font-weight: 600;
  }

  .room {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 22rem;
    grid-template-rows: minmax(0, 1fr);
    min-height: 0;
  }

  .panel {
    display: grid;
    align-content: start;
    gap: var(--space-5);
    padding: var(--space-4);
    overflow-y: auto;
    border-left: 1px solid var(--rule);
  }

  h3 {
    padding-bottom: var(--space-1);
    font-size: var(--size-text);
  }

  li button {
    display: flex;
    gap: var(--space-2);
    width: 100%;
    padding: 0.3rem 0;
    overflow: hidden;
    font-size: var(--size-body);
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  li button:hover {
    color: var(--woad);
  }

  .number {
    min-width: 1.75rem;
    color: var(--ink-soft);
    text-align: right;
  }

  @media (max-width: 900px) {
    .room {
      grid-template-columns: minmax(0, 1fr);
      grid-template-rows: minmax(0, 3fr) minmax(0, 2fr);
    }

    .panel {
      border-top: 1px solid var(--rule-strong);
      border-left: 0;
    }
  }
</style>
