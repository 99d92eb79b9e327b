<script lang="ts">
  import { goto } from '$app/navigation';
  import type { EditorView } from '@codemirror/view';
  import { onDestroy } from 'svelte';
  import type { Report, ReportFinding } from '../../core/index.js';
  import { putAway, rename, saveText, takeBack, takeIn, Trouble } from '../client.js';
  import Button from '../components/Button.svelte';
  import Mark from '../components/Mark.svelte';
  import Menu from '../components/Menu.svelte';
  import Tabs from '../components/Tabs.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import { LONGEST_NAME, type StoredPattern } from '../patterns.js';
  import { Checker } from '../workers/checker.js';
  import Conflict from './Conflict.svelte';
  import { readDraft } from './draft.js';
  import FindingList from './FindingList.svelte';
  import { placeOf } from './findings.js';
  import { goTo, replaceText } from './manuscript.js';
  import Manuscript from './Manuscript.svelte';
  import { showReport } from './rail.js';
  import Rename from './Rename.svelte';
  import RoundList from './RoundList.svelte';
  import { Saver } from './saver.svelte.js';
  import SaveSign from './SaveSign.svelte';

  let { pattern }: { pattern: StoredPattern } = $props();
  // The Desk is made anew for each pattern; from here on it owns name and text.
  // svelte-ignore state_referenced_locally
  const opened = pattern;
  let name = $state(opened.name);
  let text = $state.raw(opened.text);
  let report = $state.raw<Report | null>(null);
  let line = $state(1);
  let panel = $state<'findings' | 'rounds'>('findings');
  let naming = $state(false);
  let view: EditorView | undefined;
  let checker: Checker | undefined;
  const saver = new Saver(opened);

  const theirs = $derived(saver.state.kind === 'conflict' ? saver.state.theirs : null);
  const rounds = $derived(report?.parts.flatMap((part) => part.rounds) ?? []);
  const off = $derived(rounds.filter(({ verdict }) => verdict === 'off').length);
  const unread = $derived(rounds.filter(({ verdict }) => verdict === 'unreadable').length);
  const TERMS = { us: 'US terms', uk: 'UK terms', mixed: 'Mixed terms', unclear: 'Terms unclear' };

  function ready(editor: EditorView): void {
    view = editor;
    checker = new Checker((next, checked) => {
      report = next;
      // A report on a text that has changed since would mark the wrong words; the next one is on its way.
      if (checked === text) editor.dispatch({ effects: showReport.of(next) });
    });
    const draft = readDraft(opened.id);
    if (draft && draft.text !== opened.text) {
      if (draft.base !== opened.revision) saver.rebase({ ...opened, revision: draft.base });
      replaceText(editor, draft.text);
      toasts.say('What had not been saved yet is back.');
    } else checker.check(text, name);
    editor.focus();
  }

  function changed(next: string): void {
    text = next;
    checker?.check(next, name);
    saver.changed(next);
  }

  onDestroy(() => {
    checker?.close();
    saver.close();
  });

  function goToFinding(finding: ReportFinding): void {
    const place = view && placeOf(finding, view.state.doc);
    if (view && place) goTo(view, place.from, place.to);
  }

  function goToLine(number: number): void {
    if (view && number <= view.state.doc.lines) goTo(view, view.state.doc.line(number).from);
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
    naming = false;
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
  onpagehide={() => void saver.flush()}
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
        <dt class="unseen">Rounds</dt>
        <dd>{rounds.length} {rounds.length === 1 ? 'round' : 'rounds'}</dd>
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
    <Menu
      label="More for this pattern"
      items={[
        { text: 'Rename', act: () => (naming = true) },
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
    <Manuscript {text} {ready} {changed} moved={(next: number) => void (line = next)} />
    <aside aria-label="What was found">
      <Tabs
        label="What was found"
        bind:chosen={panel}
        tabs={[
          { id: 'findings', text: 'Findings', ...(report ? { count: report.findings.length } : {}) },
          { id: 'rounds', text: 'Rounds', ...(report ? { count: rounds.length } : {}) },
        ]}
      />
      <div class="panel" role="tabpanel" id="panel-{panel}" aria-labelledby="tab-{panel}" tabindex="-1">
        {#if report && panel === 'findings'}
          <FindingList {report} {line} go={goToFinding} />
        {:else if report}
          <RoundList {report} {line} go={goToLine} />
        {/if}
      </div>
    </aside>
  </main>
</div>

{#if naming}<Rename {name} chosen={(next: string) => void newName(next)} onclose={() => (naming = false)} />{/if}
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
    padding: 0 var(--space-4) 0 var(--space-6);
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
    padding: var(--space-2) var(--space-4) var(--space-2) var(--space-6);
    background: var(--madder-wash);
    font-size: var(--size-body);
  }

  main {
    grid-row: 3;
    display: grid;
    grid-template-columns: minmax(0, 64rem) minmax(17rem, 22rem);
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

  .panel {
    overflow-y: auto;
    padding-bottom: var(--space-6);
    margin: 0 calc(-1 * var(--space-2));
    scrollbar-width: thin;
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
