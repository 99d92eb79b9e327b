<script lang="ts">
  import { STAGES, type Day, type PlannedPattern, type PlannedStage, type StageId } from '../../core/index.js';
  import type { PlanRow } from '../plan.js';
  import { plural } from '../plural.js';
  import type { PlanSession } from './plan.svelte.js';
  import { DAY_WIDE } from './scale.js';
  import { dayWords, fullDayWords, stageWords } from './words.js';

  interface Props {
    session: PlanSession;
    row: PlanRow;
    /** Of all the weeks that are shown; pixels. */
    width: number;
  }

  let { session, row, width }: Props = $props();
  const plan = $derived(session.planOf(row.id));
  const x = (day: Day) => (day - session.span.from) * DAY_WIDE;
  const by = (id: StageId) => STAGES.find((stage) => stage.id === id)?.by ?? 'editor';
  const said = ({ id, done, due }: PlannedStage) =>
    `${stageWords(id)}: ${fullDayWords(done ?? due)}${done === null ? '' : ', reached'}`;

  /** A strip that is held and moved; pixels, and the day from which it is. */
  let held: { readonly stage: StageId; readonly x: number; readonly day: Day } | null = null;

  function hold(event: PointerEvent, { id: stage, due, done }: PlannedStage): void {
    session.goTo(row.id, stage);
    if (done !== null || event.button !== 0) return;
    held = { stage, x: event.clientX, day: session.moving?.day ?? due };
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
  }

  function pull(event: PointerEvent): void {
    if (held) session.moveTo(row.id, held.stage, held.day + Math.round((event.clientX - held.x) / DAY_WIDE));
  }

  function told({ next, late }: PlannedPattern): string {
    if (!next) return 'out';
    const words = stageWords(next.id);
    return late > 0 ? `${words} ${plural(late, 'day')} late` : `${words} by ${dayWords(next.due)}`;
  }

  /** The strip of a stage, from where work on it begins to its day; pixels. */
  function strip({ from, due, done }: PlannedStage): { left: number; width: number } {
    const end = done ?? due;
    const left = Math.max(0, x(Math.min(from, end)));
    return { left, width: Math.max(4, x(end) - left) };
  }
</script>

<div class="row" role="row" class:here={row.id === session.at} data-row={row.id}>
  <!-- svelte-ignore a11y_click_events_have_key_events -->
  <div class="name" role="rowheader" tabindex="-1" onclick={() => session.goTo(row.id)}>
    <b title={row.name}>{row.name}</b>
    {#if plan}<span class:late={plan.late > 0}>{told(plan)}</span>{/if}
    {#if plan && plan.slips > 0}<span class="late">comes out {plural(plan.slips, 'day')} late</span>{/if}
  </div>
  <div class="strips" role="presentation" style:width="{width}px" style:--week="{7 * DAY_WIDE}px">
    <i class="today" style:left="{x(session.terms.today)}px"></i>
    {#each plan?.stages ?? [] as stage (stage.id)}
      {@const place = strip(stage)}
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
        style:left="{place.left}px"
        style:width="{place.width}px"
        title={said(stage)}
        aria-label={said(stage)}
        onpointerdown={(event) => hold(event, stage)}
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

<style>
  .row {
    display: flex;
    width: max-content;
    min-width: 100%;
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

  /* What is moved in a row is laid out and drawn in that row alone. */
  .strips {
    position: relative;
    contain: layout paint;
    background: repeating-linear-gradient(to right, var(--rule) 0 1px, transparent 1px var(--week));
  }

  /* Today is a thread that runs down through all rows: stitch, gap, stitch. */
  .today {
    position: absolute;
    top: 0;
    bottom: 0;
    width: 2px;
    background: repeating-linear-gradient(to bottom, var(--madder) 0 7px, transparent 7px 11px);
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

  /* A ring that is hung into the work, as stitch markers are. */
  .release {
    position: absolute;
    top: 0.7rem;
    width: 1.05rem;
    height: 1.05rem;
    margin-left: 1px;
    border: 3px solid var(--ink);
    border-top-color: transparent;
    border-radius: 50%;
    transform: rotate(20deg);
    pointer-events: none;
  }

  .slips {
    border-color: transparent var(--madder) var(--madder);
  }

  .here .strips {
    will-change: transform;
  }

  .here .name {
    background: var(--woad-wash);
    box-shadow: inset 3px 0 var(--woad);
  }

  @media (max-width: 640px) {
    .name {
      width: 9rem;
    }
  }
</style>
