<script lang="ts">
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import Button from '../components/Button.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import { notKept, saveHand, saveText, settleTerms, takeIn } from '../client.js';
  import { Dropping } from '../desk/dropping.svelte.js';
  import Offered from '../desk/Offered.svelte';
  import Frame from '../frame/Frame.svelte';
  import { offering } from '../frame/house.svelte.js';
  import type { Standing } from '../frame/places.js';
  import { leavingWhenKept } from '../leaving.svelte.js';
  import type { Draft } from '../drafts.js';
  import { loadAnew } from '../loadAnew.js';
  import type { StoredPattern } from '../patterns.js';
  import { Checker } from '../workers/checker.js';
  import Came from './Came.svelte';
  import { IntakeSession } from './intake.svelte.js';
  import LineList from './LineList.svelte';
  import Understood from './Understood.svelte';

  interface Props {
    pattern: StoredPattern;
    drafts: readonly Draft[];
    standing: Standing;
  }

  let { pattern, drafts, standing }: Props = $props();
  const keeping = leavingWhenKept();
  // The page is made anew for each pattern.
  // svelte-ignore state_referenced_locally
  const { id } = pattern;
  // svelte-ignore state_referenced_locally
  const session = new IntakeSession(pattern, drafts[0] ?? null, {
    hand: (change) => keeping(saveHand(id, change)),
    terms: (terms) => keeping(settleTerms(id, terms)),
    failed: (error) => toasts.say(notKept(error)),
  });
  const desk = `/desk/${id}`;
  const dropping = new Dropping((words) => toasts.say(words));
  let list = $state<LineList>();
  let understood = $state<Understood>();

  function stepDoubt(by: 1 | -1): void {
    session.stepDoubt(by);
    list?.focus();
  }

  offering({
    'next-doubt': () => stepDoubt(1),
    'last-doubt': () => stepDoubt(-1),
    means: () => {
      if (!understood?.ask()) toasts.say('No word of this line is in doubt.');
    },
    'take-back': () => void session.takeBack(),
  });

  onMount(() => {
    const { terms, hand } = pattern;
    session.begin((listener) => new Checker(listener, { terms, hand }));
    return () => session.end();
  });

  /** The second of two patterns goes to the shelf as one of its own; what came stays with the first, as it came. */
  async function part(line: number): Promise<void> {
    try {
      const second = await takeIn(session.lines.slice(line).join('\n'), '');
      const first = `${session.lines.slice(0, line).join('\n').trimEnd()}\n`;
      const saved = await saveText(id, first, pattern.revision);
      await loadAnew('all');
      const still = 'revision' in saved ? '' : ' This one was changed at the Desk meanwhile, and still holds both.';
      toasts.say(`The second pattern is on the shelf by itself.${still}`, {
        text: 'Open it',
        act: () => void goto(`/intake/${second}`),
      });
    } catch (error) {
      toasts.say(notKept(error));
    }
  }

  // What the other places say of it rests on what was put right.
  $effect(() => {
    if (session.effect !== '') void loadAnew('dostik:standing');
  });
</script>

<svelte:window ondropcapture={(event) => void dropping.take(event)} />

<div class="intake">
  <Frame at="intake" standing={{ ...standing, settled: session.terms }}>
    {#snippet tools()}
      <Button weight="firm" title="Alt Shift D" onclick={() => void goto(desk)}>On to the Desk</Button>
    {/snippet}
  </Frame>

  <section class="told" aria-label="What it comes to">
    <div role="status"><h2>{session.summary}</h2></div>
    <p class="effect" role="status">
      {session.effect}
      {#if session.effect}<Button weight="quiet" title="Alt Z" onclick={() => void session.takeBack()}>Take back</Button
        >{/if}
    </p>
    <Came {id} {drafts} />
  </section>

  <main>
    <LineList bind:this={list} {session} />
    <aside aria-label="What was understood">
      <Understood bind:this={understood} {session} part={(line) => void part(line)} />
    </aside>
  </main>
</div>

<Offered {dropping} pattern={id} text={pattern.text} />

<style>
  .intake {
    display: flex;
    flex-direction: column;
    height: 100dvh;
  }

  .told {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: var(--space-1) var(--space-5);
    padding: var(--space-3) var(--space-4);
    border-bottom: 1px solid var(--rule-strong);
  }

  h2 {
    font-size: var(--size-title);
  }

  .effect {
    flex: 1 1 20rem;
    min-height: 1.5em;
    color: var(--sage);
    font-size: var(--size-body);
    font-weight: 560;
  }

  main {
    display: grid;
    flex: 1;
    grid-template-columns: minmax(0, 1fr) 27rem;
    min-height: 0;
  }

  aside {
    overflow-y: auto;
    border-left: 1px solid var(--rule-strong);
    scrollbar-width: thin;
  }

  @media (max-width: 900px) {
    .intake {
      height: auto;
    }

    main {
      grid-template-columns: minmax(0, 1fr);
    }

    aside {
      order: -1;
      border-left: 0;
      border-bottom: 1px solid var(--rule-strong);
    }
  }
</style>
