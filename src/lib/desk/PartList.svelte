<script lang="ts">
  import type { Report } from '../../core/index.js';
  import Mark from '../components/Mark.svelte';
  import type { DeskSession } from './desk.svelte.js';
  import { outlineOf } from './outline.js';

  let { desk }: { desk: DeskSession } = $props();
  type Part = Report['parts'][number];
  const WIDTH = 132;
  const HEIGHT = 26;

  const parts = $derived(desk.report?.parts ?? []);
  const current = $derived(parts.findLast((part) => part.line <= desk.spot.line) ?? null);

  const bad = (part: Part) => part.rounds.filter(({ verdict }) => verdict === 'off' || verdict === 'unreadable').length;
  const ticked = (part: Part) => part.rounds.filter(({ key }) => desk.notes.ticks.has(key)).length;
</script>

<nav aria-label="Parts">
  <ol>
    {#each parts as part, i (i)}
      {@const sketch = outlineOf(part.rounds, WIDTH, HEIGHT)}
      <li>
        <button
          type="button"
          aria-current={part === current ? 'true' : undefined}
          title={part.name}
          onclick={() => desk.toLine(part.line)}
        >
          <span class="name"
            >{part.name}{#if part.make > 1}<span class="make">× {part.make}</span>{/if}</span
          >
          <svg viewBox="0 0 {WIDTH} {HEIGHT}" preserveAspectRatio="none" aria-hidden="true">
            <path d={sketch.path} />
            {#each sketch.off as { x, y }, k (k)}<circle cx={x + 1} cy={y} r="2.4" />{/each}
          </svg>
          <span class="figures">
            {#if bad(part) > 0}<span class="bad"><Mark name="off" silent /> {bad(part)} off</span>
            {:else}<span><Mark name="agrees" silent /> comes out</span>{/if}
            <span class="ticked">{ticked(part)}/{part.rounds.length}</span>
          </span>
        </button>
      </li>
    {:else}
      <li class="none">No parts yet.</li>
    {/each}
  </ol>
</nav>

<style>
  nav {
    overflow-y: auto;
    min-height: 0;
    padding: var(--space-2) 0;
    scrollbar-width: thin;
  }

  button {
    display: grid;
    gap: 1px;
    width: 100%;
    padding: var(--space-2) var(--space-3) var(--space-2) var(--space-3);
    border-left: 3px solid transparent;
    color: var(--ink);
    font-size: var(--size-small);
  }

  button:hover {
    background: var(--paper-sunk);
  }

  [aria-current] {
    border-left-color: var(--woad);
    background: var(--woad-wash);
  }

  .name {
    overflow: hidden;
    font-family: var(--text-face);
    font-size: var(--size-body);
    font-weight: 560;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  .make {
    margin-left: 0.4em;
    font-weight: 450;
    color: var(--ink-soft);
  }

  svg {
    width: 100%;
    height: 26px;
    overflow: visible;
  }

  path {
    fill: none;
    stroke: var(--ink-soft);
    stroke-width: 1.4;
    vector-effect: non-scaling-stroke;
  }

  circle {
    fill: var(--madder);
  }

  .figures {
    display: flex;
    justify-content: space-between;
    gap: var(--space-2);
    color: var(--ink-soft);
    white-space: nowrap;
  }

  .bad {
    color: var(--madder);
    font-weight: 600;
  }

  .none {
    padding: var(--space-3);
    color: var(--ink-soft);
    font-size: var(--size-small);
  }
</style>
