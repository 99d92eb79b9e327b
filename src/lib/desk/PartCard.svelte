<script lang="ts">
  import type { PartOverview } from '../../core/index.js';
  import { plural } from '../plural.js';
  import type { Asking } from './asking.svelte.js';
  import Card from './Card.svelte';
  import type { DeskSession } from './desk.svelte.js';
  import { outlineOf } from './outline.js';
  import { roundName } from './rounds.js';
  import Sentences from './Sentences.svelte';
  import type { Walking } from './walking.js';

  interface Props {
    desk: DeskSession;
    walking: Walking;
    asking: Asking;
    /** Its number among all parts. */
    index: number;
    /** What was understood of it; null as long as that is not told. */
    part: PartOverview | null;
  }

  let { desk, walking, asking, index, part }: Props = $props();
  const WIDTH = 300;
  const HEIGHT = 84;
  let card = $state<Card>();

  const counted = $derived(desk.report?.parts[index] ?? null);
  const outline = $derived(counted && outlineOf(counted.rounds, WIDTH, HEIGHT));
  const findings = $derived(
    counted ? desk.findings.filter((finding) => finding.part === counted.name && finding.severity !== 'hint') : [],
  );
  const off = $derived(counted?.rounds.filter(({ verdict }) => verdict === 'off' || verdict === 'unreadable') ?? []);
  const ticked = $derived(counted?.rounds.filter(({ key }) => desk.notes.ticks.has(key)).length ?? 0);
  /** What is said of it in the assembly, with what comes before and after that. */
  const assembly = $derived.by(() => {
    const all = desk.overview?.assembly ?? [];
    const own = new Set(part?.assembly.map(({ line, text }) => `${line} ${text}`));
    const marked = all.map((one) => ({ ...one, own: own.has(`${one.line} ${one.text}`) }));
    return marked.filter(({ own: its }, i) => its || marked[i - 1]?.own || marked[i + 1]?.own);
  });
  const INSTRUCTIONS = { rounds: 'round', rows: 'row', both: 'round or row' } as const;

  /** Opens the question why the finding at the caret is put aside. */
  export function ask(): void {
    card?.askAside();
  }
</script>

{#if counted}
  <Card bind:this={card} label="Part" {desk} {walking} {asking} {findings} placed>
    {#snippet head()}
      <h2>
        {counted.name}{#if counted.make > 1}<span class="make">× {counted.make}</span>{/if}
      </h2>
      {#if part}
        <p>
          {plural(
            part.rounds,
            INSTRUCTIONS[part.kind],
            part.kind === 'both' ? 'rounds and rows' : `${INSTRUCTIONS[part.kind]}s`,
          )}{#if part.first !== null && part.most !== null && part.last !== null}: from {part.first} up to {part.most},
            and {part.last} at the end{/if}
        </p>
      {/if}
    {/snippet}
    {#if outline && counted.rounds.length > 1}
      <figure aria-label="Its counts from round to round, {outline.most} at most">
        <svg viewBox="0 0 {WIDTH} {HEIGHT}" preserveAspectRatio="none" aria-hidden="true">
          <path d={outline.path} />
          {#each outline.off as { x, y }, i (i)}<line x1={x} x2={x} y1={y} y2={HEIGHT} />{/each}
        </svg>
        <figcaption>
          <span>{roundName(counted.rounds[0] ?? { label: '', kind: 'round' })}</span>
          <span>{roundName(counted.rounds.at(-1) ?? { label: '', kind: 'round' })}</span>
        </figcaption>
      </figure>
    {/if}
    <dl>
      <div>
        <dt>Comes out</dt>
        <dd class:bad={off.length > 0}>{counted.rounds.length - off.length} of {counted.rounds.length}</dd>
      </div>
      <div>
        <dt>Ticked</dt>
        <dd>{ticked} of {counted.rounds.length}</dd>
      </div>
      {#if part}
        <div>
          <dt>Stitches in one</dt>
          <dd>{part.stitches === null ? 'not all can be counted' : part.stitches.toLocaleString('en')}</dd>
        </div>
        {#if part.make > 1 && part.stitches !== null}
          <div>
            <dt>In all {part.make}</dt>
            <dd>{(part.stitches * part.make).toLocaleString('en')}</dd>
          </div>
        {/if}
      {/if}
    </dl>
    {#if part && part.making.length > 0}
      <div>
        <h3>Besides crochet</h3>
        <Sentences
          {desk}
          sentences={part.making.map(({ what, line, after }) => ({
            text: after === null ? what : `${what} after ${roundName({ label: after, kind: 'round' })}`,
            line,
          }))}
        />
      </div>
    {/if}
    {#if assembly.length > 0}
      <div>
        <h3>In the assembly</h3>
        <Sentences {desk} sentences={assembly} />
      </div>
    {/if}
  </Card>
{/if}

<style>
  .make {
    margin-left: 0.4em;
    font-weight: 450;
    color: var(--ink-soft);
  }

  p {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }

  figure {
    margin: 0;
  }

  svg {
    width: 100%;
    height: 84px;
    border-bottom: 1px solid var(--rule-strong);
  }

  path {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.6;
    vector-effect: non-scaling-stroke;
  }

  line {
    stroke: var(--madder);
    stroke-width: 2;
    vector-effect: non-scaling-stroke;
  }

  figcaption {
    display: flex;
    justify-content: space-between;
    color: var(--ink-soft);
    font-size: 0.75rem;
  }

  dl div {
    display: flex;
    justify-content: space-between;
    gap: var(--space-3);
    padding: 0.15rem 0.25rem;
    border-bottom: 1px solid var(--rule);
    font-size: var(--size-small);
  }

  dt {
    color: var(--ink-soft);
  }

  dd {
    font-weight: 620;
  }

  .bad {
    color: var(--madder);
  }
</style>
