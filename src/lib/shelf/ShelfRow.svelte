<script lang="ts">
  import ListRow from '../components/ListRow.svelte';
  import Mark from '../components/Mark.svelte';
  import Menu from '../components/Menu.svelte';
  import type { Several } from '../components/several.svelte.js';
  import When from '../components/When.svelte';
  import { plural } from '../plural.js';
  import type { ShelfEntry } from '../patterns.js';
  import { nextWords } from '../plan/words.js';
  import { piecesOf, stageOf, termsOf } from './arranging.js';
  import Tally from './Tally.svelte';

  interface Props {
    entry: ShelfEntry;
    /** The words that are looked for: they are marked where they were found. */
    words: string;
    rows: Several;
    putAway: () => void;
  }

  let { entry, words, rows, putAway }: Props = $props();
  const { id, name, summary, state } = $derived(entry);
  const NAMES = { us: 'US terms', uk: 'UK terms', mixed: 'mixed terms', unclear: 'terms unclear' };
  const open = $derived(summary ? summary.errors + summary.warnings : 0);
  const asked = $derived(entry.asked ? entry.asked.open + entry.asked.sent + entry.asked.answered : 0);
  const stage = $derived(stageOf(entry));
</script>

<ListRow
  {id}
  {name}
  href="/desk/{id}"
  selected={rows.ids.has(id)}
  toggle={() => rows.toggle(id)}
  reached={() => (rows.at = id)}
>
  {#snippet facts()}
    {#if state === 'unreadable'}
      Something else than Dostik has changed what is kept of it.
    {:else}
      {entry.edition ? `${entry.edition.toUpperCase()} edition` : NAMES[termsOf(entry)]}{summary
        ? ` · ${plural(summary.parts, 'part')}`
        : ''} ·
      {#if entry.asked?.answered}<strong>answered</strong>{:else if entry.asked?.sent && entry.asked.sentAt}with the
        designer since <When at={entry.asked.sentAt} />{:else if entry.revision === 1}taken in <When
          at={entry.createdAt}
        />{:else}changed <When at={entry.updatedAt} />{/if}
      {#if entry.next}
        · <a class="next" class:late={entry.next.late > 0 || entry.next.slips > 0} href="/plan#{id}"
          >{nextWords(entry.next)}</a
        >{/if}
      {#if entry.found}<span class="found"
          >{#each piecesOf(entry.found, words) as { text, sought }, i (i)}{#if sought}<mark>{text}</mark
              >{:else}{text}{/if}{/each}</span
        >{/if}
    {/if}
  {/snippet}
  <div class="seen">
    {#if state === 'unreadable'}
      <p class="facts">This entry could not be read. The others are as they were.</p>
    {:else if summary}
      <div class="rounds">
        <Tally tally={summary.tally} />
        <p class="facts">
          {#if state === 'counting'}being counted…{:else if summary.rounds === 0}no rounds found{:else}{summary.agree}
            of {plural(summary.rounds, 'round')} come out{#if stage === 'ticked'}, all ticked{:else if summary.ticked > 0},
              {summary.ticked} ticked{/if}{/if}
        </p>
      </div>
      <p class="open">
        {#if open === 0 && summary.rounds > 0}<span class="calm"><Mark name="agrees" silent /> nothing open</span>{/if}
        {#if asked > 0}<a href="/queries/{id}">{plural(asked, 'query', 'queries')}</a>{/if}
        {#if summary.errors > 0}<span><Mark name="error" silent /> {plural(summary.errors, 'error')}</span>{/if}
        {#if summary.warnings > 0}<span><Mark name="warning" silent /> {plural(summary.warnings, 'warning')}</span>{/if}
      </p>
    {:else}
      <p class="facts">
        {state === 'counting' ? 'Being counted…' : 'Too much to be counted at once; its Desk may still do it.'}
      </p>
    {/if}
  </div>
  {#snippet ends()}
    <Menu
      label="More for {name}"
      items={[
        { text: 'Drafts', href: `/drafts/${id}` },
        { text: 'Queries', href: `/queries/${id}` },
        { text: 'Terms: US and UK', href: `/terms/${id}` },
        { text: 'Its rules', href: `/desk/${id}/rules` },
        { text: 'Print with sums', href: `/desk/${id}/print` },
        { text: 'Take off the shelf', act: putAway, grave: true },
      ]}
    />
  {/snippet}
</ListRow>

<style>
  .seen {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 7.5rem;
    align-items: center;
    gap: var(--space-1) var(--space-4);
  }

  .facts {
    margin-top: 0.15rem;
    font-size: var(--size-small);
    color: var(--ink-soft);
  }

  .next {
    color: inherit;
  }

  .late {
    color: var(--madder);
    font-weight: 600;
  }

  .found {
    display: block;
    overflow: hidden;
    font-family: var(--text-face);
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  mark {
    background: var(--weld-wash);
    color: var(--ink);
  }

  .open {
    display: grid;
    font-size: var(--size-body);
    white-space: nowrap;
  }

  .calm {
    color: var(--ink-soft);
  }

  @media (max-width: 720px) {
    .seen {
      grid-template-columns: minmax(0, 1fr);
    }

    .open {
      display: flex;
      gap: var(--space-3);
      font-size: var(--size-small);
    }
  }
</style>
