<script lang="ts">
  import { browser } from '$app/environment';
  import type { DesignerLetter } from '../designerLetter.js';
  import { plural } from '../plural.js';
  import AskedHere from './AskedHere.svelte';
  import { LetterSession } from './letterSession.svelte.js';

  interface Props {
    letter: DesignerLetter;
    /** The address that answers are sent to. */
    to: string;
    /** Where all patterns of the designer are, for who has an account. */
    home?: string;
  }

  let { letter, to, home = '' }: Props = $props();
  // The page is made anew for each letter.
  // svelte-ignore state_referenced_locally
  const session = new LetterSession(letter, to, kept());
  /** Where words are kept until they are sent; a browser may forbid it. */
  function kept(): Storage | null {
    try {
      return browser ? localStorage : null;
    } catch {
      return null;
    }
  }

  /** The part stands above the first query of it. */
  const headed = $derived(
    session.open.map((query, i) => ({
      query,
      part: query.part === session.open[i - 1]?.part ? null : query.part || 'The whole pattern',
    })),
  );
</script>

<main>
  {#if home}<p class="home"><a href={home}>All your patterns</a></p>{/if}
  <h1>{letter.pattern}</h1>
  <p class="state" role="status">
    {#if session.queries.length === 0}Nothing is asked about it.
    {:else if session.waiting > 0}{plural(session.waiting, 'query waits', 'queries wait')} for your answer. Each is sent by
      itself; there is no need to do all at once.
    {:else if session.open.length > 0}Everything is answered. Until a query is settled you can still say something else.
    {:else}Everything is settled.{/if}
  </p>
  {#if session.open.length > 0}
    {#each letter.opening as words, i (i)}<p class="words">{words}</p>{/each}
    {#each headed as { query, part } (query.number)}
      {#if part !== null}<h2>{part}</h2>{/if}
      <AskedHere {query} {session} />
    {/each}
    {#each letter.closing as words, i (i)}<p class="words">{words}</p>{/each}
  {/if}
  {#if session.settled.length > 0}
    <details>
      <summary>{plural(session.settled.length, 'query', 'queries')} settled</summary>
      {#each session.settled as query (query.number)}<AskedHere {query} {session} />{/each}
    </details>
  {/if}
</main>

<style>
  main {
    display: grid;
    gap: var(--space-3);
    max-width: 46rem;
    padding: var(--space-5) var(--space-4) var(--space-6);
    margin: 0 auto;
    font-size: var(--size-text);
    line-height: 1.5;
  }

  h1 {
    font-size: var(--size-display);
    line-height: 1.15;
    overflow-wrap: anywhere;
  }

  h2 {
    margin-top: var(--space-4);
    border-bottom: 1px solid var(--rule-strong);
    font-size: 1.1875rem;
    overflow-wrap: anywhere;
  }

  .state,
  .home {
    color: var(--ink-soft);
  }

  .words {
    font-family: var(--text-face);
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }

  details {
    margin-top: var(--space-4);
  }

  summary {
    color: var(--woad);
    cursor: pointer;
  }
</style>
