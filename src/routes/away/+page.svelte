<script lang="ts">
  import { invalidate } from '$app/navigation';
  import Button from '../../lib/components/Button.svelte';
  import { toasts } from '../../lib/components/toasts.svelte.js';
  import { notKept, takeBack } from '../../lib/client.js';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
  const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' });

  async function back(id: string): Promise<void> {
    try {
      await takeBack(id);
      toasts.say('It is on the shelf again.');
    } catch (error) {
      toasts.say(notKept(error));
    }
    await invalidate('dostik:away');
  }
</script>

<svelte:head><title>Put away · Dostik</title></svelte:head>

<main>
  <nav>
    <a href="/">Shelf</a>
    <h1>Put away</h1>
  </nav>
  {#if data.away.length === 0}
    <p class="about">Nothing is put away.</p>
  {:else}
    <p class="about">These are kept as they were, with their ticks and notes.</p>
    <ul>
      {#each data.away as { id, name, at } (id)}
        <li>
          <span class="name">{name}</span>
          <time datetime={new Date(at).toISOString()}>{day.format(at)}</time>
          <Button weight="quiet" onclick={() => void back(id)}>Put it back</Button>
        </li>
      {/each}
    </ul>
  {/if}
</main>

<style>
  main {
    max-width: 62rem;
    padding: var(--space-4) var(--space-5) var(--space-7);
    margin: 0 auto;
  }

  nav {
    display: flex;
    align-items: center;
    gap: var(--space-4);
  }

  nav a {
    font-family: var(--text-face);
    font-style: italic;
  }

  h1 {
    font-size: var(--size-title);
  }

  .about {
    padding: var(--space-3) 0;
    color: var(--ink-soft);
  }

  ul {
    padding: 0;
    margin: 0;
    border-top: 2px solid var(--ink);
    list-style: none;
  }

  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto auto;
    align-items: center;
    gap: var(--space-4);
    padding: var(--space-2) 0;
    border-bottom: 1px solid var(--rule);
  }

  .name {
    font-family: var(--text-face);
    overflow-wrap: anywhere;
  }

  time {
    color: var(--ink-soft);
    font-size: var(--size-body);
  }
</style>
