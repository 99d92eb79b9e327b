<script lang="ts">
  import Button from '../components/Button.svelte';
  import Check from '../components/Check.svelte';
  import OutlineView from './OutlineView.svelte';
  import PoleView from './PoleView.svelte';
  import RoundsText from './RoundsText.svelte';
  import type { ShapeSession } from './shape.svelte.js';

  let { session }: { session: ShapeSession } = $props();
  const part = $derived(session.here);
  const stacked = $derived(session.stackedHere);
  /** The part as it would be. */
  const after = $derived(session.shifted[session.part] ?? null);
  const FILLING = { stuffed: 'stuffed', empty: 'left empty, pressed flat', 'lies-flat': 'lies flat' } as const;
</script>

{#if part}
  <div class="drawing">
    <header>
      <h2>{part.name}</h2>
      <p>
        {FILLING[part.filling]}{part.fillingSaid
          ? ''
          : ', as its counts suggest'}{#each part.outlines as { start, startWords, end, gap }, i (i)}
          {#if start === 'joined' && startWords}; worked on from {startWords}{/if}
          {#if start === 'on' && startWords}; a piece on {startWords}{/if}
          {#if start === 'gap' && startWords}; <span class="gap">what it stands on is not known: {startWords}</span
            >{/if}
          {#if end === 'gap'}; <span class="gap">{gap} gives no count: the outline has a gap there</span>{/if}
        {/each}
      </p>
      {#if part.filling === 'stuffed'}
        <Check bind:checked={session.bare}>Without stuffing</Check>
      {/if}
      <Check bind:checked={session.turned}>Turned over</Check>
    </header>
    <RoundsText {session} {part} />
    <OutlineView {session} {part} />
    <div class="pole">
      <PoleView {session} {part} />
      {#if stacked}
        <p class="stacked">
          The {stacked.what} of {stacked.from} to {stacked.to} stand above each other: {stacked.corners} corners.
        </p>
        <Button title="Alt X" onclick={() => void session.shift(stacked)}
          >Shift {stacked.fix?.labels.join(', ')} by half</Button
        >
        {#if after}<PoleView {session} part={after} brief />{/if}
      {/if}
    </div>
  </div>
{/if}

<style>
  .drawing {
    display: grid;
    grid-template-columns: minmax(0, 2fr) minmax(0, 3fr) minmax(0, 2fr);
    grid-template-rows: auto minmax(0, 1fr);
    gap: var(--space-3) var(--space-4);
    min-height: 0;
    padding: var(--space-3) var(--space-4);
  }

  header {
    display: flex;
    flex-wrap: wrap;
    grid-column: 1 / -1;
    align-items: baseline;
    gap: var(--space-1) var(--space-3);
  }

  header p {
    flex: 1;
    color: var(--ink-soft);
    font-size: var(--size-body);
  }

  .gap {
    color: var(--weld);
  }

  .pole {
    display: grid;
    align-content: start;
    gap: var(--space-2);
    min-width: 0;
    min-height: 0;
    overflow-y: auto;
  }

  .stacked {
    font-size: var(--size-body);
  }

  @media (max-width: 900px) {
    .drawing {
      grid-template-columns: minmax(0, 1fr);
      grid-template-rows: none;
    }
  }
</style>
