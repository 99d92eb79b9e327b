<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { goto, invalidate, replaceState } from '$app/navigation';
  import { navigating, page } from '$app/state';
  import Plus from '@lucide/svelte/icons/plus';
  import Button from '../lib/components/Button.svelte';
  import Search from '../lib/components/Search.svelte';
  import Select from '../lib/components/Select.svelte';
  import { Several } from '../lib/components/several.svelte.js';
  import SeveralBar from '../lib/components/SeveralBar.svelte';
  import { toasts } from '../lib/components/toasts.svelte.js';
  import { notKept, setAway } from '../lib/client.js';
  import { keptTexts } from '../lib/desk/kept.js';
  import { whenSaved } from '../lib/desk/saved.js';
  import { arrivalsWait, filesIn, type NamedFile } from '../lib/dropped.js';
  import { fetched } from '../lib/fetched.js';
  import Frame from '../lib/frame/Frame.svelte';
  import { offering } from '../lib/frame/house.svelte.js';
  import PageHead from '../lib/frame/PageHead.svelte';
  import { plural } from '../lib/plural.js';
  import { addressOf, arranged, lookFrom, offered, SORTED, tallies, TERMS, USUAL } from '../lib/shelf/arranging.js';
  import EmptyShelf from '../lib/shelf/EmptyShelf.svelte';
  import ShelfList from '../lib/shelf/ShelfList.svelte';
  import type { Taking } from '../lib/shelf/taking.svelte.js';
  import { short } from '../lib/short.js';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
  let pasting = $state(false);
  let taking = $state.raw<Taking | null>(null);
  let kept = $state(false);
  let hovered = $state(false);
  let look = $state(lookFrom(page.url.searchParams));
  let search = $state<Search>();
  let list = $state<ShelfList>();

  const shown = $derived(arranged(data.patterns, look));
  const tally = $derived(tallies(data.patterns));
  const rows = new Several(() => shown.map(({ id }) => id));

  offering({
    'take-in': () => void takeInNew(),
    search: () => search?.ask(),
    'next-row': () => step(1),
    'last-row': () => step(-1),
    select: () => rows.toggleHere(),
    'select-all': () => rows.toggleAll(),
    'put-away': () => void putAway(rows.chosen),
  });

  const loadTakeIn = () => import('../lib/shelf/TakeIn.svelte');

  async function takeInNew(): Promise<void> {
    pasting = (await fetched(loadTakeIn)) !== null;
  }

  /** What takes in files is loaded when they come. */
  async function takingIn(): Promise<Taking> {
    const { Taking } = await import('../lib/shelf/taking.svelte.js');
    return (taking ??= new Taking({ changed: () => void invalidate('dostik:shelf') }));
  }

  /** Takes in files; one alone is opened as soon as it is there. */
  async function takeInFiles(files: readonly NamedFile[]): Promise<void> {
    pasting = false;
    const list = await takingIn();
    const at = list.comings.length;
    await list.take(files);
    const only = files.length === 1 ? list.comings[at] : undefined;
    if (only?.state === 'taken' && only.id !== null) await goto(`/intake/${only.id}`);
  }

  function step(by: 1 | -1): void {
    const row = rows.step(by);
    if (row !== null) void list?.focus(row);
  }

  async function putAway(ids: readonly string[]): Promise<void> {
    if (ids.length === 0) return;
    const [only] = ids.length === 1 ? data.patterns.filter(({ id }) => id === ids[0]) : [];
    await doing(async () => {
      await setAway(ids, true);
      rows.clear();
      toasts.say(
        only ? `“${short(only.name)}” is off the shelf.` : `${plural(ids.length, 'pattern')} are off the shelf.`,
        {
          text: ids.length === 1 ? 'Put it back' : 'Put them back',
          act: () => void doing(() => setAway(ids, false)),
        },
      );
    });
  }

  async function doing(work: () => Promise<void>): Promise<void> {
    try {
      await work();
    } catch (error) {
      toasts.say(notKept(error));
    }
    await invalidate('dostik:shelf');
  }

  async function drop(event: DragEvent): Promise<void> {
    event.preventDefault();
    hovered = false;
    await takeInFiles(await filesIn(event));
  }

  /** Figures that are still being counted are asked for again; milliseconds. */
  const SOON = 1000;
  $effect(() => {
    if (!data.patterns.some(({ state }) => state === 'counting')) return;
    const timer = setInterval(refresh, SOON);
    return () => clearInterval(timer);
  });
  // What was left at a Desk a moment ago is saved while the shelf is already there.
  onMount(() => whenSaved(refresh));
  onMount(() => void (kept = keptTexts().length > 0));
  // What was dropped before the page was closed is gone on with.
  onMount(() => void (arrivalsWait() && takingIn().then((list) => list.resume())));

  // What is looked for stands in the address: whoever comes back from a Desk finds it as it was.
  $effect(() => {
    const address = addressOf(look);
    untrack(() => {
      if (address !== page.url.pathname + page.url.search) replaceState(address, page.state);
    });
  });

  /** Whoever is on the way to another page is not called back. */
  function refresh(): void {
    if (navigating.to === null) void invalidate('dostik:shelf');
  }
</script>

<svelte:head><title>Shelf · Dostik</title></svelte:head>
<svelte:window ondragover={() => (hovered = true)} ondragleave={() => (hovered = false)} ondrop={drop} />

<Frame at="shelf" />
<main class="page" class:hovered>
  <PageHead title="Shelf">
    {#snippet tools()}
      {#if data.patterns.length > 0}<Search bind:this={search} bind:value={look.words} label="Find by name" />{/if}
      <Button weight="firm" onclick={() => void takeInNew()} aria-keyshortcuts="n" title="Key: n"
        ><Plus size={16} /> Take in a pattern</Button
      >
    {/snippet}
  </PageHead>

  {#if taking && taking.comings.length > 0}
    {#await import('../lib/shelf/ComingList.svelte') then { default: ComingList }}<ComingList {taking} />{/await}
  {/if}
  {#if kept}
    {#await import('../lib/shelf/KeptTexts.svelte') then { default: KeptTexts }}<KeptTexts {...data} />{/await}
  {/if}
  {#if data.patterns.length === 0}
    <EmptyShelf />
  {:else}
    <SeveralBar {rows} of={shown.length}>
      {#snippet filters()}
        <div class="shown" role="group" aria-label="Show">
          {#each offered(tally, look.show) as { value, text } (value)}
            <button type="button" aria-pressed={look.show === value} onclick={() => (look.show = value)}
              >{text} <span>{tally[value]}</span></button
            >
          {/each}
        </div>
        <Select label="Terms" value={look.terms} options={TERMS} chosen={(terms) => (look.terms = terms)} />
        <Select label="Order" value={look.sort} options={SORTED} chosen={(sort) => (look.sort = sort)} />
      {/snippet}
      {#snippet acts()}
        <Button weight="quiet" onclick={() => void putAway(rows.chosen)} title="Delete">Take off the shelf</Button>
      {/snippet}
    </SeveralBar>
    {#if shown.length === 0}
      <div class="nothing">
        <p>Nothing on the shelf is like that{look.words.trim() === '' ? '' : `, and called “${short(look.words)}”`}.</p>
        <Button onclick={() => (look = { ...USUAL })}>Show all {tally.all}</Button>
      </div>
    {:else}
      <ShelfList bind:this={list} {shown} {rows} putAway={(ids) => void putAway(ids)} />
    {/if}
  {/if}
  {#if data.away > 0}
    <p class="away"><a href="/away">{plural(data.away, 'pattern')} put away</a></p>
  {/if}
</main>

{#if pasting}
  {#await loadTakeIn() then { default: TakeIn }}<TakeIn
      files={(files) => void takeInFiles(files)}
      onclose={() => (pasting = false)}
    />{/await}
{/if}

<style>
  .hovered {
    outline: 2px dashed var(--woad);
    outline-offset: -0.5rem;
  }

  .away {
    padding-top: var(--space-5);
    font-size: var(--size-body);
  }

  .shown {
    display: flex;
    flex: 1;
    flex-wrap: wrap;
    gap: var(--space-1) var(--space-4);
  }

  .shown button {
    padding: var(--space-1) 0;
    border-bottom: 2px solid transparent;
    color: var(--ink-soft);
    font-size: var(--size-body);
  }

  .shown button:hover {
    color: var(--woad);
  }

  .shown [aria-pressed='true'] {
    border-bottom-color: var(--ink);
    color: var(--ink);
    font-weight: 620;
  }

  .shown span {
    font-size: var(--size-small);
    font-weight: 450;
  }

  @media (max-width: 720px) {
    .shown {
      flex: 1 0 calc(100% - 3rem);
    }
  }

  .nothing {
    display: grid;
    gap: var(--space-3);
    justify-items: start;
    padding: var(--space-6) 0;
    max-width: 34rem;
    color: var(--ink-soft);
  }
</style>
