<script lang="ts">
  import { senseInWords, type Meanings } from '../../core/index.js';
  import type { IntakeSession } from './intake.svelte.js';

  let { session }: { session: IntakeSession } = $props();
  const MOST = 6;

  /** A round that shows how its hand writes: with a label and a count. */
  const sample = $derived(
    session.rounds.find(({ stated, verdict }) => stated !== null && verdict === 'agrees') ?? null,
  );
  const labels = $derived(
    [...new Set(session.rounds.map(({ label }) => label.replace(/\d+/g, '#')))]
      .filter((one) => one.includes('#'))
      .slice(0, 3),
  );
  const count = $derived.by(() => {
    const words = session.lines[(sample?.line ?? 0) - 1] ?? '';
    return /[^\p{L}\d\s]?\s?\d+\s?(?:sts?\b|stitches|sc\b|dc\b)?[^\p{L}\d]*$/u.exec(words)?.[0].trim() ?? null;
  });
  const worked = $derived((session.overview?.words ?? []).filter(({ from }) => from === 'worked-out').slice(0, MOST));
  let proofs = $state.raw<ReadonlyMap<string, Meanings>>(new Map());

  // How many rounds come out with a word, beside without: it is worked out for each once it is shown.
  $effect(() => {
    for (const { term } of worked)
      if (!proofs.has(term))
        session.meanings(term).then(
          (told) => {
            if (told) proofs = new Map([...proofs, [term, told]]);
          },
          // The word stands without its proof.
          () => undefined,
        );
  });

  function proofOf(term: string): string {
    const told = proofs.get(term);
    const best = told?.ways[0];
    const without = told?.ways.find(({ sense }) => sense === 'nothing')?.comesOut ?? 0;
    return told && best
      ? `${best.comesOut} of ${told.rounds} rounds come out with it, ${without} if it is nothing`
      : '';
  }
</script>

<section>
  {#if labels.length > 0 || worked.length > 0}<h3>How this hand writes</h3>{/if}
  <dl>
    {#if labels.length > 0}
      <dt>Labels</dt>
      <dd>{labels.join(', ')}</dd>
    {/if}
    {#if sample && count}
      <dt>Counts</dt>
      <dd>{count} <span class="soft">as in {sample.label}</span></dd>
    {/if}
    {#each worked as { term, sense } (term)}
      <dt>“{term}”</dt>
      <dd>
        {sense === null ? '' : senseInWords(sense)} <span class="soft">{proofOf(term)}</span>
        {#if sense !== null}<button type="button" onclick={() => void session.mean(term, sense)}>Yes</button>
          <button type="button" onclick={() => void session.mean(term, 'nothing')}>No</button>{/if}
      </dd>
    {/each}
  </dl>
  {#if session.corrections.length > 0}
    <h3>Put right</h3>
    <ul>
      {#each session.corrections as { words, back } (words)}
        <li>
          <span>{words}</span><button type="button" onclick={() => void session.change(back, 'Taken back')}
            >Take back</button
          >
        </li>
      {/each}
    </ul>
  {/if}
</section>

<style>
  section {
    display: grid;
    gap: var(--space-2);
  }

  dl {
    display: grid;
    grid-template-columns: minmax(4rem, auto) minmax(0, 1fr);
    gap: 0.15rem var(--space-3);
    font-size: var(--size-small);
  }

  dt {
    color: var(--ink-soft);
  }

  dd {
    font-weight: 560;
    overflow-wrap: anywhere;
  }

  .soft {
    color: var(--ink-soft);
    font-weight: 450;
  }

  button {
    margin-left: var(--space-2);
    color: var(--woad);
    font-weight: 450;
  }

  li {
    display: flex;
    justify-content: space-between;
    gap: var(--space-2);
    padding: 0.15rem 0.25rem;
    border-bottom: 1px solid var(--rule);
    font-size: var(--size-small);
    overflow-wrap: anywhere;
  }
</style>
