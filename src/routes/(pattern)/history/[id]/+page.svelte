<script lang="ts">
  import { byDay } from '../../../../lib/byDay.js';
  import Frame from '../../../../lib/frame/Frame.svelte';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
  const day = new Intl.DateTimeFormat('en', { dateStyle: 'full' });
  const time = new Intl.DateTimeFormat('en', { timeStyle: 'short' });
  const days = $derived(byDay(data.history, (at) => day.format(at)));
</script>

<svelte:head><title>History of {data.name} · Dostik</title></svelte:head>

<Frame at={null} standing={data.standing} />
<main>
  <h2 class="title">What has happened</h2>
  {#each days as { day: name, all } (name)}
    <section>
      <h3>{name}</h3>
      <ol>
        {#each all as { at, what, who, said, href }, i (i)}
          <li>
            <time datetime={new Date(at).toISOString()}>{time.format(at)}</time>
            <div>
              <p>
                {#if href}<a {href}>{what}</a>{:else}{what}{/if}{#if who}<span class="who">{who}</span>{/if}
              </p>
              {#if said}<p class="said">{said}</p>{/if}
            </div>
          </li>
        {/each}
      </ol>
    </section>
  {:else}
    <p class="none">Nothing is written down yet: what came before drafts were kept has no history.</p>
  {/each}
</main>

<style>
  main {
    max-width: 46rem;
    padding: var(--space-5) var(--space-5) 5rem;
  }

  .title {
    font-size: var(--size-display);
  }

  h3 {
    padding: var(--space-4) 0 var(--space-1);
    border-bottom: 1px solid var(--rule-strong);
    font-size: 1.0625rem;
  }

  li {
    display: grid;
    grid-template-columns: 5.5rem minmax(0, 1fr);
    padding: 0.4rem 0;
    border-bottom: 1px solid var(--rule);
  }

  time,
  .who,
  .none {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }

  time {
    font-variant-numeric: tabular-nums;
    line-height: 1.6;
  }

  .who {
    margin-left: 0.8em;
  }

  a {
    color: var(--ink);
    text-decoration-color: var(--rule-strong);
  }

  .said {
    padding-left: var(--space-3);
    border-left: 2px solid var(--rule-strong);
    font-family: var(--text-face);
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }

  @media (max-width: 640px) {
    main {
      padding: var(--space-4) var(--space-3) 4rem;
    }
  }
</style>
