<script lang="ts">
  import { dropPractice, notKept } from '../client.js';
  import Button from '../components/Button.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import When from '../components/When.svelte';
  import { loadAnew } from '../loadAnew.js';
  import { plural } from '../plural.js';
  import { clockOf, type PracticeEntry } from '../training.js';

  let { entries }: { entries: readonly PracticeEntry[] } = $props();

  function outcome({ mark, what, found, missed, blamed }: PracticeEntry): string {
    if (mark === null) return 'not handed in';
    const faults = found + missed;
    const words =
      what === 'terms' ? 'terms turned' : faults === 0 ? 'no fault in it' : `${found} of ${plural(faults, 'fault')}`;
    return `${words}${blamed > 0 ? `, ${blamed} blamed` : ''}`;
  }

  async function drop(id: string): Promise<void> {
    try {
      await dropPractice(id);
    } catch (error) {
      toasts.say(notKept(error));
    }
    await loadAnew('dostik:trainer');
  }
</script>

<ul aria-label="What you have worked through">
  {#each entries as entry (entry.id)}
    <li>
      <span class="mark" class:open={entry.mark === null}
        >{entry.mark === null ? '…' : Math.round(100 * entry.mark)}</span
      >
      <a href="/trainer/{entry.id}">{entry.title}</a>
      <span>level {entry.level}, {entry.terms.toUpperCase()}</span>
      <span>{outcome(entry)}</span>
      <span>{clockOf(entry.seconds)}</span>
      <When at={entry.at} />
      {#if entry.mark === null}<Button weight="quiet" onclick={() => void drop(entry.id)}
          >Throw away<span class="unseen">&nbsp;{entry.title}</span></Button
        >{:else}<span></span>{/if}
    </li>
  {/each}
</ul>

<style>
  li {
    display: grid;
    grid-template-columns: 3rem minmax(8rem, 2fr) 7rem minmax(8rem, 2fr) 4.5rem 8rem 7.5rem;
    align-items: center;
    gap: var(--space-3);
    min-height: 2.5rem;
    border-top: 1px solid var(--rule);
    color: var(--ink-soft);
    font-size: var(--size-body);
  }

  a {
    overflow: hidden;
    color: var(--ink);
    font-family: var(--text-face);
    font-size: var(--size-text);
    text-decoration: none;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  a:hover {
    color: var(--woad);
    text-decoration: underline;
  }

  .mark {
    color: var(--ink);
    font-family: var(--text-face);
    font-size: var(--size-title);
    text-align: right;
  }

  .open {
    color: var(--woad);
  }

  @media (max-width: 900px) {
    li {
      grid-template-columns: 3rem minmax(0, 1fr) auto;
      gap: 0 var(--space-3);
      padding: var(--space-2) 0;
    }

    li > :nth-child(n + 3) {
      grid-column: 2;
    }

    .mark {
      grid-row: 1 / 3;
    }
  }
</style>
