<script lang="ts">
  import Field from '../../../lib/components/Field.svelte';
  import PlainPage from '../../../lib/components/PlainPage.svelte';
  import { setPassword } from '../../../lib/people/asking.js';
  import DoorForm from '../../../lib/people/DoorForm.svelte';
  import NewPassword from '../../../lib/people/NewPassword.svelte';
  import type { PageProps } from './$types.js';

  let { data, params }: PageProps = $props();
  let password = $state('');
</script>

<svelte:head><title>Your password · Dostik</title></svelte:head>

{#if data.person}
  <PlainPage heading="Welcome, {data.person.name}" above="Dostik">
    <p>Choose the password that you sign in with from now on.</p>
    <DoorForm to="Keep it, and go in" on="/" enter={() => setPassword(params.secret, password)}>
      <!-- Password managers keep the two together. -->
      <Field label="Mail address" value={data.person.mail} autocomplete="username" readonly />
      <NewPassword bind:password />
    </DoorForm>
  </PlainPage>
{:else}
  <PlainPage heading="This leads nowhere" above="Dostik">
    <p>
      This address leads nowhere, or not any more: each holds for a week, and once. Ask for another where it came from,
      or <a href="/enter">sign in</a>.
    </p>
  </PlainPage>
{/if}
