<script lang="ts">
  import Button from '../components/Button.svelte';
  import type { DraftsSession } from './drafts.svelte.js';

  let { session }: { session: DraftsSession } = $props();
</script>

<section aria-label="What you had changed">
  <h2>What you had changed</h2>
  <p class="soft">The new draft does not have it. What is not decided stays here; nothing of it is lost.</p>
  {#each session.own as change (change.key)}
    <article>
      {#if change.was && change.was !== change.theirs}<p class="soft">It was: {change.was.trim()}</p>{/if}
      <p><span class="soft">Mine:</span> {change.mine.trim() || 'taken out'}</p>
      <p><span class="soft">Theirs:</span> {change.theirs.trim() || 'not there'}</p>
      <span class="ends">
        <Button onclick={() => void session.take(change, 'mine')}>Mine</Button>
        <Button onclick={() => void session.take(change, 'theirs')}>Theirs</Button>
        <Button onclick={() => void session.take(change, 'query')}>Ask about both</Button>
      </span>
    </article>
  {/each}
</section>

<style>
  section {
    display: grid;
    gap: var(--space-3);
    padding-top: var(--space-3);
    border-top: 2px solid var(--rule-strong);
  }

  h2 {
    font-size: 1.0625rem;
  }

  article {
    display: grid;
    gap: var(--space-1);
    padding-left: var(--space-3);
    border-left: 3px solid var(--weld);
    overflow-wrap: anywhere;
    white-space: pre-wrap;
  }

  .soft {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }

  .ends {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }
</style>
