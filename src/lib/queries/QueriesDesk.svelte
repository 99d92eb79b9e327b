<script lang="ts">
  import { onMount } from 'svelte';
  import type { AddressStanding } from '../addresses.js';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import Button from '../components/Button.svelte';
  import Search from '../components/Search.svelte';
  import Select from '../components/Select.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import Frame from '../frame/Frame.svelte';
  import { offering } from '../frame/house.svelte.js';
  import type { Standing } from '../frame/places.js';
  import type { Designer, Letter, LetterSettings } from '../letter.js';
  import { loadAnew } from '../loadAnew.js';
  import type { StoredPattern } from '../patterns.js';
  import { plural } from '../plural.js';
  import type { HistoryEvent, Query } from '../queries.js';
  import { Checker } from '../workers/checker.js';
  import LetterDesk from './LetterDesk.svelte';
  import { QueriesSession, type Shown } from './queries.svelte.js';
  import QueryCard from './QueryCard.svelte';
  import QueryDraft from './QueryDraft.svelte';
  import { QueryList } from './queryList.svelte.js';
  import QueryRows from './QueryRows.svelte';
  import ReplyDesk from './ReplyDesk.svelte';
  import { STATE_WORDS } from './words.js';

  interface Props {
    pattern: StoredPattern;
    queries: readonly Query[];
    history: readonly HistoryEvent[];
    letters: readonly Letter[];
    settings: LetterSettings;
    designer: Designer;
    /** Whether letters go out from here, or are kept in the outbox. */
    post: 'outbox' | 'smtp';
    /** Where the designer can answer; null where no address was made. */
    address: AddressStanding | null;
    standing: Standing;
  }

  let { pattern, queries, history, letters, settings, designer, post, address, standing }: Props = $props();
  const say = (words: string) => toasts.say(words);
  // The page is made anew for each pattern.
  // svelte-ignore state_referenced_locally
  const session = new QueriesSession(pattern, new QueryList(pattern.id, queries, { say }), standing.drafts, { say });
  let mode = $state<'list' | 'letter' | 'reply' | 'free'>('list');
  let card = $state<QueryCard>();
  const counts = $derived(session.counts);
  const SHOWN: readonly Shown[] = ['waiting', 'open', 'sent', 'answered', 'settled', 'withdrawn', 'all'];
  const nameOf = (shown: Shown) => (shown === 'waiting' ? 'not settled' : shown === 'all' ? 'all' : STATE_WORDS[shown]);
  const clear = $derived(session.answers.filter(({ says }) => says === 'mended' || says === 'still'));

  offering({
    'next-query': () => session.step(1),
    'last-query': () => session.step(-1),
    word: () => card?.word(),
    see: () => void goto(`/desk/${pattern.id}?query=${session.selected}`),
    settle: () => void session.settle(),
    'send-back': () => void session.become('open'),
    withdraw: () => void session.become('withdrawn'),
    apply: () => void session.apply(),
    letter: () => (mode = 'letter'),
    reply: () => (mode = 'reply'),
  });

  onMount(() => {
    const asked = Number(page.url.searchParams.get('query'));
    const query = session.list.all.find(({ number }) => number === asked);
    if (query) {
      if (!session.rows.includes(query)) session.shown = 'all';
      session.select(asked);
    }
    const { terms, hand } = pattern;
    session.begin((listener) => new Checker(listener, { terms, hand }));
    return () => session.end();
  });

  /** What became of a query stands in its history: that is fetched anew when one has changed here. */
  let begun = false;
  $effect(() => {
    const { all } = session.list;
    if (begun && all.length > 0) void loadAnew('dostik:queries');
    begun = true;
  });

  async function sent(): Promise<void> {
    mode = 'list';
    await session.list.refresh();
  }
</script>

<div class="workplace">
  <Frame at="queries" standing={{ ...standing, queries: counts }}>
    {#snippet tools()}
      {#if mode === 'list'}
        <Button title="Alt R" onclick={() => (mode = 'reply')} disabled={counts.waiting === 0}>Take in a reply</Button>
        <Button weight="firm" title="Alt L" onclick={() => (mode = 'letter')} disabled={counts.waiting === 0}
          >Write the letter</Button
        >
      {:else}<Button onclick={() => (mode = 'list')}>Back to the queries</Button>{/if}
    {/snippet}
  </Frame>

  {#if mode === 'letter'}
    <LetterDesk {pattern} queries={session.list.all} {letters} {settings} {designer} {post} {address} {sent} />
  {:else if mode === 'reply'}
    <ReplyDesk {session} done={() => (mode = 'list')} />
  {:else}
    <main>
      <section class="list" aria-label="Queries">
        <div class="looking">
          <Select
            label="Show"
            value={session.shown}
            options={SHOWN.map((value) => ({ value, text: `${nameOf(value)} (${counts[value]})` }))}
            chosen={(shown: Shown) => (session.shown = shown)}
          />
          <Search label="Find in the queries" bind:value={session.words} />
          <Button weight="quiet" onclick={() => (mode = 'free')}>Ask about the whole pattern</Button>
        </div>
        {#if clear.length > 0}
          <p class="draft">
            Draft {standing.drafts} answers {plural(clear.length, 'query', 'queries')}.
            <Button onclick={() => void session.acceptAll()}>Accept all</Button>
          </p>
        {/if}
        {#if session.rows.length > 0}
          <QueryRows rows={session.rows} selected={session.selected} select={(number) => session.select(number)} />
        {:else if counts.all === 0}
          <div class="none">
            <h2>Nothing is asked yet</h2>
            <p>
              At the Desk, Alt Q asks the designer about the finding at the caret, about the round, or about what is
              selected. The sums and a proposal are put into the query.
            </p>
          </div>
        {:else}
          <div class="none">
            <p>{counts.waiting === 0 ? 'Every query is settled.' : 'No query fits.'}</p>
            <Button
              onclick={() => {
                session.shown = 'all';
                session.words = '';
              }}>Show all {counts.all}</Button
            >
          </div>
        {/if}
      </section>
      <aside aria-label="The query">
        {#if mode === 'free'}
          <QueryDraft
            words=""
            text=""
            proposal=""
            keep={async (text: string, proposal: string) => {
              const made = await session.makeFree(text, proposal);
              if (made) mode = 'list';
              return made;
            }}
            cancel={() => (mode = 'list')}
          />
        {:else}<QueryCard bind:this={card} {session} pattern={pattern.id} {history} />{/if}
      </aside>
    </main>
  {/if}
</div>

<style>
  main {
    --columns: minmax(0, 1fr) 27rem;
  }

  .list,
  aside {
    overflow-y: auto;
    scrollbar-width: thin;
  }

  aside {
    border-left: 1px solid var(--rule-strong);
  }

  .looking {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: var(--space-2) var(--space-4);
    padding: var(--space-3) var(--space-4) 0;
  }

  .draft {
    display: flex;
    align-items: center;
    gap: var(--space-3);
    padding: var(--space-2) var(--space-4);
    margin-top: var(--space-3);
    background: var(--weld-wash);
  }

  .none {
    display: grid;
    gap: var(--space-3);
    justify-items: start;
    max-width: 34rem;
    padding: var(--space-6) var(--space-4);
  }

  @media (max-width: 900px) {
    aside {
      border-left: 0;
      border-top: 2px solid var(--ink);
    }
  }
</style>
