<script lang="ts">
  import Field from '../../lib/components/Field.svelte';
  import PlainPage from '../../lib/components/PlainPage.svelte';
  import { onMount } from 'svelte';
  import { Trouble } from '../../lib/client.js';
  import { mayHavePasskeys, passkeyTrouble, signIn, signInByPasskey } from '../../lib/people/asking.js';
  import DoorForm from '../../lib/people/DoorForm.svelte';
  import FirstAccount from '../../lib/people/FirstAccount.svelte';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
  let mail = $state('');
  let password = $state('');
  /** Known only in the browser. */
  let keys = $state(false);
  onMount(() => void (keys = mayHavePasskeys()));

  async function byKey(): Promise<void> {
    try {
      await signInByPasskey();
    } catch (error) {
      throw new Trouble(passkeyTrouble(error), true);
    }
  }
</script>

<svelte:head><title>{data.first ? 'The first account' : 'Sign in'} · Dostik</title></svelte:head>

{#if data.first}
  <PlainPage heading="The first account" above="Dostik">
    <p>Nobody has an account here yet. Whoever makes the first owns this house, and asks the others in.</p>
    <FirstAccount word on={data.to} />
  </PlainPage>
{:else}
  <PlainPage heading="Sign in" above="Dostik">
    <DoorForm to="Sign in" on={data.to} enter={() => signIn({ mail, password })}>
      <Field label="Mail address" bind:value={mail} type="email" autocomplete="username" required />
      <Field label="Password" bind:value={password} type="password" autocomplete="current-password" required />
    </DoorForm>
    {#if keys}
      <DoorForm aside to="Sign in by a passkey" on={data.to} enter={byKey} />
    {/if}
    <p class="lost">Forgotten? Who owns this house can make you an address to set another by.</p>
  </PlainPage>
{/if}

<style>
  .lost {
    margin-top: var(--space-4);
    color: var(--ink-soft);
  }
</style>
