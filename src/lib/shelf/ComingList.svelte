<script lang="ts">
  import Button from '../components/Button.svelte';
  import { plural } from '../plural.js';
  import type { Taking } from './taking.svelte.js';

  let { taking }: { taking: Taking } = $props();
  const STATES = {
    waiting: 'waiting',
    reading: 'reading …',
    taken: 'taken in',
    known: 'known',
    failed: 'not taken in',
    cancelled: 'cancelled',
  } as const;

  const count = (state: keyof typeof STATES) => taking.comings.filter((one) => one.state === state).length;
  const told = $derived(
    [
      `${plural(count('taken'), 'pattern')} taken in`,
      count('known') > 0 ? `${count('known')} known` : '',
      count('failed') > 0 ? `${count('failed')} not taken in` : '',
      count('waiting') > 0 ? `${count('waiting')} to come` : '',
    ]
      .filter(Boolean)
      .join(', '),
  );
</script>

<section aria-label="Taking in">
  <header>
    <div role="status"><h2>{told}</h2></div>
    {#if taking.busy}<Button onclick={() => taking.cancel()}>Stop here</Button>
    {:else}<Button weight="quiet" onclick={() => taking.clear()}>Close the list</Button>{/if}
  </header>
  <ol>
    {#each taking.comings as { name, state, share, id, mayGo, words }, at (at)}
      <li>
        <span class="name">{name}</span>
        <span class="state {state}"
          >{STATES[state]}{#if state === 'reading' && share !== null}<progress value={share} aria-label="Read of {name}"
            ></progress>{/if}</span
        >
        <span class="words">{words}</span>
        <span class="acts">
          {#if id}<a href="/intake/{id}">Open</a>{/if}
          {#if state === 'known'}<button type="button" onclick={() => void taking.again(at)}>Take in again</button>
          {:else if mayGo && state === 'failed'}<button type="button" onclick={() => void taking.again(at)}
              >Try again</button
            >{/if}
        </span>
      </li>
    {/each}
  </ol>
</section>

<style>
  section {
    padding: var(--space-3) 0;
    border-bottom: 2px solid var(--ink);
    margin-bottom: var(--space-4);
  }

  header {
    display: flex;
    align-items: baseline;
    justify-content: space-between;
    gap: var(--space-4);
    padding-bottom: var(--space-2);
  }

  h2 {
    font-size: var(--size-title);
  }

  ol {
    max-height: 40dvh;
    overflow-y: auto;
    scrollbar-width: thin;
  }

  li {
    display: grid;
    grid-template-columns: minmax(8rem, 18rem) 9rem minmax(0, 1fr) auto;
    align-items: baseline;
    gap: 0 var(--space-4);
    padding: var(--space-1) 0;
    border-top: 1px solid var(--rule);
    font-size: var(--size-body);
  }

  .name,
  .words {
    overflow-wrap: anywhere;
  }

  .words {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }

  .state {
    color: var(--ink-soft);
  }

  .taken {
    color: var(--sage);
    font-weight: 620;
  }

  .failed {
    color: var(--madder);
    font-weight: 620;
  }

  progress {
    width: 3rem;
    margin-left: var(--space-2);
    accent-color: var(--woad);
  }

  .acts {
    display: flex;
    gap: var(--space-3);
  }

  .acts button {
    color: var(--woad);
  }

  @media (max-width: 720px) {
    li {
      grid-template-columns: minmax(0, 1fr) auto;
    }
  }
</style>
