<script lang="ts">
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { onDestroy, tick as drawn, untrack } from 'svelte';
  import { markedText, type HouseStyle } from '../../core/index.js';
  import { notKept, setAway } from '../client.js';
  import { copied } from '../copied.js';
  import { toasts } from '../components/toasts.svelte.js';
  import { fetched } from '../fetched.js';
  import Frame from '../frame/Frame.svelte';
  import { offering, type Found } from '../frame/house.svelte.js';
  import type { Standing } from '../frame/places.js';
  import { preferences } from '../frame/preferences.svelte.js';
  import type { Notes as StoredNotes, StoredPattern } from '../patterns.js';
  import type { Query } from '../queries.js';
  import { QueryList } from '../queries/queryList.svelte.js';
  import { Checker } from '../workers/checker.js';
  import { Asking } from './asking.svelte.js';
  import { Company } from './company.svelte.js';
  import { DeskSession } from './desk.svelte.js';
  import DeskPanel from './DeskPanel.svelte';
  import DeskTools from './DeskTools.svelte';
  import DeskTroubles from './DeskTroubles.svelte';
  import { walkingByKey } from './doing.js';
  import { Dropping } from './dropping.svelte.js';
  import { Keeping } from './keeping.svelte.js';
  import { leavingWhenSaved } from './leavingWhenSaved.svelte.js';
  import type { Manuscript as Editor } from './manuscript.js';
  import Manuscript from './Manuscript.svelte';
  import Offered from './Offered.svelte';
  import PartList from './PartList.svelte';
  import Rename from './Rename.svelte';
  import { roundName } from './rounds.js';
  import { flushAll, leave, saverFor } from './savers.js';
  import { saveAsText } from './saveAsText.js';
  import { standingNow } from './standingNow.js';
  import { Walking } from './walking.js';

  interface Props {
    pattern: StoredPattern;
    stored: StoredNotes;
    queries: readonly Query[];
    /** How this press writes. */
    style: HouseStyle;
    /** How the pattern stood when the page was asked for. */
    standing: Standing;
  }

  let { pattern, stored, queries, style, standing }: Props = $props();
  // The Desk is made anew for each pattern; from here on its session owns name and text.
  // svelte-ignore state_referenced_locally
  const opened = pattern;
  const say = (words: string, action?: { text: string; act: () => void }) => toasts.say(words, action);
  const desk = untrack(() => new DeskSession(opened, stored, new QueryList(opened.id, queries, { say })));
  const saver = saverFor(opened);
  const walking = new Walking(desk, say);
  const asking = new Asking(desk, say);
  const company = new Company();
  const keeping = new Keeping(desk, opened, saver, say, () => void goto('/'));
  keeping.company = company;
  leavingWhenSaved(saver);
  let open = $state<'name' | 'style' | null>(null);
  const dropping = new Dropping(say);
  let panel = $state<DeskPanel>();
  let remembering: ReturnType<typeof setTimeout> | undefined;

  const house = offering(
    {
      ...walkingByKey(desk, walking, asking, () => panel),
      number: () => house.run('finder'),
      copy: () => desk.report && void copied(markedText(desk.checked, desk.report), 'Copied, with the sums.'),
      print: () => void saver.flush().then(() => window.open(`/desk/${opened.id}/print`, '_blank')),
      density: () => void preferences.nextDensity(),
      download: () => saveAsText(desk.name, desk.text),
      style: () => void openStyle(),
      rename: () => (open = 'name'),
      away: () => void away(),
    },
    () =>
      desk.rounds.map((placed): Found => ({
        id: `round-${placed.index}`,
        text: `${roundName(placed.round)}, ${placed.part.name}`,
        note: `line ${placed.round.line}`,
        numbers: [placed.round.from, placed.round.to],
        run: () => desk.toRound(placed),
      })),
  );

  function ready(editor: Editor): void {
    desk.begin(
      editor,
      (listener) =>
        new Checker(listener, {
          terms: opened.terms,
          hand: opened.hand,
          rules: untrack(() => stored.rules),
          style: untrack(() => style),
        }),
    );
    keeping.begin();
    company.begin(
      opened.id,
      () => (desk.round ? `${roundName(desk.round.round)}, ${desk.round.part.name}` : ''),
      (revision) => {
        if (revision > saver.known) void keeping.lookForNewer();
      },
    );
    desk.toAsked(page.url.searchParams);
    editor.focus();
  }

  function changed(next: string): void {
    desk.changed(next);
    saver.changed(next);
    clearTimeout(remembering);
    remembering = setTimeout(() => desk.editor?.remember(), 800);
  }

  onDestroy(() => {
    clearTimeout(remembering);
    desk.editor?.remember();
    desk.end();
    company.end();
    leave(saver);
  });

  const loadStyle = () => import('./HouseStyleReview.svelte');

  async function openStyle(): Promise<void> {
    if (await fetched(loadStyle)) open = 'style';
  }

  function replace(text: string): void {
    open = null;
    desk.editor?.replace(text);
    void drawn().then(() => desk.editor?.focus());
  }

  async function away(): Promise<void> {
    try {
      await saver.flush();
      await setAway([opened.id], true);
      await goto('/');
      toasts.say('It is off the shelf.', {
        text: 'Put it back',
        act: () => void setAway([opened.id], false).then(() => goto(`/desk/${opened.id}`)),
      });
    } catch (error) {
      toasts.say(notKept(error));
    }
  }
</script>

<svelte:window
  onfocus={() => void keeping.lookForNewer()}
  ononline={flushAll}
  onpagehide={() => {
    desk.keepPlace();
    flushAll();
  }}
/>

<div class="desk">
  <Frame at="desk" standing={standingNow(standing, desk)}>
    {#snippet tools()}<DeskTools {desk} save={saver.state} others={company.others} />{/snippet}
  </Frame>
  <DeskTroubles pattern={opened} {desk} {saver} {keeping} {company} />

  <main>
    <div class="parts">
      {#if desk.report}<PartList {desk} />{/if}
    </div>
    <Manuscript
      id={opened.id}
      text={desk.text}
      opened={desk.report !== null || desk.checking !== 'busy'}
      {ready}
      {changed}
      moved={(spot, offset, byHand) => desk.moved(spot, offset, byHand)}
      tick={(key) => void desk.notes.tick(key, !desk.notes.ticks.has(key))}
      dropped={(event: DragEvent) => void dropping.take(event)}
    />
    <DeskPanel bind:this={panel} {desk} {walking} {asking} />
  </main>
</div>

{#if open === 'name'}<Rename
    name={desk.name}
    chosen={(next: string) => {
      open = null;
      void keeping.rename(next);
    }}
    onclose={() => (open = null)}
  />{/if}
{#if open === 'style'}
  {#await loadStyle() then { default: HouseStyleReview }}<HouseStyleReview
      set={Object.keys(style).length > 0}
      ask={() => desk.asking?.inStyle(desk.text) ?? null}
      apply={replace}
      onclose={() => (open = null)}
    />{/await}
{/if}
<Offered {dropping} pattern={opened.id} text={desk.text} settle={() => saver.flush()} />

<style>
  .desk {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto auto minmax(0, 1fr);
    height: 100dvh;
  }

  main {
    grid-row: 3;
    display: grid;
    grid-template-columns: 10.5rem minmax(0, 1fr) 21.5rem;
    grid-template-rows: minmax(0, 1fr);
    min-height: 0;
  }

  .parts {
    display: grid;
    min-height: 0;
    border-right: 1px solid var(--rule);
  }

  @media (max-width: 1100px) {
    main {
      grid-template-columns: minmax(0, 1fr) 20rem;
    }

    .parts {
      display: none;
    }
  }

  @media (max-width: 900px) {
    main {
      grid-template-columns: minmax(0, 1fr);
      grid-template-rows: minmax(0, 3fr) minmax(0, 2fr);
    }
  }
</style>
