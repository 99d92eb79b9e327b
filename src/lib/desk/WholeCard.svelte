<script lang="ts">
  import type { Overview } from '../../core/index.js';
  import { plural } from '../plural.js';
  import type { Asking } from './asking.svelte.js';
  import Card from './Card.svelte';
  import type { DeskSession } from './desk.svelte.js';
  import MaterialList from './MaterialList.svelte';
  import Sentences from './Sentences.svelte';
  import TermsTold from './TermsTold.svelte';
  import type { Walking } from './walking.js';
  import WordList from './WordList.svelte';

  interface Props {
    desk: DeskSession;
    walking: Walking;
    asking: Asking;
    /** What the caret is in; null for what has no heading of that kind. */
    section: Overview['sections'][number]['kind'] | null;
  }
  type Block = 'sums' | 'terms' | 'materials' | 'words' | 'assembly';

  let { desk, walking, asking, section }: Props = $props();
  let card = $state<Card>();
  const HEADS = {
    materials: 'Materials',
    gauge: 'Gauge',
    legend: 'Words',
    notes: 'Notes',
    assembly: 'Assembly',
  } as const;
  /** What belongs there first. */
  const BLOCKS: Readonly<Record<keyof typeof HEADS | 'none', readonly Block[]>> = {
    materials: ['materials', 'sums'],
    gauge: ['materials', 'sums'],
    legend: ['words', 'terms'],
    notes: ['terms', 'words', 'sums'],
    assembly: ['assembly', 'sums'],
    none: ['sums', 'terms', 'materials', 'words'],
  };

  const { report, overview } = $derived(desk);
  /** What is open outside of the parts, as near the caret as it can be told. */
  const findings = $derived.by(() => {
    const within = overview?.sections.find(({ line, endLine }) => line <= desk.spot.line && desk.spot.line <= endLine);
    return desk.findings.filter(
      ({ line, part }) =>
        part === null && (within ? within.line <= line && line <= within.endLine : line === desk.spot.line),
    );
  });

  /** Opens the question why the finding at the caret is put aside. */
  export function ask(): void {
    card?.askAside();
  }
</script>

<Card bind:this={card} label="The pattern" {desk} {walking} {asking} {findings} placed>
  {#snippet head()}
    <h2>{section ? HEADS[section] : 'The whole pattern'}</h2>
  {/snippet}
  {#if report && overview}
    {#each BLOCKS[section ?? 'none'] as block (block)}
      {#if block === 'materials'}<MaterialList toLine={(line) => desk.toLine(line)} materials={overview.materials} />
      {:else if block === 'words'}<WordList
          words={overview.words}
          toLine={(line) => desk.toLine(line)}
          takeBack={(word) => void desk.notes.mean(word, null)}
        />
      {:else if block === 'terms'}<TermsTold toLine={(line) => desk.toLine(line)} terms={overview.terms} />
      {:else if block === 'assembly'}
        {#if overview.assembly.length > 0}
          <div>
            <h3>What goes where</h3>
            <Sentences {desk} sentences={overview.assembly} />
          </div>
        {:else}<p>No sentence was found that puts a part in its place.</p>{/if}
      {:else if overview.parts.length > 0}
        <div>
          <h3>{plural(overview.parts.length, 'part')}</h3>
          <Sentences
            {desk}
            sentences={overview.parts.map(({ name, line, make, rounds, stitches }) => ({
              text:
                `${name}${make > 1 ? ` × ${make}` : ''}: ${plural(rounds, 'round')}` +
                (stitches === null ? '' : `, ${plural(stitches * make, 'stitch', 'stitches')}`),
              line,
            }))}
          />
        </div>
      {:else}<p>No parts were found: no line begins a round.</p>{/if}
    {/each}
  {/if}
</Card>

<style>
  p {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }
</style>
