<script lang="ts">
  import Button from '../../lib/components/Button.svelte';
  import Field from '../../lib/components/Field.svelte';
  import PlainPage from '../../lib/components/PlainPage.svelte';
  import { changePassword } from '../../lib/people/asking.js';
  import DoorForm from '../../lib/people/DoorForm.svelte';
  import { leaveHouse } from '../../lib/people/leaving.js';
  import NewPassword from '../../lib/people/NewPassword.svelte';
  import Passkeys from '../../lib/people/Passkeys.svelte';
  import { ROLE_NAMES } from '../../lib/people/roles.js';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
  const { name, mail, role } = $derived(data.person);
  const what = $derived(ROLE_NAMES.find(({ value }) => value === role)?.text ?? role);
  let before = $state('');
  let password = $state('');
</script>

<svelte:head><title>Your account · Dostik</title></svelte:head>

<PlainPage heading={name} above="Your account">
  <p>{what}, known by {mail}.</p>
  <h2>Another password</h2>
  <p>With another one you are signed out everywhere but here.</p>
  <DoorForm to="Set it" on="/account" enter={() => changePassword({ before, password })}>
    <input type="hidden" autocomplete="username" value={mail} />
    <Field label="Password so far" bind:value={before} type="password" autocomplete="current-password" required />
    <NewPassword bind:password label="New password" />
  </DoorForm>
  <Passkeys passkeys={data.passkeys} />
  <p class="ways"><a href="/">Back to work</a> <Button onclick={() => void leaveHouse()}>Sign out</Button></p>
</PlainPage>

<style>
  h2 {
    margin-top: var(--space-5);
    font-size: var(--size-title);
  }

  .ways {
    display: flex;
    align-items: center;
    gap: var(--space-4);
    margin-top: var(--space-5);
  }
</style>
