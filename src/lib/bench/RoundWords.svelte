<script lang="ts">
  import type { BenchCall } from '../bench.js';
  import type { BenchSession } from './bench.svelte.js';
  import MiniLadder from './MiniLadder.svelte';
  import { roundWords, sumWords } from './words.js';

  let { session, call }: { session: BenchSession; call: BenchCall } = $props();
  const round = $derived(session.round);
  const instruction = $derived(session.instruction);
  const part = $derived(session.at && call.course.parts[session.at.part]);
  const beat = $derived(session.whole ? null : (session.beats[session.touches] ?? null));
  const words = $derived.by(() => {
    const all = instruction?.words ?? '';
    if (!beat || beat.to <= beat.from) return { before: all, now: '', after: '' };
    return { before: all.slice(0, beat.from), now: all.slice(beat.from, beat.to), after: all.slice(beat.to) };
  });
  const first = $derived(session.at?.ring === 0 ? (part?.before ?? []) : []);
  const notes = $derived(
    session.progress?.notes.filter(
      ({ spot }) => spot && session.at && spot.part === session.at.part && spot.ring === session.at.ring,
    ) ?? [],
  );
</script>

{#if session.unkept}<p class="notice" role="alert">{session.unkept}</p>{/if}
{#if !isSecureContext}
  <p class="notice">This address is no https: leave the page open, as it can’t be opened again without a network.</p>
{/if}
{#if session.going === 'withdrawn'}
  <p class="notice" role="alert">
    This test was withdrawn. What you note stays on this device; “More” has it as a file.
  </p>
{/if}
{#if round && instruction}
  <h1>
    {roundWords(round)}
    <span>{sumWords(round)}</span>
  </h1>
  {#each first as line, i (i)}<p class="around">{line}</p>{/each}
  <p class="words">{words.before}<mark>{words.now}</mark>{words.after}</p>
  <p class="plain">{instruction.sentence}</p>
  {#if instruction.ladder && round.edge !== null && round.edge !== round.made}
    <MiniLadder ladder={instruction.ladder} done={session.stitches} />
  {/if}
  {#each round.then as line, i (i)}<p class="around">Then: {line}</p>{/each}
  {#if notes.length > 0}<p class="plain">
      {notes.length === 1 ? 'One note' : `${notes.length} notes`} at this round.
    </p>{/if}
{:else}
  <h1>All rounds are done</h1>
  {#each call.course.after as line, i (i)}<p class="around">{line}</p>{/each}
{/if}

<style>
  h1 {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    justify-content: space-between;
    gap: 0 var(--space-3);
    font-family: var(--figure-face);
    font-size: var(--size-text);
    font-weight: 600;
  }

  h1 span {
    color: var(--ink-soft);
    font-weight: 400;
  }

  .words {
    margin: var(--space-2) 0;
    font-family: var(--text-face);
    font-size: clamp(1.5rem, 1.1rem + 2.2vw, 2.5rem);
    line-height: 1.3;
    overflow-wrap: anywhere;
  }

  mark {
    background: var(--woad-wash);
    color: inherit;
    box-shadow: 0 2px 0 var(--woad);
  }

  .plain {
    color: var(--ink-soft);
    font-size: var(--size-text);
  }

  .around {
    padding-left: var(--space-3);
    margin: var(--space-2) 0;
    border-left: 3px solid var(--weld);
    font-size: var(--size-text);
  }

  .notice {
    padding: var(--space-2) var(--space-3);
    margin-bottom: var(--space-2);
    background: var(--madder-wash);
    color: var(--madder);
  }
</style>
