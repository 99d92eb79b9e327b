<script lang="ts">
  import Button from '../components/Button.svelte';
  import Dialog from '../components/Dialog.svelte';
  import Field from '../components/Field.svelte';
  import { renameSchema } from '../patterns.js';

  interface Props {
    name: string;
    chosen: (name: string) => void;
    onclose: () => void;
  }

  let { name, chosen, onclose }: Props = $props();
  // svelte-ignore state_referenced_locally
  let value = $state(name);
  let problem = $state('');

  function submit(event: SubmitEvent): void {
    event.preventDefault();
    const read = renameSchema.safeParse({ name: value });
    if (read.success) chosen(read.data.name);
    else problem = read.error.issues[0]?.message ?? '';
  }
</script>

<Dialog title="Rename" {onclose}>
  <form onsubmit={submit}>
    <Field label="Name of the pattern" bind:value {problem} />
    <div>
      <Button type="submit" weight="firm">Rename</Button>
      <Button weight="quiet" onclick={onclose}>Leave it</Button>
    </div>
  </form>
</Dialog>

<style>
  form {
    display: grid;
    gap: var(--space-4);
  }

  div {
    display: flex;
    gap: var(--space-3);
  }
</style>
