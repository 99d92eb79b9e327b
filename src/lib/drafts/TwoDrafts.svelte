<script lang="ts">
  import { changedWords, type ReportRound } from '../../core/index.js';
  import Mark from '../components/Mark.svelte';
  import { isChanged, type DraftsSession, type Row } from './drafts.svelte.js';

  interface Props {
    session: DraftsSession;
    from: string;
    to: string;
  }

  let { session, from, to }: Props = $props();
  const WORDS = {
    same: '',
    words: 'words',
    stitches: 'stitches',
    new: 'new',
    gone: 'gone',
    moved: 'moved',
  } as const;

  const signOf = ({ entry }: Row) =>
    [WORDS[entry.change], entry.moved && entry.change !== 'moved' ? 'moved' : '', entry.renumbered ? 'number' : '']
      .filter(Boolean)
      .join(', ');

  /** A text in pieces, those that the other one has not marked. */
  function pieces(text: string, spans: readonly { from: number; to: number }[]): { text: string; marked: boolean }[] {
    const all: { text: string; marked: boolean }[] = [];
    let at = 0;
    for (const span of spans) {
      all.push(
        { text: text.slice(at, span.from), marked: false },
        { text: text.slice(span.from, span.to), marked: true },
      );
      at = span.to;
    }
    return [...all, { text: text.slice(at), marked: false }].filter((piece) => piece.text !== '');
  }

  function sidesOf({ before, after, entry }: Row) {
    if (!entry.before || !entry.after || before === after)
      return { old: [{ text: before, marked: false }], now: [{ text: after, marked: false }] };
    const changed = changedWords(before, after);
    return { old: pieces(before, changed.before), now: pieces(after, changed.after) };
  }
</script>

{#snippet words(
  all: readonly { text: string; marked: boolean }[],
)}{#each all as { text, marked }, i (i)}{#if marked}<mark>{text}</mark>{:else}{text}{/if}{/each}{/snippet}

{#snippet figures(round: ReportRound | null, other: ReportRound | null)}
  <span class="figures" class:differs={round && other && (round.made !== other.made || round.edge !== other.edge)}>
    {#if round}<span>{round.edge ?? '–'}</span><span class="made">{round.made ?? '–'}</span><Mark
        name={round.verdict}
      />{/if}
  </span>
{/snippet}

<!-- svelte-ignore a11y_no_noninteractive_tabindex (a region that scrolls must be reachable by key) -->
<div class="texts" role="region" aria-label="Both drafts" tabindex="0">
  <div class="row names" aria-hidden="true">
    <span class="sign"></span><span>{from}</span><span class="figures"><span>uses</span><span>makes</span></span><span
      >{to}</span
    ><span class="figures"><span>uses</span><span>makes</span></span>
  </div>
  {#each session.shown as row (row)}
    {@const at = session.rows.indexOf(row)}
    {@const sides = sidesOf(row)}
    <div
      id="row-{at}"
      class="row {row.entry.change}"
      class:heading={row.heading}
      class:here={session.selected === at}
      class:changed={isChanged(row)}
    >
      {#if isChanged(row)}<button type="button" class="sign" onclick={() => (session.selected = at)}
          >{signOf(row)}</button
        >{:else}<span class="sign"></span>{/if}
      <div class="old">
        {#if row.entry.before}{@render words(sides.old)}{/if}
      </div>
      {@render figures(row.old, row.now)}
      <div class="now">
        {#if row.entry.after}{@render words(sides.now)}{/if}
      </div>
      {@render figures(row.now, row.old)}
    </div>
  {:else}
    <p class="none">The two are the same, line by line.</p>
  {/each}
</div>

<style>
  .texts {
    min-width: 0;
    padding-bottom: 4rem;
    overflow: auto;
    scrollbar-width: thin;
  }

  .row {
    display: grid;
    grid-template-columns: 5.2rem minmax(0, 1fr) 5.8rem minmax(0, 1fr) 5.8rem;
    align-items: baseline;
    content-visibility: auto;
    contain-intrinsic-size: auto 1.7em;
    font-family: var(--text-face);
    line-height: 1.7;
  }

  .names {
    position: sticky;
    top: 0;
    z-index: 1;
    border-bottom: 1px solid var(--rule-strong);
    background: var(--paper);
    color: var(--ink-soft);
    font-family: var(--figure-face);
    font-size: var(--size-small);
    content-visibility: visible;
  }

  .heading {
    padding-top: var(--space-3);
    font-weight: 650;
  }

  .sign {
    padding-right: var(--space-2);
    color: var(--ink-soft);
    font-family: var(--figure-face);
    font-size: 0.75rem;
    text-align: right;
  }

  .stitches .sign {
    color: var(--madder);
    font-weight: 650;
  }

  .here {
    background: var(--woad-wash);
    box-shadow: inset 3px 0 0 var(--woad);
  }

  .old,
  .now {
    padding: 0 var(--space-2);
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }

  .now {
    border-left: 1px solid var(--rule);
  }

  .gone .old {
    text-decoration: line-through;
    text-decoration-color: var(--madder);
  }

  .new .now {
    background: color-mix(in srgb, var(--sage) 14%, transparent);
  }

  mark {
    border-radius: 2px;
    background: var(--weld-wash);
    color: inherit;
    box-shadow: inset 0 -2px 0 var(--weld);
  }

  .figures {
    display: grid;
    grid-template-columns: 2rem 2.2rem 1.2rem;
    gap: 0 0.2rem;
    color: var(--ink-soft);
    font-family: var(--figure-face);
    font-size: 0.875rem;
    font-variant-numeric: tabular-nums;
    text-align: right;
  }

  .figures :global(svg) {
    align-self: center;
    justify-self: end;
  }

  .names .figures {
    grid-template-columns: 2rem 2.6rem;
    font-size: 0.75rem;
  }

  .made {
    color: var(--ink);
    font-weight: 650;
  }

  .differs .made {
    color: var(--madder);
  }

  .none {
    padding: var(--space-5);
  }

  @media (max-width: 720px) {
    .row {
      grid-template-columns: 4.4rem minmax(0, 1fr) 5.8rem;
    }

    .now {
      grid-column: 2;
      border-left: 2px solid var(--woad);
    }

    .row:not(.changed) .old,
    .row:not(.changed) .old + .figures,
    .names {
      display: none;
    }
  }
</style>
