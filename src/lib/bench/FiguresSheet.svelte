<script lang="ts">
  import type { BenchCall } from '../bench.js';
  import type { BenchSession } from './bench.svelte.js';
  import { practiceScale, serialScale, type Scale } from './devices.js';
  import Figure from './Figure.svelte';
  import Sheet from './Sheet.svelte';

  let { session, call }: { session: BenchSession; call: BenchCall } = $props();
  const yarns = $derived(call.course.yarns.length > 0 ? call.course.yarns : ['Yarn']);
  const scales: readonly Scale[] = [serialScale(), practiceScale].filter((scale) => scale !== null);
  let grams = $state<number | null>(null);
  let scale = $state('');
  let trouble = $state('');
  let remarks = $state('');
  let end: () => void = () => undefined;
  const HARD = ['easy', 'quite easy', 'medium', 'quite hard', 'hard'] as const;

  async function use(one: Scale): Promise<void> {
    end();
    trouble = '';
    try {
      end = await one.weigh((told) => (grams = told));
      scale = one.name;
    } catch {
      trouble = one.silent;
    }
  }
  $effect(() => () => end());

  const sizeOf = (part: number | null) => session.progress?.sizes.get(part) ?? { height: null, width: null };
  const swatch = $derived(session.progress?.swatch ?? { stitches: null, rows: null });
</script>

<Sheet title="Weigh, measure, finish" onclose={() => (session.sheet = null)}>
  <h3>Yarn, in grams</h3>
  <p class="scales">
    {#each scales as one (one.name)}
      <button type="button" aria-pressed={scale === one.name} onclick={() => void use(one)}>{one.name}</button>
    {/each}
    {#if grams !== null}<output>{grams} g</output>{/if}
  </p>
  {#if trouble}<p class="trouble" role="alert">{trouble}</p>{/if}
  {#each yarns as yarn (yarn)}
    {@const kept = session.progress?.weighed.get(yarn) ?? { before: null, after: null }}
    <div class="row">
      <span>{yarn}</span>
      {#each ['before', 'after'] as const as when (when)}
        <Figure
          label="{yarn} {when}"
          short={when}
          value={kept[when]}
          most={100_000}
          none
          from={grams}
          onset={(value) => session.note({ kind: 'weigh', yarn, when, grams: value })}
        />
      {/each}
    </div>
  {/each}
  <h3>Swatch, to 10 cm</h3>
  <div class="row">
    <span>Gauge</span>
    <Figure
      label="Stitches to 10 cm"
      short="stitches"
      value={swatch.stitches}
      most={200}
      onset={(stitches) => session.note({ kind: 'swatch', ...swatch, stitches })}
    />
    <Figure
      label="Rounds to 10 cm"
      short="rounds"
      value={swatch.rows}
      most={200}
      onset={(rows) => session.note({ kind: 'swatch', ...swatch, rows })}
    />
  </div>
  <h3>Finished size, in cm</h3>
  {#each [{ name: 'The toy', part: null }, ...call.course.parts.map( ({ name }, part) => ({ name, part }) )] as { name, part } (part)}
    {@const size = sizeOf(part)}
    <div class="row">
      <span>{name}</span>
      <Figure
        label="{name}, height"
        short="height"
        value={size.height}
        most={1000}
        onset={(height) => session.note({ kind: 'size', part, ...size, height })}
      />
      <Figure
        label="{name}, width"
        short="width"
        value={size.width}
        most={1000}
        onset={(width) => session.note({ kind: 'size', part, ...size, width })}
      />
    </div>
  {/each}
  <h3>How hard was it?</h3>
  <div class="hard">
    {#each HARD as words, i (words)}
      <button
        type="button"
        aria-pressed={session.progress?.difficulty === i + 1}
        onclick={() => session.note({ kind: 'difficulty', of: i + 1 })}>{words}</button
      >
    {/each}
  </div>
  <h3>Finished</h3>
  {#if session.progress?.finished}
    <p>You have finished. Thank you! What you change from here on goes up too.</p>
  {:else}
    <label for="remarks">Anything else for the editor?</label>
    <textarea id="remarks" rows="3" maxlength="4000" bind:value={remarks}></textarea>
    <button type="button" class="firm" onclick={() => session.note({ kind: 'finished', words: remarks.trim() })}
      >I have finished</button
    >
  {/if}
</Sheet>

<style>
  h3 {
    margin: var(--space-4) 0 var(--space-2);
    font-size: var(--size-text);
  }

  h3:first-child {
    margin-top: 0;
  }

  .row {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 6.5rem 6.5rem;
    align-items: end;
    gap: var(--space-2);
    padding: var(--space-1) 0;
    border-top: 1px solid var(--rule);
  }

  .row > span {
    align-self: center;
    overflow-wrap: anywhere;
  }

  .scales,
  .hard {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    align-items: center;
    margin-bottom: var(--space-2);
  }

  button {
    min-height: 3rem;
    padding: 0 var(--space-3);
    border: 1px solid var(--rule-strong);
    font-weight: 550;
  }

  [aria-pressed='true'] {
    background: var(--woad-wash);
  }

  output {
    font-size: var(--size-title);
    font-weight: 600;
  }

  textarea {
    width: 100%;
    padding: var(--space-2) var(--space-3);
  }

  .firm {
    width: 100%;
    margin-top: var(--space-2);
    background: var(--ink);
    color: var(--paper);
    text-align: center;
  }

  .trouble {
    color: var(--madder);
  }
</style>
