<script lang="ts">
  import { quoted, type Block } from '../letter.js';

  let { blocks }: { blocks: readonly Block[] } = $props();
</script>

<article>
  {#each blocks as block, i (i)}
    {#if block.kind === 'paragraph'}<p>{block.text}</p>
    {:else if block.kind === 'part'}<h2>{block.text}</h2>
    {:else}
      <section>
        <h3>{block.number}. {block.where}</h3>
        {#if block.words}<blockquote>{block.words.trim()}</blockquote>{/if}
        <p>{block.text}</p>
        {#if block.proposal}<p>Proposed: {quoted(block.proposal)}</p>{/if}
      </section>
    {/if}
  {/each}
</article>

<style>
  article {
    display: grid;
    gap: var(--space-3);
    max-width: 42rem;
    padding: var(--space-5) var(--space-6);
    border: 1px solid var(--rule);
    background: var(--paper-raised);
    font-family: var(--text-face);
    font-size: 1.0625rem;
    line-height: 1.55;
  }

  h2 {
    margin-top: var(--space-3);
    border-bottom: 1px solid var(--rule-strong);
    font-size: 1.1875rem;
  }

  h3 {
    font-size: 1.0625rem;
  }

  section {
    display: grid;
    gap: var(--space-1);
    break-inside: avoid;
  }

  blockquote {
    padding-left: var(--space-3);
    margin: 0;
    border-left: 3px solid var(--rule-strong);
  }

  p,
  blockquote {
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }

  @media (max-width: 640px) {
    article {
      padding: var(--space-3);
    }
  }

  @media print {
    article {
      padding: 0;
      border: 0;
      background: none;
    }
  }
</style>
