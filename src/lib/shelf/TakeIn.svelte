<script lang="ts">
  import { goto } from '$app/navigation';
  import Button from '../components/Button.svelte';
  import Dialog from '../components/Dialog.svelte';
  import Field from '../components/Field.svelte';
  import { takeIn, troubleIn } from '../client.js';
  import { intakeSchema } from '../patterns.js';

  interface Props {
    onclose: () => void;
    text?: string;
    name?: string;
  }

  let { onclose, text: given = '', name: called = '' }: Props = $props();
  // svelte-ignore state_referenced_locally
  let text = $state(given);
  // svelte-ignore state_referenced_locally
  let name = $state(called);
  let problem = $state('');
  let busy = $state(false);
  let form = $state<HTMLFormElement>();

  const SAMPLE = 'HEAD\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)';

  /** Enter makes a new line in the text; with Control or Command it takes the text in. */
  function onkeydown(event: KeyboardEvent): void {
    if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) form?.requestSubmit();
  }

  async function submit(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    const read = intakeSchema.safeParse({ text, name });
    if (!read.success) {
      problem = read.error.issues[0]?.message ?? '';
      return;
    }
    busy = true;
    problem = '';
    try {
      await goto(`/desk/${await takeIn(read.data.text, read.data.name)}`);
    } catch (error) {
      problem = `${troubleIn(error)} Your text is still here.`;
    } finally {
      busy = false;
    }
  }
</script>

<svelte:window {onkeydown} />

<Dialog title="Take in a pattern" {onclose} wide>
  <form bind:this={form} onsubmit={submit}>
    <Field
      label="Pattern text"
      bind:value={text}
      lines={14}
      {problem}
      placeholder={SAMPLE}
      hint="Paste it as it came. US or UK terms, words or letters: it is read as written. Ctrl Enter takes it in."
    />
    <Field label="Name" bind:value={name} placeholder="The first line of the text" />
    <div class="ends">
      <Button type="submit" weight="firm" disabled={busy}>Take in</Button>
      <Button weight="quiet" onclick={onclose}>Not now</Button>
    </div>
  </form>
</Dialog>

<style>
  form {
    display: grid;
    gap: var(--space-4);
  }

  .ends {
    display: flex;
    gap: var(--space-3);
  }
</style>
