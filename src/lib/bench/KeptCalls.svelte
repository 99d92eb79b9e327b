<script lang="ts">
  import Button from '../components/Button.svelte';
  import PlainPage from '../components/PlainPage.svelte';
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import type { OwnTest } from '../bench.js';
  import { houseOf } from '../frame/house.svelte.js';
  import { Keep, type KeptCall } from './keep.js';
  import { furtherDevice, NotSent, ownTests } from './post.js';

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
  /** Of who is signed in, those that are not on this device yet. */
  let elsewhere = $state.raw<readonly OwnTest[]>([]);
  const house = houseOf();

  async function leave(): Promise<void> {
    const { leaveHouse } = await import('../people/leaving.js');
    await leaveHouse();
  }

  async function lookFurther(): Promise<void> {
    const own = await ownTests();
    elsewhere = own.filter(({ secret }) => !calls?.some((one) => one.secret === secret));
  }

  async function goOn({ secret }: OwnTest): Promise<void> {
    try {
      const { token } = await furtherDevice(secret);
      await goto(`/bench/${secret}#${token}`);
    } catch (error) {
      trouble = error instanceof NotSent ? error.message : 'This did not work. Try it once more.';
    }
  }

  onMount(() => {
    // Without a network what is on this device is enough.
    if (house.person) lookFurther().catch(() => undefined);
    look().catch(() => (trouble = 'This browser keeps nothing, as in a private window.'));
  });
</script>

<PlainPage heading="Bench">
  {#if trouble}<p role="alert">{trouble}</p>
  {:else if calls?.length === 0 && elsewhere.length === 0}
    <p>No test is on this device yet. Open the address that you were sent; it is found here from then on.</p>
  {/if}
  {#if calls && calls.length > 0}
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
  {#if elsewhere.length > 0}
    <p>Tests that you have joined on another device:</p>
    <ul>
      {#each elsewhere as one (one.secret)}
        <li>
          <button type="button" onclick={() => void goOn(one)}
            ><strong>{one.name}</strong><span>as {one.tester}</span></button
          >
        </li>
      {/each}
    </ul>
  {/if}
  {#if house.person}
    <p class="leave">
      <a href="/account">Your account</a>
      <Button weight="quiet" onclick={() => void leave()}>Sign out {house.person.name}</Button>
    </p>
  {/if}
</PlainPage>

<style>
  a,
  button {
    display: grid;
    width: 100%;
    text-align: left;
    align-content: center;
    min-height: 3.5rem;
    border-top: 1px solid var(--rule-strong);
    text-decoration: none;
  }

  .leave {
    margin-top: var(--space-5);
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
