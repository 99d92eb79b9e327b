<script lang="ts">
  import type { Overview } from '../../core/index.js';

  let { toLine, terms }: { toLine: (line: number) => void; terms: Overview['terms'] } = $props();
  const NAMES = { us: 'US', uk: 'UK', both: 'both' } as const;
  const found = $derived(
    {
      us: 'The words are those of US terms.',
      uk: 'The words are those of UK terms.',
      mixed: 'Words of US and of UK terms stand side by side.',
      unclear: 'No word tells US from UK terms.',
    }[terms.detected],
  );
</script>

<div>
  <h3>Terms</h3>
  <p>
    {#if terms.declared}<button type="button" onclick={() => terms.at !== null && toLine(terms.at)}
        >It says that it is in {NAMES[terms.declared]} terms</button
      >.{:else}It does not say which terms it is in.{/if}
    {found}
  </p>
  {#if terms.words.length > 0}
    <ul>
      {#each terms.words as { word, count, tells, line } (word)}
        <li>
          <button type="button" onclick={() => toLine(line)}>{word}</button>
          <span>{count} ×</span>
          <span class="tells">{NAMES[tells]}</span>
        </li>
      {/each}
    </ul>
  {/if}
</div>

<style>
  p {
    font-size: var(--size-small);
  }

  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 3rem 3rem;
    gap: var(--space-2);
    padding: 0.15rem 0.25rem;
    border-bottom: 1px solid var(--rule);
    font-size: var(--size-small);
  }

  span {
    text-align: right;
    color: var(--ink-soft);
  }

  .tells {
    font-weight: 620;
  }

  button {
    color: var(--woad);
  }
</style>
