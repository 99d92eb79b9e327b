<script lang="ts">
  import type { Shape, ShapeYarn } from '../../core/index.js';
  import FactSection from './FactSection.svelte';
  import { dyeOf } from './dyes.js';
  import type { ShapeSession } from './shape.svelte.js';
  import { short, wholeRange } from './words.js';

  let { session, shape, pattern }: { session: ShapeSession; shape: Shape; pattern: string } = $props();
  const keyOf = (yarn: ShapeYarn) => yarn.name?.toLowerCase() ?? '';
  const colour = (yarn: ShapeYarn, at: number) => session.settings.dyes[keyOf(yarn)] ?? dyeOf(yarn.name, at);

  function weigh(yarn: ShapeYarn, written: string): void {
    const grams = Number(written.trim().replace(',', '.'));
    const { [keyOf(yarn)]: _, ...others } = session.settings.weighed;
    const known = Number.isFinite(grams) && grams > 0 && grams <= 10_000;
    void session.set({ weighed: known ? { ...others, [keyOf(yarn)]: grams } : others });
  }

  function dye(yarn: ShapeYarn, value: string): void {
    void session.set({ dyes: { ...session.settings.dyes, [keyOf(yarn)]: value } });
  }

  const VERDICTS = { enough: 'enough', short: 'short', 'far-more': 'far more than needed', unknown: '' } as const;
  const here = $derived(session.here);
</script>

<FactSection heading="Yarn for all of it">
  <table>
    <thead>
      <tr>
        <th scope="col">Yarn</th>
        <th scope="col">m</th>
        <th scope="col">g</th>
        <th scope="col">listed</th>
        <th scope="col">weighed</th>
      </tr>
    </thead>
    <tbody>
      {#each shape.yarns as yarn, i (i)}
        <tr>
          <th scope="row">
            <input
              type="color"
              aria-label="Colour that {yarn.name ?? 'yarn without a name'} is drawn in"
              value={colour(yarn, i)}
              onchange={(event) => dye(yarn, event.currentTarget.value)}
            />
            {yarn.name ?? 'no colour said'}
          </th>
          <td>{wholeRange(yarn.metres)}</td>
          <td>{yarn.grams ? wholeRange(yarn.grams) : '?'}</td>
          <td class={yarn.verdict}>
            {#if yarn.line !== null}<a href="/desk/{pattern}?line={yarn.line}">{yarn.listed ?? 'no amount'}</a
              >{:else}–{/if}
            {VERDICTS[yarn.verdict]}
          </td>
          <td>
            <input
              class="weighed"
              inputmode="decimal"
              aria-label="Grams of {yarn.name ?? 'it'} that were weighed"
              value={yarn.weighed === null ? '' : short(yarn.weighed)}
              onchange={(event) => weigh(yarn, event.currentTarget.value)}
            />
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
  {#if shape.metres === null}
    <p class="ask">
      How long 100 g of it are is not said: ask the band, and set “Metres in 100 g”. Grams and balls follow.
    </p>
  {:else if shape.yarns.some(({ balls }) => balls !== null)}
    <p>
      To buy, in balls of {short(shape.ball ?? 0)} g: {shape.yarns
        .flatMap(({ name, balls }) => (balls === null ? [] : [`${balls} of ${name ?? 'the rest'}`]))
        .join(', ')}.
    </p>
  {/if}
  {#if here && here.yarn.length > 0}
    <p class="soft">
      One {here.name.toLowerCase()}: {here.yarn
        .map(
          ({ yarn, metres, ends }) =>
            `${short(metres)} m of ${shape.yarns[yarn]?.name ?? 'yarn'}, ${short(ends)} m of it in ends and seams`,
        )
        .join('; ')}.
    </p>
  {/if}
  <p class="soft">
    A stitch takes the yarn of its link, its post and its turns at this gauge{shape.yarns.some(
      ({ weighed }) => weighed !== null,
    ) && shape.metres !== null
      ? ', put right by what was weighed'
      : ''}.{#if Object.keys(session.tested).length > 0}
      What is weighed without your saying is the middle of what testers weighed.{/if}
  </p>
</FactSection>

<style>
  table {
    width: 100%;
    border-collapse: collapse;
    font-size: var(--size-small);
    font-variant-numeric: tabular-nums;
  }

  th,
  td {
    padding: 0.15rem 0.2rem;
    border-bottom: 1px solid var(--rule);
    text-align: right;
  }

  th[scope='col'] {
    color: var(--ink-soft);
    font-weight: 450;
  }

  th:first-child {
    font-weight: 550;
    text-align: left;
  }

  input[type='color'] {
    width: 1rem;
    height: 1rem;
    padding: 0;
    border: 1px solid var(--rule-strong);
    border-radius: 50%;
    vertical-align: -0.15rem;
  }

  input[type='color']::-webkit-color-swatch-wrapper {
    padding: 0;
  }

  input[type='color']::-webkit-color-swatch {
    border: 0;
    border-radius: 50%;
  }

  .weighed {
    width: 2.75rem;
    padding: 0 0.2rem;
    border: 1px solid var(--rule);
    border-radius: var(--radius);
    background: var(--paper-raised);
    text-align: right;
  }

  .short {
    color: var(--madder);
  }

  .far-more {
    color: var(--weld);
  }

  .ask {
    color: var(--weld);
  }

  .soft {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }
</style>
