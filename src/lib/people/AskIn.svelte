<script lang="ts">
  import { troubleIn } from '../client.js';
  import Button from '../components/Button.svelte';
  import Dialog from '../components/Dialog.svelte';
  import Field from '../components/Field.svelte';
  import Select from '../components/Select.svelte';
  import type { JoiningAddress, Role } from '../people.js';
  import { invite } from './asking.js';
  import { ROLE_NAMES, ROLE_WORDS } from './roles.js';

  interface Props {
    /** Nobody else is in the house yet. */
    alone: boolean;
    onmade: (name: string, address: JoiningAddress) => void;
    onclose: () => void;
  }

  let { alone, onmade, onclose }: Props = $props();
  let name = $state('');
  let mail = $state('');
  let role = $state<Role>('editor');
  let trouble = $state('');
  let busy = $state(false);

  async function askIn(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    busy = true;
    trouble = '';
    try {
      onmade(name.trim(), await invite({ name, mail, role }));
    } catch (error) {
      trouble = troubleIn(error);
    }
    busy = false;
  }
</script>

<Dialog title="Ask somebody in" {onclose}>
  <form onsubmit={(event) => void askIn(event)}>
    <Field label="Name" bind:value={name} maxlength={80} required />
    <Field label="Mail address" bind:value={mail} type="email" maxlength={200} required />
    <Select label="What they are" shown value={role} options={ROLE_NAMES} chosen={(value: Role) => (role = value)} />
    <p class="soft">
      {ROLE_WORDS[role]}
      {alone ? 'From now on everybody signs in, you too.' : ''}
    </p>
    {#if trouble}<p class="trouble" role="alert">{trouble}</p>{/if}
    <p class="doing">
      <Button type="submit" weight="firm" disabled={busy}>Make the address</Button>
      <Button onclick={onclose}>Leave it</Button>
    </p>
  </form>
</Dialog>

<style>
  form {
    display: grid;
    gap: var(--space-3);
  }

  .soft {
    color: var(--ink-soft);
  }

  .trouble {
    color: var(--madder);
  }

  .doing {
    display: flex;
    gap: var(--space-2);
    margin-top: var(--space-3);
  }
</style>
