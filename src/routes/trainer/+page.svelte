<script lang="ts">
  import Chart from '../../lib/components/Chart.svelte';
  import Frame from '../../lib/frame/Frame.svelte';
  import PageHead from '../../lib/frame/PageHead.svelte';
  import Beginning from '../../lib/training/Beginning.svelte';
  import { marksChart } from '../../lib/training/chart.js';
  import Kinds from '../../lib/training/Kinds.svelte';
  import Past from '../../lib/training/Past.svelte';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
  const open = $derived(data.entries.find(({ mark }) => mark === null));
  const ended = $derived(data.entries.filter(({ mark }) => mark !== null));
</script>

<svelte:head><title>Trainer · Dostik</title></svelte:head>

<Frame at="trainer" />
<main class="page">
  <PageHead
    title="Trainer"
    about="Patterns with faults that are known, made up as you go: no two are alike. What you miss comes again sooner; what you find without trouble comes less and less."
  />
  {#if open}
    <p class="open">
      <a href="/trainer/{open.id}">Go on with “{open.title}”</a>, level {open.level}, which is not handed in.
    </p>
  {/if}
  <div class="two">
    <section aria-labelledby="begin">
      <h2 id="begin">The next one</h2>
      <Beginning last={data.entries[0]?.level ?? 1} clean={data.clean} />
      {#if ended.length > 1}
        <h2>Your marks</h2>
        <Chart
          option={(colours) => marksChart(ended, colours)}
          otherwise="The marks stand in the list below."
          height={10}
        />
      {/if}
    </section>
    <section aria-labelledby="kinds">
      <h2 id="kinds">What you see, and what you miss</h2>
      <Kinds kinds={data.kinds} now={data.now} />
    </section>
  </div>
  {#if data.entries.length > 0}
    <section aria-labelledby="past">
      <h2 id="past">Worked through</h2>
      <Past entries={data.entries} />
    </section>
  {/if}
</main>

<style>
  .open {
    padding: var(--space-3) var(--space-4);
    margin-bottom: var(--space-4);
    border-left: 3px solid var(--woad);
    background: var(--woad-wash);
  }

  .two {
    display: grid;
    grid-template-columns: minmax(0, 5fr) minmax(0, 6fr);
    gap: var(--space-5) var(--space-6);
    align-items: start;
    padding-bottom: var(--space-5);
  }

  section {
    display: grid;
    gap: var(--space-3);
    min-width: 0;
  }

  h2 {
    font-size: var(--size-title);
  }

  @media (max-width: 900px) {
    .two {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
