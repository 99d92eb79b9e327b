<script lang="ts">
  import type { Ladder } from '../../core/index.js';
  import { draw, yarnColours } from './ladder.js';

  interface Props {
    ladder: Ladder;
    /** The step whose stitches are lit; null for none. */
    lit: number | null;
    point: (step: number | null) => void;
  }

  let { ladder, lit, point }: Props = $props();
  let whole = $state(false);
  const drawing = $derived(draw(ladder, whole));
  const colours = $derived(yarnColours(ladder));
  const TOP = 22;
  const FOOT = 74;
  const words = $derived(
    `${ladder.edge === null ? (ladder.start === 'ring' ? 'A ring' : 'A chain') : `${ladder.edge} stitches above`}, ${ladder.stitches.length} made below${
      ladder.left.length > 0 ? `, ${ladder.left.length} left over` : ''
    }${ladder.beyond > 0 ? `, ${ladder.beyond} used that are not there` : ''}.`,
  );
</script>

<figure>
  <!-- It scrolls, and must do so from the keyboard. -->
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div class="scroller" tabindex="0" role="group" aria-label="Stitches">
    <svg width={drawing.width} height="96" role="img" aria-label="Stitch ladder: {words}">
      {#each drawing.bands as { from, to, pass } (from)}
        {#if pass % 2 === 0}<rect class="band" x={from - 6} y="8" width={to - from + 12} height="80" rx="3" />{/if}
      {/each}
      {#each drawing.rungs as { x, from, stitch }, i (i)}
        <g
          class:lit={lit === stitch.step}
          onpointermove={() => point(stitch.step)}
          onpointerleave={() => point(null)}
          role="presentation"
        >
          {#if ladder.start === 'ring'}
            <path
              class="thread"
              d="M{drawing.width / 2} {TOP} C{drawing.width / 2} {TOP + 24} {x} {FOOT - 24} {x} {FOOT}"
            />
          {:else if ladder.start === 'chain'}
            <path class="thread" d="M{x} {TOP + 6} L{x} {FOOT}" />
          {/if}
          {#each from as above (above)}
            <path class="thread" d="M{above} {TOP} C{above} {TOP + 26} {x} {FOOT - 26} {x} {FOOT}" />
          {/each}
          <rect
            class="made"
            x={x - 3}
            y={FOOT - 2}
            width="6"
            height="12"
            rx="3"
            style={stitch.colour === null ? undefined : `fill:${colours.get(stitch.colour)}`}
          />
          <rect class="catch" x={x - 6} y={TOP} width="12" height={FOOT - TOP + 16} />
          <title>{stitch.name}{stitch.colour === null ? '' : `, ${stitch.colour}`}</title>
        </g>
      {/each}
      {#if ladder.start === 'ring'}<circle class="ring" cx={drawing.width / 2} cy={TOP} r="8" />{/if}
      {#each drawing.edge as { x, state }, i (i)}
        {#if state === 'left'}<path class="loose" d="M{x} {TOP} q 5 10 0 18 q -5 8 0 14" />{/if}
        <circle class={state} cx={x} cy={TOP} r="3.6" />
        {#if state === 'missed'}<path class="slash" d="M{x - 4} {TOP + 5} L{x + 4} {TOP - 5}" />{/if}
      {/each}
      {#if drawing.gap}
        <text x={drawing.gap.x} y="44" text-anchor="middle">{drawing.gap.passes}</text>
        <text x={drawing.gap.x} y="57" text-anchor="middle">alike</text>
      {/if}
    </svg>
  </div>
  <figcaption>
    {#each [...colours] as [name, colour] (name)}
      <span class="yarn"><i style="background:{colour}"></i>{name}</span>
    {/each}
    {#if ladder.left.length > 0}<span class="bad">{ladder.left.length} left hanging</span>{/if}
    {#if ladder.beyond > 0}<span class="bad">{ladder.beyond} not there</span>{/if}
    {#if ladder.cut}<span>The first {ladder.stitches.length} stitches.</span>{/if}
    {#if drawing.gap || whole}
      <button type="button" onclick={() => (whole = !whole)}>{whole ? 'Fold the passes' : 'Show every stitch'}</button>
    {/if}
  </figcaption>
</figure>

<style>
  figure {
    min-width: 0;
    margin: 0;
  }

  .scroller {
    overflow-x: auto;
    border-top: 1px solid var(--rule);
    border-bottom: 1px solid var(--rule);
    background: var(--paper-raised);
    scrollbar-width: thin;
  }

  svg {
    display: block;
  }

  .band {
    fill: var(--paper-sunk);
  }

  .thread {
    fill: none;
    stroke: var(--ink-soft);
    stroke-width: 1.3;
  }

  .made {
    fill: var(--ink);
    stroke: var(--rule-strong);
    stroke-width: 0.6;
  }

  .catch {
    fill: transparent;
  }

  .lit .thread {
    stroke: var(--woad);
    stroke-width: 2.4;
  }

  .lit .made {
    fill: var(--woad);
  }

  circle {
    fill: var(--ink-soft);
  }

  .ring {
    fill: var(--paper-raised);
    stroke: var(--ink-soft);
    stroke-width: 2;
  }

  .missed {
    fill: var(--paper-raised);
    stroke: var(--ink-soft);
    stroke-width: 1.4;
  }

  .left,
  .beyond {
    fill: var(--paper-raised);
    stroke: var(--madder);
    stroke-width: 1.8;
  }

  .beyond {
    stroke-dasharray: 2 2;
  }

  .loose,
  .slash {
    fill: none;
    stroke: var(--madder);
    stroke-width: 1.6;
  }

  .slash {
    stroke: var(--ink-soft);
  }

  text {
    font-size: 11px;
    fill: var(--ink-soft);
  }

  figcaption {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: var(--space-1) var(--space-3);
    font-size: var(--size-small);
    color: var(--ink-soft);
  }

  .yarn {
    display: inline-flex;
    align-items: center;
    gap: 0.35em;
  }

  i {
    width: 0.7em;
    height: 0.7em;
    border: 1px solid var(--rule-strong);
    border-radius: 50%;
  }

  .bad {
    color: var(--madder);
    font-weight: 600;
  }

  button {
    margin-left: auto;
    color: var(--woad);
    text-decoration: underline;
    text-underline-offset: 0.18em;
  }
</style>
