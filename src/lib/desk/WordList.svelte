<script lang="ts">
  import type { Overview } from '../../core/index.js';

  interface Props {
    words: Overview['words'];
    toLine: (line: number) => void;
    /** Takes back what was settled for a word. */
    takeBack: (word: string) => void;
  }

  let { words, toLine, takeBack }: Props = $props();
  const FROM = { list: null, settled: 'settled here', 'worked-out': 'worked out' } as const;
</script>

<div>
  <h3>Words of its own</h3>
  {#if words.length > 0}
    <ul>
      {#each words as { term, meaning, from, line, used } (`${from} ${line} ${term}`)}
        <li>
          <button type="button" disabled={line === null} onclick={() => line !== null && toLine(line)}>
            <strong>{term}</strong> <span>{meaning}</span>
          </button>
          <span class="used" class:unused={used === 0}>{used === 0 ? 'never' : `${used} ×`}</span>
          {#if FROM[from]}<p>
              {FROM[from]}{#if from === 'settled'}<button type="button" class="back" onclick={() => takeBack(term)}
                  >Take back</button
                >{/if}
            </p>{/if}
        </li>
      {/each}
    </ul>
  {:else}<p>No list of words was found, and none was needed.</p>{/if}
</div>

<style>
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    align-items: baseline;
    gap: 0 var(--space-3);
    padding: 0.2rem 0.25rem;
    border-bottom: 1px solid var(--rule);
    font-size: var(--size-small);
  }

  button {
    color: var(--ink);
    overflow-wrap: anywhere;
  }

  button:disabled {
    cursor: default;
  }

  strong {
    font-weight: 650;
  }

  .used,
  p {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }

  .unused {
    color: var(--weld);
  }

  .back {
    margin-left: var(--space-3);
    color: var(--woad);
  }
</style>
