<script lang="ts">
  import { goto } from '$app/navigation';
  import type { EditorView } from '@codemirror/view';
  import { onDestroy, tick as drawn, untrack } from 'svelte';
  import {
    markedText,
    senseInWords,
    type HouseStyle,
    type Report,
    type ReportFinding,
    type RoundAccount,
    type Sense,
  } from '../../core/index.js';
  import { earlierText, notKept, putAway, rename, takeBack, troubleIn } from '../client.js';
  import Tabs from '../components/Tabs.svelte';
  import { fetched } from '../fetched.js';
  import { readFile, type ReadFile } from '../readFile.js';
  import { toasts } from '../components/toasts.svelte.js';
  import type { Notes as StoredNotes, StoredPattern } from '../patterns.js';
  import type { EarlierRound } from '../workers/check.worker.js';
  import { Checker, type CheckState } from '../workers/checker.js';
  import { actionFor, actionsOf } from './actions.js';
  import CheckSign from './CheckSign.svelte';
  import CheckTrouble from './CheckTrouble.svelte';
  import Conflict from './Conflict.svelte';
  import DeskHeader from './DeskHeader.svelte';
  import FindingList from './FindingList.svelte';
  import { lightWords, placeOf, showFindings } from './findings.js';
  import { toggleFold } from './folding.js';
  import { adoptable, drop } from './kept.js';
  import { applyFix, goTo, goToLine, replaceText } from './manuscript.js';
  import Manuscript from './Manuscript.svelte';
  import { Notes } from './notes.svelte.js';
  import Offered from './Offered.svelte';
  import PartList from './PartList.svelte';
  import { showReport, showTicks } from './rail.js';
  import { remember } from './remembered.js';
  import Rename from './Rename.svelte';
  import RoundCard from './RoundCard.svelte';
  import { nearest, placedRounds, roundAt, type PlacedRound, type Spot } from './rounds.js';
  import { flushAll, leave, saverFor } from './savers.js';
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
  const notes = new Notes(opened, stored);
  const saver = saverFor(opened);
  let name = $state(opened.name);
  let text = $state.raw(opened.text);
  let report = $state.raw<Report | null>(null);
  /** The text that the report is about. */
  let checked = $state.raw('');
  let checking = $state<CheckState>('busy');
  let account = $state.raw<RoundAccount | null>(null);
  let earlier = $state.raw<readonly EarlierRound[]>([]);
  let spot = $state.raw<Spot>({ line: 1, column: 1 });
  let caret = $state(0);
  let panel = $state<'round' | 'findings' | 'parts'>('round');
  let open = $state<'name' | 'keys' | 'finder' | 'style' | null>(null);
  /** A file that was dropped here, to be looked at before anything is done with it. */
  let offered = $state.raw<ReadFile | null>(null);
  let card = $state<{ askHook: () => void; askAside: () => void; askMeaning: () => void }>();
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
    means: () => void onCard('askMeaning'),
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
    style: () => void openPart('style'),
    terms: () => void saver.flush().then(() => goto(`/terms/${opened.id}`)),
    download: () => saveAsText(name, text),
    manuscript: () => view?.focus(),
    finder: find,
    keys: () => void openPart('keys'),
    rename: () => (open = 'name'),
    shelf: () => void goto('/'),
  });

  function ready(editor: EditorView): void {
    view = editor;
    editor.dispatch({ effects: showTicks.of(new Set(notes.ticks)) });
    checker = new Checker(
      { told, state: (state) => (checking = state) },
      { terms: opened.terms, hand: opened.hand, rules: untrack(() => stored.rules), style: untrack(() => style) },
    );
    saver.onnewer = show;
    // What was left unsaved at this Desk is still on its way.
    if (saver.text === text) checker.check(text, name);
    else replaceText(editor, saver.text);
    if (saver.clean) void bringBack(editor);
    void compare(checker);
    editor.focus();
    // The finder must be there at once when it is asked for; its code comes after everything else.
    setTimeout(() => void PARTS.finder().catch(() => undefined), 2000);
  }

  /** How the rounds stood before the last sitting; without that the Desk is none the worse. */
  async function compare(by: Checker): Promise<void> {
    const before = await earlierText(opened.id).catch(() => null);
    if (before !== null && before !== opened.text) earlier = await by.earlier(before).catch(() => []);
  }

  function told(next: Report, about: string): void {
    // The rail first; the panels follow when it has been drawn.
    // A report on a text that has changed since would mark the wrong words; the next one is on its way.
    if (about === text) {
      const open = next.findings.filter(({ key }) => !notes.aside.has(key));
      view?.dispatch({ effects: [showReport.of(next), showFindings.of(open)] });
    }
    clearTimeout(showing);
    showing = setTimeout(
      () => {
        report = next;
        checked = about;
      },
      report === null ? 0 : 30,
    );
  }

  /** Goes on from what a window that is gone had not saved; else looks for what another one has saved. */
  async function bringBack(editor: EditorView): Promise<void> {
    const texts = await adoptable(opened.id);
    for (const same of texts.filter((kept) => kept.text === opened.text)) drop(opened.id, same.window);
    const [kept, ...others] = texts.filter((kept) => kept.text !== opened.text);
    if (!kept || text !== opened.text || !view) {
      await lookForNewer();
      return;
    }
    saver.adopt(kept, opened);
    replaceText(editor, kept.text);
    toasts.say(
      others.length === 0
        ? 'What had not been saved yet is back.'
        : 'What had not been saved yet is back. Another text of this pattern is kept in this browser too.',
      ...(others.length === 0 ? [] : [{ text: 'See the shelf', act: () => void goto('/') }]),
    );
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
    leave(saver);
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
    untrack(() => view?.dispatch({ effects: showTicks.of(ticks) }));
  });
  // What a word means changes the figures of all rounds.
  $effect(() => {
    const hand = { words: Object.fromEntries(notes.words) };
    untrack(() => {
      checker?.setHand(hand);
      if (report) checker?.check(text, name);
    });
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

  async function onCard(ask: 'askHook' | 'askAside' | 'askMeaning'): Promise<void> {
    panel = 'round';
    await drawn();
    card?.[ask]();
  }

  function askAside(): void {
    if (current) void onCard('askAside');
    else toasts.say('No finding stands at the caret.');
  }

  /** Settles what a word means; all rounds are counted anew. */
  function mean(word: string, sense: Sense | null, comesOut: number | null): void {
    const before = notes.words.get(word) ?? null;
    void notes.mean(word, sense);
    const said = sense === null ? `“${word}” is left open again.` : `“${word}” is ${senseInWords(sense)}.`;
    const so = comesOut === null ? '' : ` ${comesOut} ${comesOut === 1 ? 'round comes' : 'rounds come'} out.`;
    toasts.say(said + so, { text: 'Undo', act: () => void notes.mean(word, before) });
    view?.focus();
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

  const PARTS = {
    keys: () => import('./KeyList.svelte'),
    finder: () => import('./Finder.svelte'),
    style: () => import('./HouseStyleReview.svelte'),
  };

  /** Opens what is fetched when it is asked for; without it the keys stay those of the Desk. */
  async function openPart(part: keyof typeof PARTS): Promise<void> {
    if (await fetched<unknown>(PARTS[part])) open = part;
  }

  function find(): void {
    void openPart('finder');
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
    const action = actionFor(actions, event);
    if (!action) return;
    // Never the browser's business, nor the editor's, which would move a line.
    event.preventDefault();
    event.stopPropagation();
    if (open === null && !theirs && !offered) action.run();
  }

  function dropped(event: DragEvent): void {
    const file = event.dataTransfer?.files[0];
    if (!file) return;
    event.preventDefault();
    event.stopPropagation();
    void readFile(file).then((read) => {
      if ('refused' in read) toasts.say(read.refused);
      else offered = read;
    });
  }

  /** Another window may have saved while this one was out of sight. */
  async function lookForNewer(): Promise<void> {
    const newer = await saver.newer().catch(() => null);
    if (!newer || !view) return;
    saver.rebase(newer);
    show(newer);
  }

  /** Shows a text that has been saved by another window, and that the saver goes on from. */
  function show(newer: StoredPattern): void {
    name = newer.name;
    if (view) replaceText(view, newer.text);
    toasts.say('Brought up to date with what another window saved.');
  }

  /** Settles a conflict; says in words if that can't be done. */
  async function settle(winner: 'mine' | 'theirs'): Promise<string> {
    try {
      const now = await saver.settle(winner);
      if (view && now.text !== text) replaceText(view, now.text);
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
  ononline={flushAll}
  onpagehide={() => {
    rememberUndo();
    flushAll();
  }}
  onkeydowncapture={onkeydown}
/>

<div class="desk">
  <DeskHeader {name} {report} {rounds} ticks={notes.ticks} {actions} away={() => void away()}>
    {#snippet sign()}<CheckSign state={checking} /><SaveSign state={saver.state} />{/snippet}
  </DeskHeader>
  {#if saver.state.kind === 'failed'}<SaveTrouble state={saver.state} again={() => void saver.flush()} />
  {:else if checking === 'gave-up' || checking === 'failed'}<CheckTrouble
      state={checking}
      {text}
      again={() => checker?.check(text, name)}
    />{/if}

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
            meanings={(word: string) => checker?.meanings(word) ?? Promise.resolve(null)}
            {mean}
            slips={(onHook: number) => checker?.slips(placed.index, onHook) ?? Promise.resolve([])}
            go={goToFinding}
            fix={applyIt}
          />
        {:else if report}
          <FindingList {report} {notes} {current} go={goToFinding} fix={applyIt} />
        {:else if checking === 'gave-up' || checking === 'failed'}
          <p class="nothing">There are no figures: this text is not counted.</p>
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
  <Conflict mine={text} {theirs} {settle} />
{/if}
{#if offered}
  <Offered
    {...offered}
    replace={(words: string) => {
      offered = null;
      if (view) replaceText(view, words);
      void drawn().then(() => view?.focus());
    }}
    onclose={() => (offered = null)}
  />
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

  .nothing {
    padding: var(--space-4) var(--space-2);
    color: var(--ink-soft);
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
