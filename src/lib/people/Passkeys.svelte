<script lang="ts">
  import { onMount } from 'svelte';
  import { troubleIn } from '../client.js';
  import Button from '../components/Button.svelte';
  import Field from '../components/Field.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import When from '../components/When.svelte';
  import { loadAnew } from '../loadAnew.js';
  import type { Passkey } from '../people.js';
  import { addPasskey, mayHavePasskeys, passkeyTrouble, removePasskey } from './asking.js';

  let { passkeys }: { passkeys: readonly Passkey[] } = $props();
  let name = $state('');
  let trouble = $state('');
  let busy = $state(false);
  /** Known only in the browser. */
  let possible = $state<boolean | null>(null);
  onMount(() => void (possible = mayHavePasskeys()));

  async function add(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    busy = true;
    trouble = '';
    try {
      await addPasskey(name);
      name = '';
      await loadAnew('all');
    } catch (error) {
      trouble = passkeyTrouble(error);
    }
    busy = false;
  }

  async function takeOut(one: Passkey): Promise<void> {
    try {
      await removePasskey(one.id);
      toasts.say(`“${one.name}” signs nobody in any more.`);
    } catch (error) {
      toasts.say(troubleIn(error));
    }
    await loadAnew('all');
  }
</script>

<h2>Passkeys</h2>
<p>A key that this device keeps signs you in without a password, by a finger, a face or a code of the device.</p>
{#if passkeys.length > 0}
  <ul>
    {#each passkeys as one (one.id)}
      <li>
        <span
          ><strong>{one.name}</strong>{#if one.at !== null}<small>made <When at={one.at} /></small>{/if}</span
        >
        <Button weight="quiet" onclick={() => void takeOut(one)}
          >Take out<span class="unseen">&nbsp;{one.name}</span></Button
        >
      </li>
    {/each}
  </ul>
{/if}
{#if possible === false}
  <p class="soft">There can be none here: a key is for the name of a server, asked for by https.</p>
{:else}
  <form onsubmit={(event) => void add(event)}>
    <Field
      label="What this device is called"
      bind:value={name}
      maxlength={60}
      placeholder="Laptop at the desk"
      problem={trouble}
      required
    />
    <Button type="submit" disabled={busy || possible === null}>Make a key</Button>
  </form>
{/if}

<style>
  h2 {
    margin-top: var(--space-5);
    font-size: var(--size-title);
  }

  ul {
    margin-top: var(--space-2);
    border-top: 1px solid var(--rule);
  }

  li {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: var(--space-3);
    border-bottom: 1px solid var(--rule);
    overflow-wrap: anywhere;
  }

  small {
    margin-left: 0.6em;
  }

  small,
  .soft {
    color: var(--ink-soft);
  }

  form {
    display: grid;
    gap: var(--space-3);
    justify-items: start;
    margin-top: var(--space-3);
  }

  form :global(.field) {
    width: 100%;
  }
</style>
