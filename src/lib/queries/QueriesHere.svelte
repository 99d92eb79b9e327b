<script lang="ts">
  import type { Query } from '../queries.js';
  import { STATE_WORDS } from './words.js';

  interface Props {
    pattern: string;
    queries: readonly Query[];
    /** Opens one to be worded. */
    word: (query: Query) => void;
  }

  let { pattern, queries, word }: Props = $props();
</script>

<section aria-label="Queries here">
  {#each queries as query (query.number)}
    <article class={query.state}>
      <p class="head">
        <a href="/queries/{pattern}?query={query.number}">Query {query.number}</a>
        <span>{STATE_WORDS[query.state]}</span>
        {#if query.state === 'open'}<button type="button" onclick={() => word(query)}>Word it</button>{/if}
      </p>
      <p class="text">{query.text}</p>
      {#if query.answer}<p class="answer">Answer: {query.answer}</p>{/if}
      {#if query.place && !query.place.holds}<p class="gone">Asked of other words: “{query.place.words.trim()}”</p>{/if}
    </article>
  {/each}
</section>

<style>
  section {
    display: grid;
    gap: var(--space-2);
  }

  article {
    padding-left: var(--space-3);
    border-left: 3px solid var(--woad);
    font-size: var(--size-small);
  }

  .settled,
  .withdrawn {
    border-color: var(--rule-strong);
    color: var(--ink-soft);
  }

  .head {
    display: flex;
    gap: var(--space-3);
    align-items: baseline;
  }

  a,
  button {
    color: var(--woad);
  }

  a {
    font-weight: 620;
  }

  .head span {
    color: var(--ink-soft);
  }

  button {
    margin-left: auto;
  }

  button:hover {
    text-decoration: underline;
  }

  .text {
    display: -webkit-box;
    overflow: hidden;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 3;
    line-clamp: 3;
    overflow-wrap: anywhere;
  }

  .answer {
    overflow-wrap: anywhere;
    font-weight: 600;
  }

  .gone {
    color: var(--weld);
    overflow-wrap: anywhere;
  }
</style>
