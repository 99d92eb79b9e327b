<script lang="ts">
  import type { ShapePart, ShapeRing } from '../../core/index.js';
  import { dyeOf, UNSAID } from './dyes.js';
  import { frameOf, patchesOf, profilesOf, ticksOf, type Line, type Patch, type Profile } from './profile.js';
  import type { ShapeSession } from './shape.svelte.js';
  import { cm } from './words.js';

  let { session, part }: { session: ShapeSession; part: ShapePart } = $props();
  const profiles = $derived(profilesOf(part, session.bare, session.over));
  const frame = $derived(frameOf(profiles));
  const tall = $derived(frame.high - frame.low);
  const wide = $derived(frame.right - frame.left);
  /** The room for the drawing, in px, and what the rulers take of it on each side. */
  let room = $state({ width: 300, height: 330 });
  const RULER = 46;
  /** A pixel is so many mm: letters and strokes keep their size whatever the toy's. */
  const unit = $derived(
    Math.max(tall / Math.max(80, room.height - 1.7 * RULER), wide / Math.max(80, room.width - 2 * RULER)),
  );
  const margin = $derived(RULER * unit);
  const box = $derived(
    `${frame.left - margin} ${-frame.high - margin / 2} ${wide + 2 * margin} ${tall + 1.6 * margin}`,
  );
  const yarns = $derived(session.shape?.yarns ?? []);
  const placed = $derived((session.shape?.placed ?? []).filter((one) => one.part === session.part && one.z !== null));

  function dye(at: number | null): string {
    const yarn = at === null ? null : yarns[at];
    return yarn ? (session.settings.dyes[yarn.name?.toLowerCase() ?? ''] ?? dyeOf(yarn.name, at ?? 0)) : UNSAID;
  }

  /** A stretch of one yarn between a ring and the one below it. */
  function band(profile: Profile, i: number, { from, to }: Patch): string {
    const [below, line] = [profile.edge[i], profile.edge[i + 1]];
    if (!below || !line) return '';
    const x = profile.at;
    return `M${x + from * below.half} ${-below.z}L${x + from * line.half} ${-line.z}L${x + to * line.half} ${-line.z}L${x + to * below.half} ${-below.z}Z`;
  }

  /** A ring that ruffles is drawn as a wave. */
  function stroke({ half, z, full }: Line, x: number): string {
    if (full <= 1.02) return `M${x - half} ${-z}L${x + half} ${-z}`;
    const waves = Math.min(40, Math.max(4, Math.round(half / (3 * unit))));
    const step = (2 * half) / waves;
    const high = Math.min(6, 2 * (full - 1) + 1) * unit;
    return `M${x - half} ${-z}${Array.from({ length: waves }, (_, i) => `q${step / 2} ${i % 2 === 0 ? -high : high} ${step} 0`).join('')}`;
  }

  function onkeydown(event: KeyboardEvent): void {
    const by = { ArrowDown: session.over ? 1 : -1, ArrowUp: session.over ? -1 : 1 }[event.key];
    if (by === undefined || event.altKey) return;
    event.preventDefault();
    session.step(by as 1 | -1);
  }

  const said = $derived.by(() => {
    const ring = session.ringHere;
    const line = profiles.flatMap(({ lines }) => lines).find((one) => one.ring === session.ring);
    if (!ring || !line) return 'No round is chosen.';
    return `${ring.label}: ${ring.made ?? '?'} stitches, ${cm(2 * line.half)} wide, ${cm(Math.abs(line.z))} from its beginning.`;
  });
  const size = $derived(part.size);
</script>

<figure>
  <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
  <div
    role="application"
    aria-label="Outline of {part.name}. Arrow up and down go from round to round."
    tabindex="0"
    bind:clientWidth={room.width}
    bind:clientHeight={room.height}
    {onkeydown}
  >
    <svg viewBox={box} aria-hidden="true" preserveAspectRatio="xMidYMid meet" style:--unit="{unit}px">
      {#each profiles as profile, p (p)}
        {#each profile.lines as line, i (line.ring)}
          {#each part.rings[line.ring] ? patchesOf(part.rings[line.ring] as ShapeRing) : [] as patch, j (j)}
            <path class="band" d={band(profile, i, patch)} fill={dye(patch.yarn)} />
          {/each}
        {/each}
        {#each profile.lines as line (line.ring)}
          {@const verdict = part.rings[line.ring]?.verdict}
          <path
            class={['ring', verdict, { here: session.ring === line.ring, trusted: part.rings[line.ring]?.trusted }]}
            d={stroke(line, profile.at)}
          />
          <!-- Moved, not entered: an outline that comes up under a mouse at rest is left to the keys. -->
          <path
            class="touch"
            role="presentation"
            d="M{profile.at - line.half} {-line.z}L{profile.at + line.half} {-line.z}"
            onpointermove={() => (session.ring = line.ring)}
            onclick={() => (session.ring = line.ring)}
          />
        {/each}
        <path
          class={['edge', { gap: profile.outline.end === 'gap' || profile.outline.start === 'gap' }]}
          d="M{profile.edge.map(({ half, z }) => `${profile.at - half} ${-z}`).join('L')}M{profile.edge
            .map(({ half, z }) => `${profile.at + half} ${-z}`)
            .join('L')}"
        />
        {#if profile.outline.name}
          <text class="name" x={profile.at} y={-profile.high - 5 * unit} font-size={12 * unit}
            >{profile.outline.name}</text
          >
        {/if}
      {/each}
      {#each placed as one, i (i)}
        {#each one.turns as turn (turn)}
          <g
            class="thing"
            transform="translate({(one.r ?? 0) * Math.sin((turn * Math.PI) / 180)} {(session.over ? 1 : -1) *
              (one.z ?? 0)})"
          >
            <circle r={3.2 * unit} />
            {#if turn === one.turns.at(-1)}<text x={5 * unit} y={3 * unit} font-size={12 * unit}>{one.what}</text>{/if}
          </g>
        {/each}
      {/each}
      <!-- The rulers: centimetres to the left, inches below. -->
      <g class="ruler">
        <path d="M{frame.left - 14 * unit} {-frame.high}V{-frame.low}" />
        {#each ticksOf(tall, 10, 9) as tick (tick)}
          <path d="M{frame.left - 18 * unit} {-frame.low - tick * 10}h{4 * unit}" />
          <text x={frame.left - 20 * unit} y={-frame.low - tick * 10 + 4 * unit} font-size={11 * unit} text-anchor="end"
            >{tick}</text
          >
        {/each}
        <text x={frame.left - 20 * unit} y={-frame.high - 6 * unit} font-size={11 * unit} text-anchor="end">cm</text>
        <path d="M{frame.left} {-frame.low + 14 * unit}H{frame.right}" />
        {#each ticksOf(wide, 25.4, 6) as tick (tick)}
          <path d="M{frame.left + tick * 25.4} {-frame.low + 14 * unit}v{4 * unit}" />
          <text x={frame.left + tick * 25.4} y={-frame.low + 29 * unit} font-size={11 * unit} text-anchor="middle"
            >{tick}</text
          >
        {/each}
        <text x={frame.right + 6 * unit} y={-frame.low + 17 * unit} font-size={11 * unit}>in</text>
      </g>
    </svg>
  </div>
  <figcaption>
    <span role="status">{said}</span>
    {#if size}<span
        >{cm(size.height)} tall, {cm(size.width)} wide, {cm(size.depth)} deep; {cm(size.around)} round it</span
      >{/if}
  </figcaption>
</figure>

<style>
  figure {
    display: grid;
    grid-template-rows: minmax(0, 1fr) auto;
    min-height: 0;
    margin: 0;
  }

  div {
    min-height: 12rem;
    overflow: hidden;
  }

  svg {
    width: 100%;
    height: 100%;
  }

  .band {
    opacity: 0.85;
  }

  .ring {
    fill: none;
    stroke: light-dark(rgb(51 39 29 / 30%), rgb(20 16 12 / 45%));
    stroke-width: 1;
    vector-effect: non-scaling-stroke;
  }

  .ring.off {
    stroke: var(--madder);
    stroke-width: 2;
  }

  .ring.trusted {
    stroke-dasharray: 3 3;
  }

  .ring.here {
    stroke: var(--woad);
    stroke-width: 3.5;
  }

  .touch {
    stroke: transparent;
    stroke-width: 7;
    vector-effect: non-scaling-stroke;
    cursor: pointer;
  }

  .edge {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.25;
    vector-effect: non-scaling-stroke;
  }

  .edge.gap {
    stroke-dasharray: 5 4;
  }

  .thing circle {
    fill: var(--paper-raised);
    stroke: var(--ink);
    stroke-width: 1.5;
    vector-effect: non-scaling-stroke;
  }

  text {
    fill: var(--ink);
    font-family: var(--figure-face);
  }

  .thing text {
    paint-order: stroke;
    stroke: var(--paper);
    stroke-width: calc(2.5 * var(--unit));
  }

  .name {
    text-anchor: middle;
  }

  .ruler path {
    stroke: var(--ink-soft);
    stroke-width: 1;
    vector-effect: non-scaling-stroke;
  }

  .ruler text {
    fill: var(--ink-soft);
  }

  figcaption {
    display: grid;
    color: var(--ink-soft);
    font-size: var(--size-small);
    font-variant-numeric: tabular-nums;
  }
</style>
