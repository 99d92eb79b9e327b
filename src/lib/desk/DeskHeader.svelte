<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Report } from '../../core/index.js';
  import Mark from '../components/Mark.svelte';
  import Menu from '../components/Menu.svelte';
  import type { Action, ActionId } from './actions.js';
  import type { PlacedRound } from './rounds.js';

  interface Props {
    name: string;
    report: Report | null;
    rounds: readonly PlacedRound[];
    ticks: { has: (key: string) => boolean };
    actions: readonly Action[];
    /** Takes the pattern off the shelf. */
    away: () => void;
    /** Whether it is saved. */
    sign: Snippet;
  }

  let { name, report, rounds, ticks, actions, away, sign }: Props = $props();
  const TERMS = { us: 'US terms', uk: 'UK terms', mixed: 'Mixed terms', unclear: 'Terms unclear' };
  const off = $derived(rounds.filter(({ round }) => round.verdict === 'off').length);
  const unread = $derived(rounds.filter(({ round }) => round.verdict === 'unreadable').length);
  const ticked = $derived(rounds.filter(({ round }) => ticks.has(round.key)).length);
  const run = (id: ActionId) => actions.find((action) => action.id === id)?.run();
</script>

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
  {@render sign()}
  <button type="button" class="finder" title="Alt A" onclick={() => run('finder')}>Go to…</button>
  <Menu
    label="More for this pattern"
    items={[
      { text: 'All keys', act: () => run('keys') },
      { text: 'Terms: US and UK', act: () => run('terms') },
      { text: 'Set in house style', act: () => run('style') },
      { text: 'Rules for this pattern', act: () => run('rules') },
      { text: 'Reference card', act: () => window.open('/card', '_blank') },
      { text: 'Copy with sums', act: () => run('copy') },
      { text: 'Print with sums', act: () => run('print') },
      { text: 'Rename', act: () => run('rename') },
      { text: 'Download as text', act: () => run('download') },
      { text: 'Take off the shelf', act: away, grave: true },
    ]}
  />
</header>

<style>
  header {
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

  .off {
    min-width: 3.6rem;
    font-weight: 620;
    color: var(--madder);
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
  }
</style>
