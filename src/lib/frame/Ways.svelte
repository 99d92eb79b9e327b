<script lang="ts">
  import { onMount } from 'svelte';
  import { offering, type House } from './house.svelte.js';

  let { house }: { house: House } = $props();
  // svelte-ignore state_referenced_locally
  const { person } = house;
  offering(person ? { 'sign-out': () => void leave() } : {});
  /** The server does not know the name yet when it draws the page. */
  let alive = $state(false);
  onMount(() => void (alive = true));

  async function leave(): Promise<void> {
    const { leaveHouse } = await import('../people/leaving.js');
    await leaveHouse();
  }
</script>

<!-- Out of the house, and to anywhere in it. -->
<div>
  {#if alive && person}
    <a href="/account" title="Your account">{person.name}</a>
    <button type="button" title="Alt Shift X" onclick={() => house.run('sign-out')}
      >Sign out<span class="unseen">&nbsp;{person.name}</span></button
    >
  {/if}
  <button type="button" onclick={() => house.run('finder')}>Go to…<kbd>Alt A</kbd></button>
</div>

<style>
  div {
    display: flex;
    justify-self: end;
    gap: var(--space-4);
    padding: 0 var(--space-4) 0 var(--space-3);
    color: var(--ink-soft);
    font-size: var(--size-small);
    white-space: nowrap;
  }

  a {
    align-self: center;
    max-width: 12rem;
    overflow: hidden;
    color: inherit;
    text-decoration: none;
    text-overflow: ellipsis;
  }

  button {
    min-height: 100%;
  }

  a:hover,
  button:hover {
    color: var(--woad);
    text-decoration: underline;
  }

  button:focus-visible {
    outline-offset: -2px;
  }

  kbd {
    margin-left: 0.6em;
    font-family: inherit;
    font-weight: 400;
  }

  @media (max-width: 720px) {
    a,
    kbd {
      display: none;
    }
  }
</style>
