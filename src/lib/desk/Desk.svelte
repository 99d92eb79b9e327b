<script lang="ts">
  import { goto } from '$app/navigation';
  import type { EditorView } from '@codemirror/view';
  import { onDestroy, untrack } from 'svelte';
  import { markedText, type Report, type ReportFinding, type RoundAccount } from '../../core/index.js';
  import { putAway, rename, saveText, takeBack, takeIn, Trouble } from '../client.js';
  import Button from '../components/Button.svelte';
  import Mark from '../components/Mark.svelte';
  import Menu from '../components/Menu.svelte';
  import Tabs from '../components/Tabs.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import { LONGEST_NAME, LONGEST_TEXT, type Notes as StoredNotes, type StoredPattern } from '../patterns.js';
  import type { EarlierRound } from '../workers/check.worker.js';
  import { Checker } from '../workers/checker.js';
  import { actionFor, type Action } from './actions.js';
  import Conflict from './Conflict.svelte';
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
  import SaveSign from './SaveSign.svelte';

  let { pattern, stored }: { pattern: StoredPattern; stored: StoredNotes } = $props();
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
  let open = $state<'name' | 'keys' | 'finder' | null>(null);
  let finderStart = $state('');
  let hookAsked = $state(0);
  let asideAsked = $state(0);
  let view: EditorView | undefined;
  let checker: Checker | undefined;

  const line = $derived(spot.line);
  const theirs = $derived(saver.state.kind === 'conflict' ? saver.state.theirs : null);
  const rounds = $derived(report ? placedRounds(report) : []);
  const off = $derived(rounds.filter(({ round }) => round.verdict === 'off').length);
  const unread = $derived(rounds.filter(({ round }) => round.verdict === 'unreadable').length);
  const ticked = $derived(rounds.filter(({ round }) => notes.ticks.has(round.key)).length);
  const findings = $derived(report?.findings.filter(({ key }) => !notes.aside.has(key)) ?? []);
  const current = $derived(findings.find((finding) => finding.line <= line && line <= finding.endLine) ?? null);
  const placed = $derived(roundAt(rounds, spot) ?? nearest(rounds, spot, -1) ?? rounds[0] ?? null);
  const roundFindings = $derived(placed ? findings.filter((finding) => ofRound(finding, placed)) : []);
  const was = $derived(placed ? wordsBefore(placed) : null);
  const TERMS = { us: 'US terms', uk: 'UK terms', mixed: 'Mixed terms', unclear: 'Terms unclear' };

  const ACTIONS: readonly Action[] = [
    { id: 'next-round', text: 'Next round', group: 'Rounds', code: 'ArrowDown', keys: 'Alt ↓', run: () => step(1) },
    { id: 'last-round', text: 'Round before', group: 'Rounds', code: 'ArrowUp', keys: 'Alt ↑', run: () => step(-1) },
    {
      id: 'tick',
      text: 'Tick the round, or take the tick off',
      group: 'Rounds',
      code: 'KeyT',
      keys: 'Alt T',
      run: tick,
    },
    {
      id: 'tick-on',
      text: 'Tick, and go on to the next without',
      group: 'Rounds',
      code: 'Enter',
      keys: 'Alt Enter',
      run: tickOn,
    },
    {
      id: 'unticked',
      text: 'Next round without a tick',
      group: 'Rounds',
      code: 'Slash',
      keys: 'Alt /',
      run: () => stepUnticked(),
    },
    {
      id: 'number',
      text: 'Go to a round by its number',
      group: 'Rounds',
      code: 'KeyG',
      keys: 'Alt G',
      run: () => find(''),
    },
    { id: 'hook', text: 'Explain the count on the hook', group: 'Rounds', code: 'KeyH', keys: 'Alt H', run: askHook },
    {
      id: 'next-finding',
      text: 'Next finding',
      group: 'Findings',
      code: 'Period',
      keys: 'Alt .',
      run: () => stepFinding(1),
    },
    {
      id: 'last-finding',
      text: 'Finding before',
      group: 'Findings',
      code: 'Comma',
      keys: 'Alt ,',
      run: () => stepFinding(-1),
    },
    ...[1, 2, 3, 4].map((which): Action => ({
      id: `fix-${which}`,
      text: `Apply fix ${which} of the finding at the caret`,
      group: 'Findings',
      code: `Digit${which}`,
      keys: `Alt ${which}`,
      run: () => fixCurrent(which - 1),
    })),
    {
      id: 'aside',
      text: 'Put the finding aside, with a reason',
      group: 'Findings',
      code: 'Digit0',
      keys: 'Alt 0',
      run: askAside,
    },
    {
      id: 'list',
      text: 'Show all findings, or the round',
      group: 'Findings',
      code: 'KeyL',
      keys: 'Alt L',
      run: () => (panel = panel === 'round' ? 'findings' : 'round'),
    },
    {
      id: 'next-part',
      text: 'Next part',
      group: 'Parts',
      code: 'PageDown',
      keys: 'Alt Page ↓',
      run: () => stepPart(1),
    },
    {
      id: 'last-part',
      text: 'Part before',
      group: 'Parts',
      code: 'PageUp',
      keys: 'Alt Page ↑',
      run: () => stepPart(-1),
    },
    {
      id: 'fold',
      text: 'Fold the part, or unfold it',
      group: 'Parts',
      code: 'KeyF',
      keys: 'Alt F',
      run: () => fold(false),
    },
    {
      id: 'fold-all',
      text: 'Fold all parts, or unfold them',
      group: 'Parts',
      code: 'KeyF',
      shift: true,
      keys: 'Alt Shift F',
      run: () => fold(true),
    },
    {
      id: 'copy',
      text: 'Copy the text with its sums',
      group: 'Text',
      code: 'KeyC',
      keys: 'Alt C',
      run: () => void copyMarked(),
    },
    { id: 'print', text: 'Print with the sums in the margin', group: 'Text', code: 'KeyP', keys: 'Alt P', run: print },
    { id: 'download', text: 'Download as text', group: 'Text', run: download },
    {
      id: 'manuscript',
      text: 'Back to the manuscript',
      group: 'Desk',
      code: 'KeyM',
      keys: 'Alt M',
      run: () => view?.focus(),
    },
    {
      id: 'finder',
      text: 'Find a round or an action',
      group: 'Desk',
      code: 'KeyA',
      keys: 'Alt A',
      run: () => find(''),
    },
    { id: 'keys', text: 'All keys', group: 'Desk', code: 'KeyK', keys: 'Alt K', run: () => (open = 'keys') },
    { id: 'rename', text: 'Rename the pattern', group: 'Desk', run: () => (open = 'name') },
    { id: 'shelf', text: 'To the shelf', group: 'Desk', run: () => void goto('/') },
  ];

  function ready(editor: EditorView): void {
    view = editor;
    checker = new Checker((next, about) => {
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
    });
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

  function askHook(): void {
    panel = 'round';
    hookAsked += 1;
  }

  function askAside(): void {
    if (!current) {
      toasts.say('No finding stands at the caret.');
      return;
    }
    panel = 'round';
    asideAsked += 1;
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

  function find(start: string): void {
    finderStart = start;
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
    const action = open === null && !theirs ? actionFor(ACTIONS, event) : null;
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
      return error instanceof Trouble ? error.message : 'This did not work.';
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
      toasts.say(error instanceof Trouble ? error.message : 'The name could not be changed.');
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
      toasts.say(error instanceof Trouble ? error.message : 'This did not work.');
    }
  }

  function download(): void {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([text], { type: 'text/plain;charset=utf-8' }));
    link.download = `${name.replace(/[^\p{L}\p{N} _-]+/gu, '').trim() || 'pattern'}.txt`;
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 1000);
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
  <header>
    <a class="home" href="/" title="Back to the shelf">Shelf</a>
    <h1 title={name}>{name}</h1>
    <dl>
      {#if report}
        <dt class="unseen">Terms</dt>
        <dd>
          {TERMS[report.terms.detected]}{#if report.terms.declared === null && report.terms.detected !== 'unclear'}<span
              class="soft">, not declared</span
            >{/if}
        </dd>
        <dt class="unseen">Agreed by hand</dt>
        <dd>{ticked} of {rounds.length} ticked</dd>
        {#if off > 0}
          <dt class="unseen">Off</dt>
          <dd class="off"><Mark name="off" silent /> {off} off</dd>
        {/if}
        {#if unread > 0}
          <dt class="unseen">Unreadable</dt>
          <dd class="off"><Mark name="unreadable" silent /> {unread} unreadable</dd>
        {/if}
        {#if rounds.length > 0 && off + unread === 0}
          <dt class="unseen">All</dt>
          <dd><Mark name="agrees" silent /> none off</dd>
        {/if}
      {/if}
    </dl>
    <SaveSign state={saver.state} />
    <button type="button" class="finder" title="Alt A" onclick={() => find('')}>Go to…</button>
    <Menu
      label="More for this pattern"
      items={[
        { text: 'All keys', act: () => (open = 'keys') },
        { text: 'Copy with sums', act: () => void copyMarked() },
        { text: 'Print with sums', act: print },
        { text: 'Rename', act: () => (open = 'name') },
        { text: 'Download as text', act: download },
        { text: 'Take off the shelf', act: () => void away(), grave: true },
      ]}
    />
  </header>

  {#if saver.state.kind === 'failed'}
    <div class="trouble" role="alert">
      <p>
        <strong>Not saved.</strong>
        {saver.state.why}
        {saver.state.kept
          ? 'Your text is kept in this browser'
          : 'This browser has no room to keep your text: copy it before you leave'}{saver.state.again
          ? ', and saving is tried again by itself.'
          : '.'}
      </p>
      <Button weight="quiet" onclick={() => void saver.flush()}>Try now</Button>
    </div>
  {/if}

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
            {placed}
            account={account?.label === placed.round.label ? account : null}
            findings={roundFindings}
            {current}
            {notes}
            before={was}
            {caret}
            {hookAsked}
            {asideAsked}
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
      actions={ACTIONS}
      onclose={() => (open = null)}
    />{/await}
{/if}
{#if open === 'finder'}
  {#await import('./Finder.svelte') then { default: Finder }}<Finder
      actions={ACTIONS}
      {rounds}
      start={finderStart}
      goTo={toRound}
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

  header {
    grid-row: 1;
    display: flex;
    align-items: center;
    gap: var(--space-4);
    min-height: 3.25rem;
    padding: 0 var(--space-4);
    border-bottom: 2px solid var(--ink);
  }

  .home {
    font-family: var(--text-face);
    font-style: italic;
  }

  h1 {
    min-width: 4rem;
    overflow: hidden;
    font-size: 1.1875rem;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  dl {
    display: flex;
    align-items: baseline;
    gap: var(--space-4);
    margin-left: auto;
    font-size: var(--size-body);
    white-space: nowrap;
  }

  .soft {
    color: var(--ink-soft);
  }

  dd.off {
    min-width: 3.6rem;
  }

  .off {
    font-weight: 620;
    color: var(--madder);
  }

  .trouble {
    grid-row: 2;
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: var(--space-4);
    padding: var(--space-2) var(--space-4);
    background: var(--madder-wash);
    font-size: var(--size-body);
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

  .finder {
    padding: 0.25rem var(--space-3);
    border: 1px solid var(--rule-strong);
    border-radius: var(--radius);
    background: none;
    color: var(--ink-soft);
    font: inherit;
    font-size: var(--size-small);
    white-space: nowrap;
    cursor: pointer;
  }

  .finder:hover {
    color: var(--ink);
    background: var(--paper-sunk);
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

  @media (max-width: 720px) {
    header {
      flex-wrap: wrap;
      gap: var(--space-1) var(--space-3);
      padding: var(--space-2) var(--space-3);
    }

    h1 {
      flex: 1;
    }

    dl {
      order: 5;
      width: 100%;
      margin: 0;
      overflow: hidden;
      font-size: var(--size-small);
    }

    .trouble {
      padding: var(--space-2) var(--space-3);
    }
  }
</style>
