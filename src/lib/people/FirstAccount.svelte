<script lang="ts">
  import Field from '../components/Field.svelte';
  import { makeFirst } from './asking.js';
  import DoorForm from './DoorForm.svelte';
  import NewPassword from './NewPassword.svelte';

  /** @prop word it is made from outside: the word of the terminal is asked for */
  let { word: asked, on }: { word: boolean; on: string } = $props();
  let word = $state('');
  let name = $state('');
  let mail = $state('');
  let password = $state('');
</script>

<DoorForm to="Make the account" {on} enter={() => makeFirst({ word, name, mail, password })}>
  {#if asked}
    <Field
      label="Word"
      bind:value={word}
      hint="It stands on the terminal where the server was started."
      autocomplete="off"
      required
    />
  {/if}
  <Field label="Name" bind:value={name} autocomplete="name" maxlength={80} required />
  <Field label="Mail address" bind:value={mail} type="email" autocomplete="username" maxlength={200} required />
  <NewPassword bind:password />
</DoorForm>
