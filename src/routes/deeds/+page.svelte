<script lang="ts">
  import { goto } from '$app/navigation';
  import Field from '../../lib/components/Field.svelte';
  import Search from '../../lib/components/Search.svelte';
  import Select from '../../lib/components/Select.svelte';
  import { MATTERS, type Sought } from '../../lib/deeds.js';
  import Frame from '../../lib/frame/Frame.svelte';
  import { offering } from '../../lib/frame/house.svelte.js';
  import PageHead from '../../lib/frame/PageHead.svelte';
  import DeedList from '../../lib/people/DeedList.svelte';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
  // svelte-ignore state_referenced_locally
  let words = $state(data.sought.words ?? '');
  let search = $state<Search>();
  let typing: ReturnType<typeof setTimeout> | undefined;
  /** What is typed is looked for after so long; milliseconds. */
  const PAUSE = 250;

  const MATTER_WORDS = {
    patterns: 'Patterns',
    queries: 'Queries',
    tests: 'Tests',
    releases: 'Releases',
    house: 'The house',
    people: 'People and signing in',
  } as const;
  const matters = [
    { value: '', text: 'Everything' },
    ...MATTERS.map((value) => ({ value, text: MATTER_WORDS[value] })),
  ];
  const people = $derived([{ value: '', text: 'Everybody' }, ...data.names.map((value) => ({ value, text: value }))]);

  offering({ search: () => search?.ask() });

  function address(to: Partial<Record<keyof Sought, string>>, at = '/deeds'): string {
    const { before: _, ...kept } = data.sought;
    const query = Object.entries({ ...kept, ...to }).flatMap(([key, value]) =>
      value ? [`${key}=${encodeURIComponent(value)}`] : [],
    );
    return query.length === 0 ? at : `${at}?${query.join('&')}`;
  }

  function look(to: Partial<Record<keyof Sought, string>>): void {
    void goto(address(to), { keepFocus: true, noScroll: true, replaceState: true });
  }

  $effect(() => {
    if (words === (data.sought.words ?? '')) return;
    const wanted = words;
    clearTimeout(typing);
    typing = setTimeout(() => look({ words: wanted }), PAUSE);
    return () => clearTimeout(typing);
  });
</script>

<svelte:head><title>What was done · Dostik</title></svelte:head>

<Frame at="people" />
<main class="page">
  <PageHead
    title="What was done"
    about="Who did what, and when, while people sign in here: the same again within a quarter of an hour is one line. It is kept for 400 days."
  >
    {#snippet tools()}
      <Search bind:this={search} bind:value={words} label="Find a pattern or a person" />
      <a class="out" href={address({}, '/api/deeds')} download>Take out as a table (.csv)</a>
    {/snippet}
  </PageHead>
  <div class="sought">
    <Select label="Who" shown value={data.sought.who ?? ''} options={people} chosen={(who) => look({ who })} />
    <Select
      label="What"
      shown
      value={data.sought.matter ?? ''}
      options={matters}
      chosen={(matter) => look({ matter })}
    />
    <Field
      label="From"
      type="date"
      value={data.sought.from ?? ''}
      onchange={(event) => look({ from: event.currentTarget.value })}
    />
    <Field
      label="To"
      type="date"
      value={data.sought.to ?? ''}
      onchange={(event) => look({ to: event.currentTarget.value })}
    />
  </div>
  {#if data.done.length === 0}
    <p class="none">Nothing like that was done. <a href="/deeds">Show everything</a></p>
  {:else}
    <DeedList done={data.done} />
    {#if data.before !== null}<p><a href={address({ before: String(data.before) })}>Earlier ones</a></p>{/if}
  {/if}
</main>

<style>
  .sought {
    display: flex;
    flex-wrap: wrap;
    align-items: end;
    gap: var(--space-3) var(--space-4);
    padding-bottom: var(--space-3);
  }

  .sought :global(.field) {
    display: flex;
    align-items: center;
    gap: var(--space-2);
  }

  .sought :global(.field label) {
    font-size: var(--size-body);
    font-weight: 400;
  }

  .sought :global(input) {
    min-height: 2.125rem;
    padding-block: 0;
  }

  .out {
    align-self: center;
    font-size: var(--size-body);
  }

  .none {
    color: var(--ink-soft);
  }
</style>
