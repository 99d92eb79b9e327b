<script lang="ts">
  import type { Shape } from '../../core/index.js';
  import FactSection from './FactSection.svelte';
  import Openings from './Openings.svelte';
  import Places from './Places.svelte';
  import Yarns from './Yarns.svelte';
  import type { ShapeSession } from './shape.svelte.js';
  import { cm, cmRange, short } from './words.js';

  let { session, shape, pattern }: { session: ShapeSession; shape: Shape; pattern: string } = $props();
  const names = (parts: readonly number[]) => parts.map((part) => shape.parts[part]?.name ?? '').join(', ');
  const WAYS = { tall: ' tall', long: ' long', wide: ' wide', any: '' } as const;
  type Finished = NonNullable<Shape['finished']>;

  function sizeWords({ differs, atLeast }: Finished, counts: { from: number; to: number }): string {
    if (differs) return `; the counts give ${cmRange(counts)} at ${at}.`;
    return atLeast ? `; the counts give at least ${cm(counts.from)}: a round of it gives none.` : '; the counts agree.';
  }

  const at = $derived(
    shape.gauge.from === 'hook' || shape.gauge.from === 'usual'
      ? `${short(shape.gauge.width)} mm a stitch`
      : `${short(100 / shape.gauge.width)} sts to 10 cm`,
  );
</script>

<FactSection heading="Size">
  {#if shape.toy.height}
    <p class="figure">{cmRange(shape.toy.height)} tall</p>
    <p>
      {#if shape.toy.stacked.length > 1}{names(shape.toy.stacked)} one on the other, at {at}.
      {:else}{names(shape.toy.stacked)} alone, at {at}.{/if}
      {#if shape.toy.unplaced.length > 0}Nothing says where {names(shape.toy.unplaced)}
        {shape.toy.unplaced.length > 1 ? 'go' : 'goes'}.{/if}
    </p>
  {:else}
    <p>How tall it stands can’t be told: its largest part has no counts.</p>
  {/if}
  {#if shape.finished}
    <p class:differs={shape.finished.differs}>
      Stated: <a href="/desk/{pattern}?line={shape.finished.line}"
        >{cm(shape.finished.millimetres)}{WAYS[shape.finished.way]}</a
      >{#if shape.finished.counts}{sizeWords(shape.finished, shape.finished.counts)}{:else}. There is nothing to compare
        it with.{/if}
    </p>
  {/if}
  {#if shape.target}
    <p>
      For {cm(shape.target.height)} it takes {short(shape.target.stitches)} sts to 10 cm{#if shape.target.hook !== null},
        about a {short(shape.target.hook, 2)} mm hook with this yarn{:else}, which no hook gives with this yarn{/if}.
    </p>
  {/if}
  {#if shape.substitute}
    <p>
      With that yarn: a {short(shape.substitute.hook, 2)} mm hook, {short(shape.substitute.times * 100)} % of the size{#if shape.substitute.eyes !== null},
        eyes of {short(shape.substitute.eyes)} mm{/if}.
    </p>
  {/if}
</FactSection>

{#if session.here}<Openings {session} {shape} part={session.here} />{/if}
<Places {session} {shape} {pattern} />
<Yarns {session} {shape} {pattern} />

<style>
  .figure {
    font-size: var(--size-title);
    font-variant-numeric: tabular-nums;
  }

  .differs {
    color: var(--madder);
  }
</style>
