<script lang="ts">
  import { WEIGHED_BY, type RoundList, type Shape, type SideBySide } from '../../core/index.js';

  interface Props {
    all: SideBySide;
    course: RoundList;
    /** Null until it is worked out. */
    shape: Shape | null;
  }

  let { all, course, shape }: Props = $props();
  const figure = (value: number) => (value >= 10 ? Math.round(value).toString() : value.toFixed(1));
  const range = (least: number, most: number) =>
    figure(least) === figure(most) ? figure(least) : `${figure(least)}–${figure(most)}`;
  const yarns = $derived(
    course.yarns.map((name, i) => {
      const needed = shape?.yarns.find((yarn) => yarn.name?.toLowerCase() === name.toLowerCase()) ?? null;
      return { name, weighed: all.yarns[i] ?? null, needed };
    }),
  );
  const sizes = $derived(
    [null, ...course.parts].map((part, i) => ({
      name: part?.name ?? 'The toy',
      heights: all.testers.flatMap(({ sizes: some }) => some[i]?.height ?? []).sort((a, b) => a - b),
      widths: all.testers.flatMap(({ sizes: some }) => some[i]?.width ?? []).sort((a, b) => a - b),
    })),
  );
  const measured = $derived(sizes.filter(({ heights, widths }) => heights.length + widths.length > 0));
  const gauges = $derived(
    all.testers.flatMap(({ name, swatch }) => (swatch?.stitches ? [{ name, stitches: swatch.stitches }] : [])),
  );
</script>

{#if yarns.length > 0}
  <section>
    <h2>Yarn, in grams</h2>
    <table>
      <thead>
        <tr
          ><th scope="col"><span class="unseen">Yarn</span></th><th scope="col">weighed</th><th scope="col"
            >stitches need</th
          ><th scope="col">listed</th></tr
        >
      </thead>
      <tbody>
        {#each yarns as { name, weighed, needed } (name)}
          <tr>
            <th scope="row">{name}</th>
            <td
              >{#if weighed}{range(weighed.least, weighed.most)}<small>by {weighed.count}</small>{:else}–{/if}</td
            >
            <td>{needed?.grams ? range(needed.grams.from, needed.grams.to) : '–'}</td>
            <td>{needed?.listed ?? '–'}</td>
          </tr>
        {/each}
      </tbody>
    </table>
    {#if all.yarns.some((one) => (one?.count ?? 0) >= WEIGHED_BY)}
      <p>
        Where {WEIGHED_BY} or more weighed it, the yarn in Shape is worked out from the middle of what they weighed.
      </p>
    {/if}
  </section>
{/if}
{#if measured.length > 0 || gauges.length > 0}
  <section>
    <h2>Sizes, in cm</h2>
    <table>
      <tbody>
        {#each measured as { name, heights, widths } (name)}
          <tr>
            <th scope="row">{name}</th>
            <td>{heights.length > 0 ? `${range(heights[0] ?? 0, heights.at(-1) ?? 0)} tall` : ''}</td>
            <td>{widths.length > 0 ? `${range(widths[0] ?? 0, widths.at(-1) ?? 0)} wide` : ''}</td>
          </tr>
        {/each}
      </tbody>
    </table>
    {#if shape?.finished}
      <p>Stated: {shape.finished.millimetres / 10} cm{shape.finished.way === 'any' ? '' : ` ${shape.finished.way}`}.</p>
    {/if}
    {#if gauges.length > 0}
      <p>Gauge: {gauges.map(({ name, stitches }) => `${name} ${stitches}`).join(', ')} stitches to 10 cm.</p>
    {/if}
  </section>
{/if}

<style>
  section {
    margin-bottom: var(--space-4);
  }

  h2 {
    margin-bottom: var(--space-1);
    font-size: var(--size-text);
  }

  table {
    width: 100%;
    border-collapse: collapse;
  }

  th,
  td {
    padding: var(--space-1) 0;
    border-bottom: 1px solid var(--rule);
    font-weight: 400;
    text-align: right;
  }

  th:first-child {
    text-align: left;
  }

  thead th,
  small,
  p {
    color: var(--ink-soft);
  }

  small {
    margin-left: var(--space-1);
  }

  p {
    margin-top: var(--space-1);
    font-size: var(--size-small);
  }
</style>
