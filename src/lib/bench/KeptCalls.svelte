<script lang="ts">
  import BenchPage from './BenchPage.svelte';
  import { onMount } from 'svelte';
  import { Keep, type KeptCall } from './keep.js';

  let calls = $state.raw<readonly (KeptCall & { readonly waiting: number })[] | null>(null);
  let trouble = $state('');

  async function look(): Promise<void> {
    const keep = await Keep.open();
    const kept = await keep.calls();
    calls = await Promise.all(
      kept
        .toSorted((a, b) => b.at - a.at)
        .map(async (call) => ({ ...call, waiting: await keep.waitingCount(call.secret) })),
    );
    keep.close();
  }
  onMount(() => {
    look().catch(() => (trouble = 'This browser keeps nothing, as in a private window.'));
  });
</script>

<BenchPage heading="Bench">
  {#if trouble}<p role="alert">{trouble}</p>
  {:else if calls?.length === 0}
    <p>No test is on this device yet. Open the address that you were sent; it is found here from then on.</p>
  {:else if calls}
    <p>Tests on this device:</p>
    <ul>
      {#each calls as { secret, call, tester, waiting } (secret)}
        <li>
          <a href="/bench/{secret}"
            ><strong>{call.name}</strong><span
              >{tester === '' ? 'not begun' : `as ${tester}`}{waiting > 0 ? `, ${waiting} still to go up` : ''}</span
            ></a
          >
        </li>
      {/each}
    </ul>
  {/if}
</BenchPage>

<style>
  a {
    display: grid;
    align-content: center;
    min-height: 3.5rem;
    border-top: 1px solid var(--rule-strong);
    text-decoration: none;
  }

  strong {
    font-family: var(--text-face);
    font-weight: 600;
  }

  span {
    color: var(--ink-soft);
    font-size: var(--size-body);
  }
</style>
