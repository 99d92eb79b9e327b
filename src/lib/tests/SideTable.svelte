<script lang="ts">
  import { stumbledAt, type ResultRow, type SideBySide, type Told } from '../../core/index.js';
  import { roundWords, timeWords } from '../bench/words.js';
  import Check from '../components/Check.svelte';
  import type { TestsSession } from './tests.svelte.js';

  let { session, all }: { session: TestsSession; all: SideBySide } = $props();
  /** Rows have one height: so many are drawn as are seen, and some around them. */
  const HEIGHT = 30;
  const AROUND = 12;
  let top = $state(0);
  let seen = $state(600);
  let box: HTMLDivElement;
  let head: HTMLTableSectionElement;

  const order = $derived(session.order);
  const from = $derived(Math.max(0, Math.floor(top / HEIGHT) - AROUND));
  const to = $derived(Math.min(order.length, Math.ceil((top + seen) / HEIGHT) + AROUND));
  const shown = $derived(
    order.slice(from, to).flatMap((at, i) => {
      const row = all.rows[at];
      return row ? [{ at, row, place: from + i }] : [];
    }),
  );
  const parts = $derived(session.results?.course.parts ?? []);

  // The chosen round is brought into sight.
  $effect(() => {
    const place = session.chosen === null ? -1 : order.indexOf(session.chosen);
    if (place < 0) return;
    const at = place * HEIGHT;
    const room = box.clientHeight - head.offsetHeight - HEIGHT;
    if (at < box.scrollTop) box.scrollTop = at;
    else if (at > box.scrollTop + room) box.scrollTop = at - room;
  });

  /** "29 for 30, unclear". */
  function words({ counted, notes, hooks }: Told): string {
    const others = [...new Set([...hooks.map((one) => one.counted), ...counted])];
    const told = notes.map(({ note }) => SHORT[note]);
    return [...others.map(String), ...new Set(told)].join(', ');
  }

  const SHORT = {
    unclear: 'unclear',
    'count-wrong': 'count',
    hard: 'hard',
    gap: 'gap',
    'ran-short': 'short',
    mistake: 'mistake',
    liked: 'liked',
  } as const;

  /** Every tester at a round. */
  function cellsOf(row: ResultRow): { readonly told: Told | null; readonly done: number }[] {
    const told = new Map(row.told.map((one) => [one.tester, one]));
    return row.done.map((done, i) => ({ told: told.get(i) ?? null, done }));
  }

  const heading = (row: ResultRow, place: number) => place === 0 || all.rows[order[place - 1] ?? -1]?.part !== row.part;
</script>

<header>
  <p>
    {all.testers.length === 1 ? 'One tester' : `${all.testers.length} testers`}, {all.rows.length} rounds;
    {all.rows.filter(({ stumbled }) => stumbled >= 2).length} where several stumbled
  </p>
  <Check bind:checked={session.stumbledFirst}>Those first</Check>
</header>
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div
  class="box"
  role="region"
  aria-label="Testers side by side"
  tabindex="0"
  bind:this={box}
  bind:clientHeight={seen}
  onscroll={() => (top = box.scrollTop)}
>
  <table aria-rowcount={order.length + 1}>
    <thead bind:this={head}>
      <tr>
        <th scope="col">Round</th>
        <th scope="col" class="figure">makes</th>
        <th scope="col" class="figure">time</th>
        {#each all.testers as { name, done, of, finished } (name)}
          <th scope="col" class="tester"
            ><span>{name}</span><small
              >{finished ? 'finished' : `${Math.round((100 * done) / Math.max(1, of))} %`}</small
            ></th
          >
        {/each}
      </tr>
    </thead>
    <tbody>
      <tr style:height="{from * HEIGHT}px" aria-hidden="true"></tr>
      {#each shown as { at, row, place } (at)}
        {@const round = session.roundOf(row)}
        <tr class={{ chosen: session.chosen === at, several: row.stumbled >= 2 }} aria-rowindex={place + 2}>
          <th scope="row">
            <button type="button" aria-pressed={session.chosen === at} onclick={() => (session.chosen = at)}
              >{#if heading(row, place)}<em>{parts[row.part]?.name}</em>{/if}
              {round ? roundWords(round) : ''}</button
            >
          </th>
          <td class="figure">{round?.made ?? '?'}</td>
          <td class="figure">{row.spent === null ? '' : timeWords(row.spent)}</td>
          {#each cellsOf(row) as { told, done }, i (i)}
            <td class={{ stumbled: told && stumbledAt(told) }}
              >{#if told}{words(told)}{:else if done > 0}<span class="done" title="done">·</span>{/if}</td
            >
          {/each}
        </tr>
      {/each}
      <tr style:height="{(order.length - to) * HEIGHT}px" aria-hidden="true"></tr>
    </tbody>
  </table>
</div>

<style>
  header {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    justify-content: space-between;
    gap: var(--space-2);
    padding: var(--space-2) var(--space-4);
    color: var(--ink-soft);
  }

  .box {
    min-height: 0;
    overflow: auto;
    border-top: 1px solid var(--rule);
  }

  table {
    width: 100%;
    border-collapse: collapse;
    font-size: var(--size-body);
  }

  thead th {
    position: sticky;
    top: 0;
    z-index: 1;
    padding: var(--space-1) var(--space-2);
    background: var(--paper);
    box-shadow: 0 1px 0 var(--rule-strong);
    color: var(--ink-soft);
    font-weight: 550;
    text-align: left;
    vertical-align: bottom;
  }

  tbody tr:not([aria-hidden]) {
    height: 30px;
  }

  tbody tr:not([aria-hidden]) > * {
    border-bottom: 1px solid var(--rule);
  }

  td,
  tbody th {
    padding: 0 var(--space-2);
    font-weight: 400;
    text-align: left;
    white-space: nowrap;
  }

  /* Which round it is stays in sight, however many testers there are. */
  tbody th,
  thead th:first-child {
    position: sticky;
    left: 0;
    background: var(--paper);
  }

  thead th:first-child {
    z-index: 2;
  }

  .figure {
    text-align: right;
  }

  .tester span,
  .tester small {
    display: block;
    max-width: 9rem;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  .tester small {
    font-weight: 400;
  }

  button {
    width: 100%;
    height: 29px;
  }

  em {
    margin-right: var(--space-1);
    font-family: var(--text-face);
    font-style: normal;
    font-weight: 600;
  }

  .several th {
    box-shadow: inset 3px 0 0 var(--madder);
  }

  .chosen > * {
    background: var(--woad-wash);
  }

  .stumbled {
    color: var(--madder);
  }

  .done {
    color: var(--sage);
    font-weight: 700;
  }
</style>
