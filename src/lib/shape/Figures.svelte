<script lang="ts">
  import type { Shape } from '../../core/index.js';
  import type { ShapeSession } from './shape.svelte.js';
  import { cm } from './words.js';

  let { session, shape }: { session: ShapeSession; shape: Shape } = $props();
  const part = $derived(session.here);
  /** So many rows are drawn; a rope of 2,000 rounds says nothing more in the others. */
  const MOST_ROWS = 600;

  const levels = $derived(
    new Map(part?.outlines.flatMap(({ levels: all }) => all.map((level) => [level.ring, level] as const)) ?? []),
  );
  const LIES = { flat: 'flat', cup: 'rises', tube: 'straight up', ruffle: 'ruffles' } as const;
  const colours = (ring: number) =>
    (part?.rings[ring]?.colours ?? [])
      .map(([yarn, stitches]) => `${stitches} ${yarn === null ? '' : (shape.yarns[yarn]?.name ?? '')}`.trim())
      .join(', ');
  const shaped = (ring: number, kind: string) =>
    part?.rings[ring]?.shapings.filter((one) => one.kind === kind).length ?? 0;
</script>

{#if part}
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div tabindex="0" role="region" aria-label="Figures of {part.name}">
    <table>
      <caption>
        {part.name}{#if part.size}: {cm(part.size.height)} tall, {cm(part.size.width)} wide, {cm(part.size.depth)} deep{/if}
      </caption>
      <thead>
        <tr>
          <th scope="col">Round</th>
          <th scope="col">Stitches</th>
          <th scope="col">Stated</th>
          <th scope="col">Round it</th>
          <th scope="col">Across</th>
          <th scope="col">Up to</th>
          <th scope="col">Laid flat</th>
          <th scope="col">Lies</th>
          <th scope="col">+</th>
          <th scope="col">−</th>
          <th scope="col">Corners</th>
          <th scope="col" class="words">Colours</th>
        </tr>
      </thead>
      <tbody>
        {#each part.rings.slice(0, MOST_ROWS) as ring, i (i)}
          {@const level = levels.get(i)}
          {@const at = level && (part.filling === 'stuffed' ? level.stuffed : level.bare)}
          <tr class={[ring.verdict, { here: session.ring === i }]} onpointerdown={() => (session.ring = i)}>
            <th scope="row">{ring.number ?? ring.label}</th>
            <td>{ring.made ?? 'gap'}</td>
            <td>{ring.stated ?? ''}</td>
            {#if level && at}
              <td>{cm(level.section.around)}</td>
              <td>{cm(2 * at.r + (ring.kind === 'row' ? 0 : level.section.straight))}</td>
              <td>{cm(at.z)}</td>
              <td>{ring.kind === 'row' ? '' : cm(level.section.around / 2)}</td>
              <td>{ring.kind === 'row' ? 'a row' : LIES[level.lie]}</td>
            {:else}<td colspan="5">not known</td>{/if}
            <td>{shaped(i, 'increase') || ''}</td>
            <td>{shaped(i, 'decrease') || ''}</td>
            <td>{ring.corners || ''}</td>
            <td class="words">{colours(i)}</td>
          </tr>
        {/each}
      </tbody>
    </table>
    {#if part.rings.length > MOST_ROWS}<p>{part.rings.length - MOST_ROWS} rounds more are not shown.</p>{/if}
  </div>
{/if}

<style>
  div {
    grid-row: 1 / -1;
    overflow: auto;
    padding: var(--space-3) var(--space-4);
  }

  table {
    width: 100%;
    border-collapse: collapse;
    font-size: var(--size-small);
    font-variant-numeric: tabular-nums;
  }

  caption {
    padding-bottom: var(--space-2);
    font-size: var(--size-body);
    font-weight: 620;
    text-align: left;
  }

  th,
  td {
    padding: 0.1rem var(--space-2);
    border-bottom: 1px solid var(--rule);
    text-align: right;
    white-space: nowrap;
  }

  thead th {
    position: sticky;
    top: calc(-1 * var(--space-3));
    background: var(--paper);
    color: var(--ink-soft);
    font-weight: 550;
  }

  td.words {
    white-space: normal;
  }

  .words {
    min-width: 8rem;
    text-align: left;
  }

  .here {
    background: var(--woad-wash);
  }

  .off {
    color: var(--madder);
  }

  .on-trust,
  .unreadable {
    color: var(--weld);
  }
</style>
