<script lang="ts">
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import type { ShapeSettings } from '../../core/index.js';
  import type { Call } from '../bench.js';
  import Button from '../components/Button.svelte';
  import Chart from '../components/Chart.svelte';
  import Select from '../components/Select.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import Frame from '../frame/Frame.svelte';
  import { offering } from '../frame/house.svelte.js';
  import type { Standing } from '../frame/places.js';
  import { loadAnew } from '../loadAnew.js';
  import type { StoredPattern } from '../patterns.js';
  import { makeQuery } from '../queries/asking.js';
  import { resultsOf } from './asking.js';
  import AskTesters from './AskTesters.svelte';
  import { stripsHeight, timesChart } from './chart.js';
  import RoundFindings from './RoundFindings.svelte';
  import SideTable from './SideTable.svelte';
  import { TestsSession } from './tests.svelte.js';
  import WholeTest from './WholeTest.svelte';

  interface Props {
    pattern: StoredPattern;
    calls: readonly Call[];
    settings: ShapeSettings;
    /** The server can be reached from this machine alone. */
    alone: boolean;
    standing: Standing;
  }

  let { pattern, calls, settings, alone, standing }: Props = $props();
  let asking = $state(false);
  // svelte-ignore state_referenced_locally
  let number = $state(calls[0]?.number ?? 0);
  const call = $derived(calls.find((one) => one.number === number) ?? null);
  const session = $derived(
    new TestsSession({
      text: pattern.text,
      results: () => resultsOf(pattern.id, number),
      query: (made) => makeQuery(pattern.id, made),
      say: (words) => toasts.say(words),
    }),
  );

  /** What comes while one looks is seen without a reload; milliseconds. */
  const LOOK_AGAIN = 20_000;
  $effect(() => {
    if (number === 0) return;
    void session.begin();
    const again = setInterval(() => document.visibilityState === 'visible' && void session.begin(), LOOK_AGAIN);
    return () => clearInterval(again);
  });

  offering({
    'next-tested': () => session.step(1),
    'last-tested': () => session.step(-1),
    'next-stumble': () => session.nextStumble(),
    'stumbled-first': () => (session.stumbledFirst = !session.stumbledFirst),
    'note-query': () => void session.toQuery().then(() => loadAnew('dostik:standing')),
    'whole-test': () => (session.chosen = null),
    'tested-at-desk': () => void goto(`/desk/${pattern.id}?line=${session.round?.line ?? 1}`),
  });

  onMount(() => {
    if (calls.length === 0) asking = true;
  });

  async function asked(made: number): Promise<void> {
    asking = false;
    await loadAnew('dostik:tests', 'dostik:standing');
    number = made;
  }
</script>

<div class="workplace">
  <Frame at="tests" {standing}>
    {#snippet tools()}
      {#if calls.length > 1}
        <Select
          label="Test"
          value={String(number)}
          options={calls.map((one) => ({ value: String(one.number), text: `Test ${one.number}` }))}
          chosen={(value: string) => (number = Number(value))}
        />
      {/if}
      {#if calls.length > 0 && !asking}<Button onclick={() => (asking = true)}>Ask again</Button>{/if}
    {/snippet}
  </Frame>

  <main>
    {#if asking}
      <AskTesters {pattern} first={calls.length === 0} onasked={asked} onclose={() => (asking = false)} />
    {:else if call && session.all && session.results}
      <div class="side">
        <SideTable {session} all={session.all} />
        <div class="strips">
          <Chart
            height={stripsHeight(session.all.testers.length)}
            mark={session.chosen}
            onplace={(i) => session.all?.rows[i] && (session.chosen = i)}
            option={(colours) =>
              timesChart(
                session.all ?? { rows: [], testers: [], yarns: [] },
                (i) => (session.all?.rows[i] ? session.wordsOf(session.all.rows[i]) : ''),
                colours,
              )}
            otherwise="The chart could not be fetched. The times stand with each round."
          />
        </div>
      </div>
      <aside aria-label={session.row ? 'The round' : 'The test as a whole'}>
        {#if session.row}<RoundFindings {session} pattern={pattern.id} />
        {:else}<WholeTest {session} {call} {pattern} {settings} {alone} />{/if}
      </aside>
    {:else}
      <p class="waiting" role={session.trouble === '' ? undefined : 'alert'}>{session.trouble || 'Fetching …'}</p>
    {/if}
  </main>
</div>

<style>
  main {
    --columns: minmax(0, 1fr) 24rem;
  }

  .side {
    display: grid;
    grid-template-rows: auto minmax(0, 1fr) auto;
    grid-template-columns: minmax(0, 1fr);
    min-height: 0;
    border-right: 1px solid var(--rule-strong);
  }

  .strips {
    max-height: 12rem;
    overflow-y: auto;
  }

  aside {
    padding: var(--space-4);
    overflow-y: auto;
    font-size: var(--size-body);
  }

  .waiting {
    grid-column: 1 / -1;
    padding: var(--space-6);
  }
</style>
