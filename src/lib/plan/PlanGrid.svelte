<script lang="ts">
  import type { Day } from '../../core/index.js';
  import type { PlanSession } from './plan.svelte.js';
  import PlanRow from './PlanRow.svelte';
  import { DAY_WIDE } from './scale.js';
  import { dayWords } from './words.js';

  let { session }: { session: PlanSession } = $props();
  let grid: HTMLDivElement;
  const weeks = $derived(
    Array.from(
      { length: Math.ceil((session.span.to - session.span.from + 1) / 7) },
      (_, i) => session.span.from + 7 * i,
    ),
  );
  const x = (day: Day) => (day - session.span.from) * DAY_WIDE;
  const width = $derived(weeks.length * 7 * DAY_WIDE);
  const lists = $derived([...new Set(session.rows.map(({ list }) => list))]);

  /** Puts the keys to work here. */
  export function ask(): void {
    grid.focus();
  }

  $effect(() => {
    grid.querySelector(`[data-row="${session.at ?? ''}"]`)?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  });

  function key(event: KeyboardEvent): void {
    if (event.altKey || event.ctrlKey || event.metaKey) return;
    const act = keyed(event.key, event.shiftKey);
    if (!act) return;
    event.preventDefault();
    act();
  }

  function keyed(pressed: string, shift: boolean): (() => void) | null {
    const days = shift ? { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 }[pressed] : undefined;
    if (days !== undefined) return () => session.shift(days);
    switch (pressed) {
      case 'ArrowDown':
      case 'ArrowUp':
        return () => session.stepRow(pressed === 'ArrowDown' ? 1 : -1);
      case 'ArrowRight':
      case 'ArrowLeft':
        return () => session.stepStage(pressed === 'ArrowRight' ? 1 : -1);
      case 'Enter':
        return session.moving ? () => void session.keep() : null;
      case 'Escape':
        return session.moving ? () => (session.moving = null) : null;
      case 'Delete':
        return () => void session.letGo(session.at ?? '', session.stage);
      default:
        return null;
    }
  }
</script>

<!-- One grid that is come to once: rows are patterns, cells their stages. -->
<div
  bind:this={grid}
  class="grid"
  role="grid"
  tabindex="0"
  aria-label="Weeks and patterns"
  aria-activedescendant={session.at === null ? undefined : `cell-${session.at}-${session.stage}`}
  onkeydown={key}
>
  <div class="head" role="presentation">
    <span class="name"></span>
    <div class="weeks" style:width="{width}px">
      {#each weeks as monday, i (monday)}
        <span style:left="{x(monday)}px" class:first={i === 0}>{i % 2 === 0 ? dayWords(monday) : ''}</span>
      {/each}
    </div>
  </div>
  {#each lists as list (list)}
    {#if list !== ''}<div class="list" role="presentation"><span>{list}</span></div>{/if}
    {#each session.rows.filter((row) => row.list === list) as row (row.id)}
      <PlanRow {session} {row} {width} />
    {/each}
  {/each}
</div>

<style>
  .grid {
    min-height: 0;
    overflow: auto;
    border: 1px solid var(--rule);
    background: var(--paper-raised);
    outline-offset: -2px;
  }

  .head,
  .list {
    display: flex;
    width: max-content;
    min-width: 100%;
  }

  .head {
    position: sticky;
    top: 0;
    z-index: 2;
    height: 1.75rem;
    border-bottom: 1px solid var(--rule-strong);
    background: var(--paper);
    color: var(--ink-soft);
    font-size: var(--size-small);
  }

  .weeks {
    position: relative;
  }

  .weeks span {
    position: absolute;
    top: 0.25rem;
    padding-left: 0.25rem;
    white-space: nowrap;
  }

  .list {
    padding: var(--space-2) 0 0;
    font-family: var(--text-face);
    font-style: italic;
  }

  .list span {
    position: sticky;
    left: 0;
    padding-left: var(--space-3);
  }

  .name {
    position: sticky;
    left: 0;
    z-index: 1;
    flex: none;
    width: 14rem;
    border-right: 1px solid var(--rule-strong);
    background: var(--paper);
  }

  @media (max-width: 640px) {
    .name {
      width: 9rem;
    }
  }
</style>
