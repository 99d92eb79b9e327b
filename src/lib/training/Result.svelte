<script lang="ts">
  import { onMount } from 'svelte';
  import { offering } from '../frame/house.svelte.js';
  import { plural } from '../plural.js';
  import { clockOf, FAULT_KINDS, type FaultKindId, type PracticeSheet } from '../training.js';
  import type { Marked } from '../../core/index.js';
  import Again from './Again.svelte';
  import PracticeBar from './PracticeBar.svelte';
  import Sheet from './Sheet.svelte';

  let { sheet, marked }: { sheet: PracticeSheet; marked: Marked } = $props();
  const lines = $derived(sheet.text.replace(/\n$/, '').split('\n'));
  const found = $derived(marked.faults.filter(({ met }) => met !== null).length);
  const about = $derived(
    `${marked.faults.length === 0 ? 'There was no fault in it' : `${found} of ${plural(marked.faults.length, 'fault')} found`}${
      marked.blamed.length > 0 ? `, ${plural(marked.blamed.length, 'line')} blamed without a reason` : ''
    }, in ${clockOf(sheet.work.seconds)}. A false alarm costs what a miss costs.`,
  );
  /** What is to be talked about, in the order of the text. */
  const points = $derived(
    [
      ...marked.faults.map((one) => ({
        kind: one.met ? ('met' as const) : ('missed' as const),
        line: one.met?.line ?? one.fault.lines[0] ?? 1,
        one,
      })),
      ...marked.blamed.map((one) => ({ kind: 'blamed' as const, line: one.mark.line, blamed: one })),
    ].sort((a, b) => a.line - b.line),
  );
  // svelte-ignore state_referenced_locally
  let at = $state(points[0]?.line ?? 1);
  let list = $state<Sheet>();
  const sums = $derived(new Map(marked.rounds.map((round) => [round.line, round])));
  const words = (kind: FaultKindId | null) => FAULT_KINDS.find(({ id }) => id === kind)?.words ?? '';

  onMount(() => list?.ask());

  function looks(line: number): 'met' | 'missed' | 'blamed' | null {
    return points.find((point) => point.line === line)?.kind ?? null;
  }

  function toPoint(by: 1 | -1): void {
    const next = by > 0 ? points.find(({ line }) => line > at) : points.findLast(({ line }) => line < at);
    if (next) at = next.line;
  }

  function step(by: 1 | -1): void {
    for (let line = at + by; line >= 1 && line <= lines.length; line += by)
      if (lines[line - 1]?.trim() !== '') {
        at = line;
        return;
      }
  }

  offering({ 'next-mark': () => toPoint(1), 'last-mark': () => toPoint(-1) });
</script>

<PracticeBar title={lines[0] ?? ''} {about} mark={marked.mark}>
  <Again {sheet} />
</PracticeBar>

<div class="room">
  <Sheet
    bind:this={list}
    {lines}
    {at}
    {looks}
    went={(line: number) => (at = Math.min(lines.length, Math.max(1, line)))}
    stepped={step}
  >
    {#snippet side(line: number)}
      {@const sum = sums.get(line)}
      {#if sum}
        <span
          class:off={(sum.into !== null && sum.into !== sum.edge && sum.edge !== null) ||
            (sum.stated !== null && sum.made !== null && sum.made !== sum.stated)}
          >{sum.edge === null ? '' : `${sum.into ?? '?'}/${sum.edge} `}→ {sum.made ?? '?'}{sum.stated === null
            ? ''
            : `, states ${sum.stated}`}</span
        >
      {/if}
    {/snippet}
  </Sheet>
  <ol class="points" aria-label="What there was to see">
    {#each points as point (point.line)}
      <li class:here={point.line === at}>
        <button type="button" class="line" onclick={() => (at = point.line)}>Line {point.line}</button>
        {#if point.kind === 'blamed'}
          <h2>Nothing is wrong here</h2>
          <p>{point.blamed.says}</p>
        {:else}
          {@const { fault, met, named, righted } = point.one}
          <h2>{met ? 'Found' : 'Missed'}: {words(fault.kind).toLowerCase()}</h2>
          {#if met?.kind && !named}<p class="soft">You said: {words(met.kind).toLowerCase()}.</p>{/if}
          <p>{fault.says}</p>
          <p class="seen">{fault.compare}</p>
          {#if fault.right !== ''}<p class="right"><span>It was</span>{fault.right}</p>{/if}
          {#if righted !== null}
            <p class="right"><span>You wrote</span>{met?.proposal}</p>
            <p class="soft">{righted ? 'With that it comes out.' : 'With that something is still wrong.'}</p>
          {/if}
        {/if}
      </li>
    {:else}
      <li><p>A clean pattern, and you have left it alone. That is worth as much as a fault that is found.</p></li>
    {/each}
  </ol>
</div>

<style>
  .room {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 24rem;
    grid-template-rows: minmax(0, 1fr);
    min-height: 0;
  }

  .points {
    overflow-y: auto;
    border-left: 1px solid var(--rule);
  }

  li {
    display: grid;
    gap: var(--space-2);
    padding: var(--space-3) var(--space-4);
    border-bottom: 1px solid var(--rule);
    border-left: 3px solid transparent;
  }

  .here {
    border-left-color: var(--woad);
    background: color-mix(in srgb, var(--woad-wash) 45%, transparent);
  }

  h2 {
    font-size: var(--size-text);
  }

  .line {
    justify-self: start;
    color: var(--woad);
    font-size: var(--size-small);
  }

  .line:hover {
    text-decoration: underline;
  }

  .soft {
    color: var(--ink-soft);
  }

  .seen {
    padding-left: var(--space-3);
    border-left: 2px solid var(--weld);
  }

  .right {
    font-family: var(--text-face);
    overflow-wrap: anywhere;
  }

  .right span {
    display: block;
    color: var(--ink-soft);
    font-family: var(--figure-face);
    font-size: var(--size-small);
  }

  .off {
    color: var(--madder);
    font-weight: 600;
  }

  @media (max-width: 900px) {
    .room {
      grid-template-columns: minmax(0, 1fr);
      grid-template-rows: minmax(0, 1fr) minmax(0, 1fr);
    }

    .points {
      border-top: 1px solid var(--rule-strong);
      border-left: 0;
    }
  }
</style>
