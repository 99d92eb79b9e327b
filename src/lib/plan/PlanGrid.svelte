<script lang="ts">
  import { STAGES, type Day, type PlannedPattern, type PlannedStage, type StageId } from '../../core/index.js';
  import { dayWords, fullDayWords, stageWords } from './words.js';
  import { plural } from '../plural.js';
  import type { PlanSession } from './plan.svelte.js';

  let { session }: { session: PlanSession } = $props();
  let grid: HTMLDivElement;
  /** Of a day; pixels. */
  const WIDE = 5;
  const weeks = $derived(
    Array.from(
      { length: Math.ceil((session.span.to - session.span.from + 1) / 7) },
      (_, i) => session.span.from + 7 * i,
    ),
  );
  const x = (day: Day) => (day - session.span.from) * WIDE;
  const by = (id: StageId) => STAGES.find((stage) => stage.id === id)?.by ?? 'editor';
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

  /** A strip that is held and moved; pixels, and the day from which it is. */
  let held: { readonly id: string; readonly stage: StageId; readonly x: number; readonly day: Day } | null = null;

  function hold(event: PointerEvent, id: string, { id: stage, due, done }: PlannedStage): void {
    session.goTo(id, stage);
    if (done !== null || event.button !== 0) return;
    held = { id, stage, x: event.clientX, day: session.moving?.day ?? due };
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
  }

  function pull(event: PointerEvent): void {
    if (held) session.moveTo(held.id, held.stage, held.day + Math.round((event.clientX - held.x) / WIDE));
  }

  function told(plan: PlannedPattern): string {
    if (!plan.next) return 'out';
    const words = stageWords(plan.next.id);
    return plan.late > 0 ? `${words} ${plural(plan.late, 'day')} late` : `${words} until ${dayWords(plan.next.due)}`;
  }
  /** The strip of a stage, from where work on it begins to its day; pixels. */
  function strip({ from, due, done }: PlannedStage): { left: number; width: number } {
    const end = done ?? due;
    const left = Math.max(0, x(Math.min(from, end)));
    return { left, width: Math.max(4, x(end) - left) };
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
    <div class="weeks" style:width="{weeks.length * 7 * WIDE}px">
      {#each weeks as monday, i (monday)}
        <span style:left="{x(monday)}px" class:first={i === 0}>{i % 2 === 0 ? dayWords(monday) : ''}</span>
      {/each}
    </div>
  </div>
  {#each lists as list (list)}
    {#if list !== ''}<div class="list" role="presentation"><span>{list}</span></div>{/if}
    {#each session.rows.filter((row) => row.list === list) as row (row.id)}
      {@const plan = session.planOf(row.id)}
      <div class="row" role="row" class:here={row.id === session.at} data-row={row.id}>
        <!-- svelte-ignore a11y_click_events_have_key_events -->
        <div class="name" role="rowheader" tabindex="-1" onclick={() => session.goTo(row.id)}>
          <b title={row.name}>{row.name}</b>
          {#if plan}<span class:late={plan.late > 0}>{told(plan)}</span>{/if}
          {#if plan && plan.slips > 0}<span class="late">comes out {plural(plan.slips, 'day')} late</span>{/if}
        </div>
        <div class="strips" role="presentation" style:width="{weeks.length * 7 * WIDE}px" style:--week="{7 * WIDE}px">
          <i class="today" style:left="{x(session.terms.today)}px"></i>
          {#each plan?.stages ?? [] as stage (stage.id)}
            {@const { left, width } = strip(stage)}
            <div
              id="cell-{row.id}-{stage.id}"
              role="gridcell"
              tabindex="-1"
              class={[
                'stage',
                by(stage.id),
                {
                  done: stage.done !== null,
                  late: stage.done === null && stage.due < session.terms.today,
                  at: row.id === session.at && stage.id === session.stage,
                  moved: row.moved[stage.id] !== undefined,
                },
              ]}
              style:left="{left}px"
              style:width="{width}px"
              title="{stageWords(stage.id)}: {fullDayWords(stage.done ?? stage.due)}{stage.done === null
                ? ''
                : ', reached'}"
              aria-label="{stageWords(stage.id)}: {fullDayWords(stage.done ?? stage.due)}{stage.done === null
                ? ''
                : ', reached'}"
              onpointerdown={(event) => hold(event, row.id, stage)}
              onpointermove={pull}
              onpointerup={() => (held = null)}
              onpointercancel={() => (held = null)}
            ></div>
          {/each}
          {#if plan?.next}<i
              class="release"
              class:slips={plan.slips > 0}
              style:left="{x(plan.slips > 0 ? plan.likely : (plan.stages.at(-1)?.due ?? 0))}px"
            ></i>{/if}
        </div>
      </div>
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
  .row,
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

  .row {
    border-bottom: 1px solid var(--rule);
  }

  .name {
    position: sticky;
    left: 0;
    z-index: 1;
    display: grid;
    flex: none;
    align-content: center;
    width: 14rem;
    min-height: 2.5rem;
    padding: 0.2rem var(--space-3);
    border-right: 1px solid var(--rule-strong);
    background: var(--paper-raised);
    color: var(--ink-soft);
    font-size: var(--size-small);
    line-height: 1.3;
    cursor: pointer;
  }

  .head .name {
    min-height: 0;
    background: var(--paper);
  }

  .here .name {
    background: var(--woad-wash);
    box-shadow: inset 3px 0 var(--woad);
  }

  .name b {
    overflow: hidden;
    color: var(--ink);
    font-family: var(--text-face);
    font-size: var(--size-body);
    font-weight: 560;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  .name .late {
    color: var(--madder);
    font-weight: 600;
  }

  .strips {
    position: relative;
    background: repeating-linear-gradient(to right, var(--rule) 0 1px, transparent 1px var(--week));
  }

  .today {
    position: absolute;
    top: 0;
    bottom: 0;
    width: 2px;
    background: var(--madder);
  }

  .stage {
    position: absolute;
    top: 0.6rem;
    height: 1.25rem;
    border: 1px solid var(--paper-raised);
    border-radius: 3px;
    background: var(--woad);
    cursor: ew-resize;
    touch-action: none;
  }

  .designer {
    background: var(--weld);
  }

  .testers {
    background: var(--sage);
  }

  .done {
    opacity: 0.38;
    cursor: default;
  }

  .stage.late {
    box-shadow: inset 0 -4px var(--madder);
  }

  .moved {
    border-bottom: 3px solid var(--ink);
  }

  .at {
    z-index: 1;
    outline: 2px solid var(--ink);
    outline-offset: 1px;
  }

  .release {
    position: absolute;
    top: 0.75rem;
    width: 0.875rem;
    height: 0.875rem;
    margin-left: -0.1rem;
    border: 2px solid var(--ink);
    background: var(--paper-raised);
    transform: rotate(45deg);
    pointer-events: none;
  }

  .slips {
    border-color: var(--madder);
    background: var(--madder-wash);
  }

  @media (max-width: 640px) {
    .name {
      width: 9rem;
    }
  }
</style>
