<script lang="ts">
  import When from '../components/When.svelte';
  import type { Draft } from '../drafts.js';

  interface Props {
    /** The pattern. */
    id: string;
    /** What has come of it, the last first. */
    drafts: readonly Draft[];
  }

  let { id, drafts }: Props = $props();
  const sizeOf = (bytes: number) =>
    bytes < 1000
      ? `${bytes} bytes`
      : bytes < 1_000_000
        ? `${Math.round(bytes / 1000)} KB`
        : `${(bytes / 1e6).toFixed(1)} MB`;
</script>

<ol>
  {#each drafts as { number, file, kind, size, left, sender, at } (number)}
    <li>
      <strong>Draft {number}</strong>
      <span class="file">{file || kind}</span>
      <span class="soft"
        >{file === '' ? '' : `${kind}, `}{sizeOf(size)}{sender === '' ? '' : `, from ${sender}`}, <When {at} />
        · <a href="/api/patterns/{id}/drafts/{number}" download={file || 'pasted.txt'}>as it came</a></span
      >
      {#each left as sentence (sentence)}<span class="left">{sentence}</span>{/each}
    </li>
  {:else}
    <li class="soft">It came before files were kept.</li>
  {/each}
</ol>

<style>
  ol {
    display: grid;
    flex: 1 0 100%;
    gap: 0.1rem;
    max-height: 5.5rem;
    overflow-y: auto;
    font-size: var(--size-small);
    scrollbar-width: thin;
  }

  li {
    display: flex;
    flex-wrap: wrap;
    gap: 0 var(--space-3);
  }

  strong {
    font-weight: 620;
  }

  .file {
    overflow-wrap: anywhere;
  }

  .soft {
    color: var(--ink-soft);
  }

  .left {
    color: var(--weld);
  }
</style>
