<script lang="ts">
  import Button from '../components/Button.svelte';
  import Mark from '../components/Mark.svelte';
  import { MARK_WORDS } from '../components/marks.js';
  import When from '../components/When.svelte';
  import type { HistoryEvent } from '../queries.js';
  import DraftAnswerView from './DraftAnswerView.svelte';
  import type { QueriesSession } from './queries.svelte.js';
  import QueryDraft from './QueryDraft.svelte';
  import { EVENT_WORDS, STATE_WORDS } from './words.js';

  interface Props {
    session: QueriesSession;
    pattern: string;
    history: readonly HistoryEvent[];
  }

  let { session, pattern, history }: Props = $props();
  const { query, tried, answer } = $derived(session);
  const fits = $derived(!tried || tried.verdict === 'agrees' || tried.verdict === 'counted');
  const past = $derived(history.filter((event) => event.query === query?.number));
  let wording = $state<number | null>(null);

  /** Opens the words of the query to be changed. */
  export function word(): void {
    if (query) wording = query.number;
  }
</script>

{#if query && wording === query.number}
  <QueryDraft
    words={query.place?.words ?? ''}
    text={query.text}
    proposal={query.proposal}
    keep={async (text: string, proposal: string) => {
      const kept = await session.list.change(query, { text, proposal });
      if (kept) wording = null;
      return kept;
    }}
    cancel={() => (wording = null)}
  />
{:else if query}
  <article aria-label="Query {query.number}">
    <h2>Query {query.number}<span>{query.part}{query.round ? `, ${query.round}` : ''}</span></h2>
    <p class="state {query.state}">
      <span>{STATE_WORDS[query.state]}</span>
      {#if query.place}<a href="/desk/{pattern}?query={query.number}" title="Alt G">See it at the Desk</a>{/if}
    </p>
    {#if query.place}
      <blockquote class:gone={!query.place.holds}>{query.place.words.trim()}</blockquote>
      {#if !query.place.holds}<p class="notice">These words stand there no longer.</p>{/if}
    {/if}
    <p class="text">{query.text}</p>
    {#if query.proposal}<p class="text"><span class="soft">Proposed:</span> “{query.proposal.trim()}”</p>{/if}
    {#if query.answer}
      <div class="answer">
        <h3>Answer</h3>
        <p class="text">{query.answer}</p>
      </div>
    {/if}
    {#if tried}
      <div class="tried">
        <h3>With that figure</h3>
        <p class="line">{tried.words.trim()}</p>
        <p>
          uses {tried.into ?? '–'}{tried.edge === null ? '' : ` of ${tried.edge}`}, makes {tried.made ??
            '–'}{tried.stated === null ? '' : `, states ${tried.stated}`}: <Mark name={tried.verdict} silent />
          {MARK_WORDS[tried.verdict]}
        </p>
      </div>
    {/if}
    {#if answer}<DraftAnswerView {answer} accept={() => void session.accept(answer)} />{/if}
    <div class="ends">
      {#if query.state !== 'settled' && query.state !== 'withdrawn'}
        {#if session.wouldBe !== null && query.state === 'answered'}<Button
            weight={fits ? 'firm' : 'plain'}
            title="Alt 4"
            onclick={() => void session.apply()}>{tried ? 'Write it so' : 'Write what was proposed'}</Button
          >{/if}
        <Button title="Alt 1" onclick={() => void session.settle()}>Settle</Button>
        {#if query.state !== 'open'}<Button title="Alt 2" onclick={() => void session.become('open')}>Send back</Button
          >{/if}
        <Button weight="quiet" title="Alt E" onclick={word}>Word it</Button>
        <Button weight="quiet" title="Alt 3" onclick={() => void session.become('withdrawn')}>Withdraw</Button>
      {:else}
        <Button onclick={() => void session.become('open')}>Take it up again</Button>
      {/if}
    </div>
    {#if past.length > 0}
      <ol class="past" aria-label="What became of it">
        {#each past as { what, who, said, at }, i (i)}
          <li>
            <span class="soft">{EVENT_WORDS[what] ?? what} by {who}, <When {at} /></span>{#if said}<span class="said"
                >{said}</span
              >{/if}
          </li>
        {/each}
      </ol>
    {/if}
  </article>
{:else}
  <p class="none">Choose a query.</p>
{/if}

<style>
  article {
    display: grid;
    align-content: start;
    gap: var(--space-3);
    padding: var(--space-4);
    font-size: var(--size-body);
  }

  h2 {
    font-size: 1.1875rem;
  }

  h2 span {
    margin-left: 0.6em;
    font-family: var(--figure-face);
    font-size: var(--size-small);
    font-weight: 450;
    color: var(--ink-soft);
  }

  h3 {
    font-family: var(--figure-face);
    font-size: var(--size-small);
    font-weight: 650;
    color: var(--ink-soft);
  }

  .state {
    display: flex;
    margin-top: calc(-1 * var(--space-2));
    color: var(--ink-soft);
  }

  .answered span {
    color: var(--woad);
    font-weight: 650;
  }

  blockquote {
    padding-left: var(--space-3);
    margin: 0;
    border-left: 3px solid var(--woad);
    font-family: var(--text-face);
    font-size: 1.0625rem;
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }

  .gone {
    border-color: var(--weld);
    color: var(--ink-soft);
    text-decoration: line-through;
    text-decoration-color: var(--weld);
  }

  .notice {
    color: var(--weld);
  }

  .text {
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }

  .soft {
    color: var(--ink-soft);
  }

  .answer,
  .tried {
    padding: var(--space-2) var(--space-3);
    background: var(--paper-raised);
    border-left: 3px solid var(--sage);
  }

  .line {
    font-family: var(--text-face);
    font-size: 1.0625rem;
    white-space: pre-wrap;
  }

  .ends {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2) var(--space-3);
    align-items: center;
  }

  a {
    margin-left: auto;
    color: var(--woad);
  }

  .past {
    display: grid;
    gap: 0.15rem;
    padding-top: var(--space-2);
    border-top: 1px solid var(--rule);
    font-size: var(--size-small);
  }

  .said {
    display: block;
    padding-left: var(--space-3);
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }

  .none {
    padding: var(--space-5);
    color: var(--ink-soft);
  }
</style>
