<script lang="ts">
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import type { ShapeSettings } from '../../core/index.js';
  import { notKept, saveShape, saveText } from '../client.js';
  import Choice from '../components/Choice.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import Frame from '../frame/Frame.svelte';
  import { offering } from '../frame/house.svelte.js';
  import type { Standing } from '../frame/places.js';
  import { leavingWhenKept } from '../leaving.svelte.js';
  import type { StoredPattern } from '../patterns.js';
  import { Shaper } from '../workers/shaper.js';
  import CountsChart from './CountsChart.svelte';
  import Drawing from './Drawing.svelte';
  import Facts from './Facts.svelte';
  import Figures from './Figures.svelte';
  import MadeWith from './MadeWith.svelte';
  import PartRows from './PartRows.svelte';
  import { ShapeSession, type View } from './shape.svelte.js';
  import Turntable from './Turntable.svelte';

  interface Props {
    pattern: StoredPattern;
    settings: ShapeSettings;
    /** What testers weighed on the middle, where three or more did. */
    tested: ShapeSettings['weighed'];
    standing: Standing;
  }

  let { pattern, settings, tested, standing }: Props = $props();
  const keeping = leavingWhenKept();
  // The page is made anew for each pattern.
  // svelte-ignore state_referenced_locally
  const { id } = pattern;
  // svelte-ignore state_referenced_locally
  const session = new ShapeSession(
    pattern,
    settings,
    {
      settings: (changed) => keeping(saveShape(id, changed)),
      text: (text, base) => keeping(saveText(id, text, base)),
      failed: (error) => toasts.say(notKept(error)),
      say: (words, undo) => toasts.say(words, undo && { text: 'Take it back', act: undo }),
    },
    tested,
  );
  const VIEWS: readonly { value: View; text: string }[] = [
    { value: 'outline', text: 'Outline' },
    { value: 'turntable', text: 'In the round' },
    { value: 'figures', text: 'Figures' },
  ];

  offering({
    'next-ring': () => session.step(1),
    'last-ring': () => session.step(-1),
    'next-part': () => session.stepPart(1),
    'last-part': () => session.stepPart(-1),
    'see-outline': () => (session.view = 'outline'),
    'see-turntable': () => (session.view = 'turntable'),
    'see-figures': () => (session.view = 'figures'),
    shift: () => {
      if (session.stackedHere) void session.shift(session.stackedHere);
    },
    'to-desk': () => void goto(`/desk/${id}?line=${session.ringHere?.line ?? session.here?.line ?? 1}`),
  });

  onMount(() => {
    void session.begin(new Shaper());
    return () => session.end();
  });
</script>

<div class="workplace">
  <Frame at="shape" {standing}>
    {#snippet tools()}
      <Choice
        label="How it is shown"
        name="view"
        value={session.view}
        options={VIEWS}
        chosen={(view: View) => (session.view = view)}
      />
    {/snippet}
  </Frame>

  <main>
    {#if session.shape && session.shape.parts.length > 0}
      {@const shape = session.shape}
      <aside class="making" aria-label="Parts and what they are made with">
        <PartRows {session} {shape} />
        <MadeWith {session} {shape} />
      </aside>
      <div class="middle">
        {#if session.view === 'outline'}<Drawing {session} />
        {:else if session.view === 'turntable'}<Turntable {session} {shape} pattern={id} />
        {:else}<Figures {session} {shape} />{/if}
        {#if session.view !== 'figures'}<CountsChart {session} {shape} />{/if}
      </div>
      <aside class="facts" aria-label="Size, places and yarn"><Facts {session} {shape} pattern={id} /></aside>
    {:else if session.shape}
      <p class="waiting">
        There is nothing to draw: no rounds were found in this text. At its
        <a href="/intake/{id}">Intake</a> can be said what its lines are.
      </p>
    {:else}
      <p class="waiting" role={session.trouble === '' ? undefined : 'alert'}>{session.trouble || 'Drawing …'}</p>
    {/if}
  </main>
</div>

<style>
  main {
    --columns: 15.5rem minmax(0, 1fr) 20rem;
  }

  aside {
    overflow-y: auto;
    font-size: var(--size-body);
  }

  .making {
    border-right: 1px solid var(--rule-strong);
  }

  .facts {
    padding: var(--space-4);
    border-left: 1px solid var(--rule-strong);
  }

  .middle {
    display: grid;
    grid-template-rows: minmax(0, 1fr) auto;
    grid-template-columns: minmax(0, 1fr);
    min-height: 0;
    overflow: hidden;
  }

  .waiting {
    grid-column: 1 / -1;
    max-width: 36rem;
    padding: var(--space-6);
  }

  @media (max-width: 900px) {
    .making,
    .facts {
      border: 0;
      border-bottom: 1px solid var(--rule-strong);
    }

    .middle {
      overflow: visible;
    }
  }
</style>
