<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import Plus from '@lucide/svelte/icons/plus';
  import { loadAnew } from '../lib/loadAnew.js';
  import Button from '../lib/components/Button.svelte';
  import Search from '../lib/components/Search.svelte';
  import { Several } from '../lib/components/several.svelte.js';
  import SeveralBar from '../lib/components/SeveralBar.svelte';
  import { toasts } from '../lib/components/toasts.svelte.js';
  import { notKept, setAway, troubleIn } from '../lib/client.js';
  import { keptTexts } from '../lib/desk/kept.js';
  import { whenSaved } from '../lib/desk/saved.js';
  import { arrivalsWait, filesIn, type NamedFile } from '../lib/dropped.js';
  import { fetched } from '../lib/fetched.js';
  import Frame from '../lib/frame/Frame.svelte';
  import { offering } from '../lib/frame/house.svelte.js';
  import PageHead from '../lib/frame/PageHead.svelte';
  import { plural } from '../lib/plural.js';
  import { addressOf, USUAL, type Look } from '../lib/shelf/arranging.js';
  import DueLine from '../lib/shelf/DueLine.svelte';
  import EmptyShelf from '../lib/shelf/EmptyShelf.svelte';
  import Kinds from '../lib/shelf/Kinds.svelte';
  import NothingLike from '../lib/shelf/NothingLike.svelte';
  import ShelfList from '../lib/shelf/ShelfList.svelte';
  import { Stretches } from '../lib/shelf/stretches.svelte.js';
  import type { Taking } from '../lib/shelf/taking.svelte.js';
  import { short } from '../lib/short.js';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
  let pasting = $state(false);
  let taking = $state.raw<Taking | null>(null);
  let kept = $state(false);
  let hovered = $state(false);
  // svelte-ignore state_referenced_locally
  let look = $state(data.look);
  let looking: ReturnType<typeof setTimeout> | undefined;
  /** What is typed is looked for after so long; milliseconds. */
  const PAUSE = 120;
  let search = $state<Search>();
  let list = $state<ShelfList>();

  // svelte-ignore state_referenced_locally
  const stretches = new Stretches(data);
  const shown = $derived(stretches.entries);
  const rows = new Several(() => shown.map((entry) => entry?.id ?? ''));

  offering({
    'take-in': () => void takeInNew(),
    search: () => search?.ask(),
    'next-row': () => void step(1),
    'last-row': () => void step(-1),
    select: () => rows.toggleHere(),
    'select-all': () => void selectAll(),
    'put-away': () => void putAway(rows.chosen),
  });

  const loadTakeIn = () => import('../lib/shelf/TakeIn.svelte');

  async function takeInNew(): Promise<void> {
    pasting = (await fetched(loadTakeIn)) !== null;
  }

  /** What takes in files is loaded when they come. */
  async function takingIn(): Promise<Taking> {
    const { Taking } = await import('../lib/shelf/taking.svelte.js');
    return (taking ??= new Taking({ changed: () => void loadAnew('dostik:shelf') }));
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

  async function step(by: 1 | -1): Promise<void> {
    await come(() => stretches.have(rows.after(by)));
    const row = rows.step(by);
    if (row !== null) void list?.focus(row);
  }

  async function selectAll(): Promise<void> {
    if (await come(() => stretches.whole())) rows.toggleAll();
  }

  /** Waits for more of the shelf; says where it does not come. */
  async function come(more: () => Promise<void>): Promise<boolean> {
    try {
      await more();
      return true;
    } catch (error) {
      toasts.say(troubleIn(error));
      return false;
    }
  }

  /** Looks for something else. What is looked for stands in the address: whoever comes back from a Desk finds it as it was. */
  function lookFor(change: Partial<Look>, wait = 0): void {
    look = { ...look, ...change };
    clearTimeout(looking);
    looking = setTimeout(() => {
      looking = undefined;
      void goto(addressOf(look), { replaceState: true, keepFocus: true, noScroll: true });
    }, wait);
  }

  async function putAway(ids: readonly string[]): Promise<void> {
    if (ids.length === 0) return;
    const [only] = ids.length === 1 ? shown.flatMap((one) => (one?.id === ids[0] ? one : [])) : [];
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
    await loadAnew('dostik:shelf');
  }

  async function drop(event: DragEvent): Promise<void> {
    event.preventDefault();
    hovered = false;
    await takeInFiles(await filesIn(event));
  }

  /** Figures that are still being counted are asked for again; milliseconds. */
  const SOON = 1000;
  $effect(() => {
    if (data.counting === 0) return;
    const timer = setInterval(refresh, SOON);
    return () => clearInterval(timer);
  });
  // What was left at a Desk a moment ago is saved while the shelf is already there.
  onMount(() => whenSaved(refresh));
  onMount(() => void (kept = keptTexts().length > 0));
  // What was dropped before the page was closed is gone on with.
  onMount(() => void (arrivalsWait() && takingIn().then((list) => list.resume())));

  $effect(() => {
    const first = data;
    untrack(() => {
      // What is being typed goes before what was looked for.
      if (looking === undefined) look = first.look;
      void come(() => stretches.renew(first));
    });
  });
  onMount(() => () => clearTimeout(looking));

  const refresh = () => void loadAnew('dostik:shelf');
</script>

<svelte:head><title>Shelf · Dostik</title></svelte:head>
<svelte:window ondragover={() => (hovered = true)} ondragleave={() => (hovered = false)} ondrop={drop} />

<Frame at="shelf" />
<main class="page" class:hovered>
  <PageHead title="Shelf">
    {#snippet tools()}
      {#if data.tally.all > 0}<Search
          bind:this={search}
          bind:value={() => look.words, (words) => lookFor({ words }, PAUSE)}
          label="Find by any word"
        />{/if}
      <Button weight="firm" onclick={() => void takeInNew()} aria-keyshortcuts="n" title="Key: n"
        ><Plus size={16} /> Take in a pattern</Button
      >
    {/snippet}
  </PageHead>
  <DueLine due={data.due} />

  {#if taking && taking.comings.length > 0}
    {#await import('../lib/shelf/ComingList.svelte') then { default: ComingList }}<ComingList {taking} />{/await}
  {/if}
  {#if kept}
    {#await import('../lib/shelf/KeptTexts.svelte') then { default: KeptTexts }}<KeptTexts />{/await}
  {/if}
  {#if data.tally.all === 0}
    <EmptyShelf />
  {:else}
    <SeveralBar {rows} of={shown.length} all={() => void selectAll()}>
      {#snippet filters()}<Kinds {look} tally={data.tally} {lookFor} />{/snippet}
      {#snippet acts()}
        <Button weight="quiet" onclick={() => void putAway(rows.chosen)} title="Delete">Take off the shelf</Button>
      {/snippet}
    </SeveralBar>
    {#if shown.length === 0}
      <NothingLike words={data.look.words} all={data.tally.all} showAll={() => lookFor(USUAL)} />
    {:else}
      <ShelfList
        bind:this={list}
        {shown}
        words={data.look.words}
        {rows}
        want={(at) => void come(() => stretches.have(at))}
        putAway={(ids) => void putAway(ids)}
      />
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
</style>
