<script lang="ts">
  import { goto } from '$app/navigation';
  import type { EditorView } from '@codemirror/view';
  import { onDestroy, tick as drawn, untrack } from 'svelte';
  import { markedText, type HouseStyle, type Report, type ReportFinding, type RoundAccount } from '../../core/index.js';
  import { notKept, putAway, rename, saveText, takeBack, takeIn, troubleIn } from '../client.js';
  import Tabs from '../components/Tabs.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import { LONGEST_NAME, LONGEST_TEXT, type Notes as StoredNotes, type StoredPattern } from '../patterns.js';
  import type { EarlierRound } from '../workers/check.worker.js';
  import { Checker } from '../workers/checker.js';
  import { actionFor, actionsOf } from './actions.js';
  import Conflict from './Conflict.svelte';
  import DeskHeader from './DeskHeader.svelte';
  import { readDraft } from './draft.js';
  import FindingList from './FindingList.svelte';
  import { lightWords, placeOf, showFindings } from './findings.js';
  import { toggleFold } from './folding.js';
  import { applyFix, goTo, goToLine, replaceText } from './manuscript.js';
  import Manuscript from './Manuscript.svelte';
  import { Notes } from './notes.svelte.js';
  import PartList from './PartList.svelte';
  import { showReport, showTicks } from './rail.js';
  import { remember } from './remembered.js';
  import Rename from './Rename.svelte';
  import RoundCard from './RoundCard.svelte';
  import { nearest, placedRounds, roundAt, type PlacedRound, type Spot } from './rounds.js';
  import { Saver } from './saver.svelte.js';
  import { saveAsText } from './saveAsText.js';
  import SaveSign from './SaveSign.svelte';
  import SaveTrouble from './SaveTrouble.svelte';

  interface Props {
    pattern: StoredPattern;
    stored: StoredNotes;
    /** How this press writes. */
    style: HouseStyle;
  }

  let { pattern, stored, style }: Props = $props();
  // The Desk is made anew for each pattern; from here on it owns name and text.
  // svelte-ignore state_referenced_locally
  const opened = pattern;
  // svelte-ignore state_referenced_locally
  const before = stored.before;
  // svelte-ignore state_referenced_locally
  const notes = new Notes(opened.id, stored);
  const saver = new Saver(opened);
  let name = $state(opened.name);
  let text = $state.raw(opened.text);
  let report = $state.raw<Report | null>(null);
  /** The text that the report is about. */
  let checked = $state.raw('');
  let account = $state.raw<RoundAccount | null>(null);
  let earlier = $state.raw<readonly EarlierRound[]>([]);
  let spot = $state.raw<Spot>({ line: 1, column: 1 });
  let caret = $state(0);
  let panel = $state<'round' | 'findings' | 'parts'>('round');
  let open = $state<'name' | 'keys' | 'finder' | 'style' | null>(null);
  let card = $state<{ askHook: () => void; askAside: () => void }>();
  let view: EditorView | undefined;
  let checker: Checker | undefined;

  const line = $derived(spot.line);
  const theirs = $derived(saver.state.kind === 'conflict' ? saver.state.theirs : null);
  const rounds = $derived(report ? placedRounds(report) : []);
  const findings = $derived(report?.findings.filter(({ key }) => !notes.aside.has(key)) ?? []);
  const current = $derived(findings.find((finding) => finding.line <= line && line <= finding.endLine) ?? null);
  const placed = $derived(roundAt(rounds, spot) ?? nearest(rounds, spot, -1) ?? rounds[0] ?? null);
  const roundFindings = $derived(placed ? findings.filter((finding) => ofRound(finding, placed)) : []);
  const was = $derived(placed ? wordsBefore(placed) : null);

  const actions = actionsOf({
    'next-round': () => step(1),
    'last-round': () => step(-1),
    tick,
    'tick-on': tickOn,
    unticked: stepUnticked,
    number: find,
    hook: () => void onCard('askHook'),
    'next-finding': () => stepFinding(1),
    'last-finding': () => stepFinding(-1),
    'fix-1': () => fixCurrent(0),
    'fix-2': () => fixCurrent(1),
    'fix-3': () => fixCurrent(2),
    'fix-4': () => fixCurrent(3),
    aside: askAside,
    list: () => (panel = panel === 'round' ? 'findings' : 'round'),
    'next-part': () => stepPart(1),
    'last-part': () => stepPart(-1),
    fold: () => fold(false),
    'fold-all': () => fold(true),
    copy: () => void copyMarked(),
    print,
    rules: () => void saver.flush().then(() => goto(`/desk/${opened.id}/rules`)),
    style: () => (open = 'style'),
    terms: () => void saver.flush().then(() => goto(`/terms/${opened.id}`)),
    download: () => saveAsText(name, text),
    manuscript: () => view?.focus(),
    finder: find,
    keys: () => (open = 'keys'),
    rename: () => (open = 'name'),
    shelf: () => void goto('/'),
  });

  function ready(editor: EditorView): void {
    view = editor;
    checker = new Checker(
      (next, about) => {
        // The rail first; the panels follow when it has been drawn.
        // A report on a text that has changed since would mark the wrong words; the next one is on its way.
        if (about === text) {
          const open = next.findings.filter(({ key }) => !notes.aside.has(key));
          editor.dispatch({ effects: [showReport.of(next), showFindings.of(open)] });
        }
        clearTimeout(showing);
        showing = setTimeout(
          () => {
            report = next;
            checked = about;
          },
          report === null ? 0 : 30,
        );
      },
      { terms: opened.terms, rules: untrack(() => stored.rules), style: untrack(() => style) },
    );
    const draft = readDraft(opened.id);
    if (draft && draft.text !== opened.text) {
      if (draft.base !== opened.revision) saver.rebase({ ...opened, revision: draft.base });
      if (editor.state.doc.toString() === draft.text) changed(draft.text);
      else replaceText(editor, draft.text);
      toasts.say('What had not been saved yet is back.');
    } else {
      checker.check(text, name);
      // A save of the page before this one may have arrived after this one was asked for.
      void lookForNewer();
    }
    if (before !== null && before !== opened.text)
      void checker
        .earlier(before)
        .then((rows) => (earlier = rows))
        .catch(() => undefined);
    editor.focus();
    // The finder must be there at once when it is asked for; its code comes after everything else.
    setTimeout(() => void import('./Finder.svelte'), 2000);
  }

  let remembering: ReturnType<typeof setTimeout> | undefined;
  let showing: ReturnType<typeof setTimeout> | undefined;

  function changed(next: string): void {
    text = next;
    checker?.check(next, name);
    saver.changed(next);
    clearTimeout(remembering);
    remembering = setTimeout(rememberUndo, 800);
  }

  function rememberUndo(): void {
    if (view) remember(opened.id, view.state);
  }

  onDestroy(() => {
    clearTimeout(remembering);
    clearTimeout(showing);
    rememberUndo();
    checker?.close();
    saver.close();
  });

  // Marks and ticks follow what is noted, without another check.
  $effect(() => {
    const aside = new Set(notes.aside.keys());
    untrack(() => {
      const open = report?.findings.filter(({ key }) => !aside.has(key));
      if (view && open && checked === text) view.dispatch({ effects: showFindings.of(open) });
    });
  });
  $effect(() => {
    const ticks = new Set(notes.ticks);
    view?.dispatch({ effects: showTicks.of(ticks) });
  });
  // The account is asked for when the caret comes to another round, or the text has been checked anew.
  $effect(() => {
    const asked = placed;
    if (!asked || !checker) {
      account = null;
      return;
    }
    void checker
      .account(asked.index)
      .then((told) => {
        if (placed === asked && told?.label === asked.round.label) account = told;
      })
      .catch(() => undefined);
  });

  function ofRound(finding: ReportFinding, { round }: PlacedRound): boolean {
    return finding.round === round.label && finding.line <= round.endLine && finding.endLine >= round.line;
  }

  /** How a round read before the last sitting, where it read otherwise or was not there. */
  function wordsBefore({ round, part }: PlacedRound): string | null {
    const old = earlier.find((one) => one.part === part.name && one.label === round.label);
    if (!old) return null;
    const now = text
      .split('\n')
      .slice(round.line - 1, round.endLine)
      .join('\n')
      .trim();
    return old.words === now ? null : old.words;
  }

  function goToFinding(finding: ReportFinding): void {
    const place = view && placeOf(finding, view.state.doc);
    if (view && place) goTo(view, place.from, place.to);
  }

  function toLine(number: number): void {
    if (view) goToLine(view, number);
  }

  function toRound({ round }: PlacedRound): void {
    const place = view && placeOf({ ...round, endLine: round.line, endColumn: round.column }, view.state.doc);
    if (view && place) goTo(view, place.from);
  }

  function step(direction: 1 | -1): void {
    const next = nearest(rounds, spot, direction);
    if (next) toRound(next);
    else toasts.say(direction === 1 ? 'This is the last round.' : 'This is the first round.');
  }

  function stepUnticked(): void {
    const unticked = ({ round }: PlacedRound) => !notes.ticks.has(round.key);
    const next = nearest(rounds, spot, 1, unticked) ?? rounds.find(unticked);
    if (next) toRound(next);
    else toasts.say('Every round is ticked.');
  }

  function tick(): void {
    if (placed) void notes.tick(placed.round.key, !notes.ticks.has(placed.round.key));
  }

  function tickKey(key: string): void {
    void notes.tick(key, !notes.ticks.has(key));
  }

  function tickOn(): void {
    const here = roundAt(rounds, spot);
    if (here && !notes.ticks.has(here.round.key)) void notes.tick(here.round.key, true);
    stepUnticked();
  }

  function stepFinding(direction: 1 | -1): void {
    const next =
      direction === 1
        ? (findings.find((finding) => finding.line > line) ?? findings[0])
        : (findings.findLast((finding) => finding.endLine < line) ?? findings.at(-1));
    if (next) goToFinding(next);
    else toasts.say('Nothing left to mend.');
  }

  function fixCurrent(which: number): void {
    const fix = current?.fixes[which];
    if (fix) applyIt(fix);
    else toasts.say(current ? `There is no fix ${which + 1} for this finding.` : 'No finding stands at the caret.');
  }

  function applyIt(fix: ReportFinding['fixes'][number]): void {
    if (!view || checked !== text || !applyFix(view, fix)) toasts.say('The text has changed meanwhile. Try again.');
    view?.focus();
  }

  async function onCard(ask: 'askHook' | 'askAside'): Promise<void> {
    panel = 'round';
    await drawn();
    card?.[ask]();
  }

  function askAside(): void {
    if (current) void onCard('askAside');
    else toasts.say('No finding stands at the caret.');
  }

  function stepPart(direction: 1 | -1): void {
    const parts = report?.parts ?? [];
    const next = direction === 1 ? parts.find((part) => part.line > line) : parts.findLast((part) => part.line < line);
    if (next) toLine(next.line);
  }

  function fold(all: boolean): void {
    const parts = report?.parts ?? [];
    const here = parts.findLast((part) => part.line <= line);
    if (view) toggleFold(view, all ? parts : here ? [here] : []);
  }

  function find(): void {
    open = 'finder';
  }

  async function copyMarked(): Promise<void> {
    if (!report) return;
    try {
      await navigator.clipboard.writeText(markedText(checked, report));
      toasts.say('Copied, with the sums.');
    } catch {
      toasts.say('The browser does not allow copying here. Print it instead.');
    }
  }

  function print(): void {
    void saver.flush().then(() => window.open(`/desk/${opened.id}/print`, '_blank'));
  }

  function onkeydown(event: KeyboardEvent): void {
    const action = open === null && !theirs ? actionFor(actions, event) : null;
    if (!action) return;
    event.preventDefault();
    event.stopPropagation();
    action.run();
  }

  async function dropped(event: DragEvent): Promise<void> {
    const file = event.dataTransfer?.files[0];
    if (!file || !view) return;
    event.preventDefault();
    event.stopPropagation();
    if (file.size > LONGEST_TEXT) {
      toasts.say(`${file.name} is too large for one pattern.`);
      return;
    }
    const words = (await file.text()).replace(/\r\n?/g, '\n');
    replaceText(view, words);
    toasts.say(`${file.name} stands in place of the text.`, { text: 'Undo', act: () => void undoDrop() });
  }

  async function undoDrop(): Promise<void> {
    const { undo } = await import('@codemirror/commands');
    if (view) undo(view);
  }

  /** Another window may have saved while this one was out of sight. */
  async function lookForNewer(): Promise<void> {
    const newer = await saver.newer().catch(() => null);
    if (!newer || !view) return;
    saver.rebase(newer);
    name = newer.name;
    replaceText(view, newer.text);
    saver.rebase(newer);
    toasts.say('Brought up to date with what another window saved.');
  }

  async function settle(other: StoredPattern, mineWins: boolean): Promise<string> {
    const mine = text;
    try {
      await takeIn(mineWins ? other.text : mine, `Copy: ${other.name}`.slice(0, LONGEST_NAME));
      if (mineWins) {
        const answer = await saveText(opened.id, mine, other.revision);
        if ('current' in answer) return 'It was changed once more meanwhile. Choose again.';
        saver.rebase({ ...other, text: mine, revision: answer.revision });
      } else {
        saver.rebase(other);
        if (view) replaceText(view, other.text);
        saver.rebase(other);
      }
      toasts.say('The other text is on the shelf as a copy.');
      return '';
    } catch (error) {
      return troubleIn(error);
    }
  }

  async function newName(next: string): Promise<void> {
    const before = name;
    open = null;
    if (next === before) return;
    name = next;
    try {
      await rename(opened.id, next);
    } catch (error) {
      name = before;
      toasts.say(notKept(error));
    }
  }

  async function away(): Promise<void> {
    try {
      await saver.flush();
      await putAway(opened.id);
      await goto('/');
      toasts.say('It is off the shelf.', {
        text: 'Put it back',
        act: () => void takeBack(opened.id).then(() => goto(`/desk/${opened.id}`)),
      });
    } catch (error) {
      toasts.say(notKept(error));
    }
  }
</script>

<svelte:window
  onfocus={() => void lookForNewer()}
  ononline={() => void saver.flush()}
  onpagehide={() => {
    rememberUndo();
    void saver.flush();
  }}
  onkeydowncapture={onkeydown}
/>

<div class="desk">
  <DeskHeader {name} {report} {rounds} ticks={notes.ticks} {actions} away={() => void away()}>
    {#snippet sign()}<SaveSign state={saver.state} />{/snippet}
  </DeskHeader>
  {#if saver.state.kind === 'failed'}<SaveTrouble state={saver.state} again={() => void saver.flush()} />{/if}

  <main>
    <div class="parts">
      {#if report}<PartList {report} {notes} {line} go={toLine} />{/if}
    </div>
    <Manuscript
      id={opened.id}
      {text}
      {ready}
      {changed}
      moved={(at: Spot, offset: number) => {
        spot = at;
        caret = offset;
      }}
      tick={tickKey}
      {dropped}
    />
    <aside aria-label="What was found">
      <Tabs
        label="What was found"
        bind:chosen={panel}
        tabs={[
          { id: 'round', text: 'Round' },
          { id: 'findings', text: 'Findings', ...(report ? { count: findings.length } : {}) },
          { id: 'parts', text: 'Parts' },
        ]}
      />
      <div class="panel" role="tabpanel" id="panel-{panel}" aria-labelledby="tab-{panel}" tabindex="-1">
        {#if report && panel === 'parts'}
          <PartList {report} {notes} {line} go={toLine} />
        {:else if report && panel === 'round' && placed}
          <RoundCard
            bind:this={card}
            {placed}
            account={account?.label === placed.round.label ? account : null}
            findings={roundFindings}
            {current}
            {notes}
            before={was}
            {caret}
            {tick}
            light={(words: { from: number; to: number } | null) => {
              if (checked === text) view?.dispatch({ effects: lightWords.of(words) });
            }}
            slips={(onHook: number) => checker?.slips(placed.index, onHook) ?? Promise.resolve([])}
            go={goToFinding}
            fix={applyIt}
          />
        {:else if report}
          <FindingList {report} {notes} {current} go={goToFinding} fix={applyIt} />
        {/if}
      </div>
    </aside>
  </main>
</div>

{#if open === 'name'}<Rename {name} chosen={(next: string) => void newName(next)} onclose={() => (open = null)} />{/if}
{#if open === 'keys'}
  {#await import('./KeyList.svelte') then { default: KeyList }}<KeyList
      {actions}
      onclose={() => (open = null)}
    />{/await}
{/if}
{#if open === 'finder'}
  {#await import('./Finder.svelte') then { default: Finder }}<Finder
      {actions}
      {rounds}
      goTo={toRound}
      onclose={() => (open = null)}
    />{/await}
{/if}
{#if open === 'style'}
  {#await import('./HouseStyleReview.svelte') then { default: HouseStyleReview }}<HouseStyleReview
      set={Object.keys(style).length > 0}
      ask={() => checker?.inStyle(text) ?? null}
      apply={(next: string) => {
        open = null;
        if (view) replaceText(view, next);
        void drawn().then(() => view?.focus());
      }}
      onclose={() => (open = null)}
    />{/await}
{/if}
{#if theirs}
  <Conflict mine={text} {theirs} keepBoth={() => settle(theirs, false)} useMine={() => settle(theirs, true)} />
{/if}

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

  aside {
    display: grid;
    grid-template-rows: auto minmax(0, 1fr);
    min-height: 0;
    padding: 0 var(--space-4);
    border-left: 1px solid var(--rule-strong);
  }

  .parts {
    display: grid;
    min-height: 0;
    border-right: 1px solid var(--rule);
  }

  aside :global(#tab-parts) {
    display: none;
  }

  .panel {
    overflow-y: auto;
    padding-bottom: var(--space-6);
    margin: 0 calc(-1 * var(--space-2));
    scrollbar-width: thin;
  }

  @media (max-width: 1100px) {
    main {
      grid-template-columns: minmax(0, 1fr) 20rem;
    }

    .parts {
      display: none;
    }

    aside :global(#tab-parts) {
      display: block;
    }
  }

  @media (max-width: 900px) {
    main {
      grid-template-columns: minmax(0, 1fr);
      grid-template-rows: minmax(0, 3fr) minmax(0, 2fr);
    }

    aside {
      border-left: 0;
      border-top: 2px solid var(--ink);
    }
  }
</style>
