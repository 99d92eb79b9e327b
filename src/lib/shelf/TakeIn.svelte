<script lang="ts">
  import { goto } from '$app/navigation';
  import Button from '../components/Button.svelte';
  import Dialog from '../components/Dialog.svelte';
  import Field from '../components/Field.svelte';
  import { readOut, takeIn, troubleIn } from '../client.js';
  import { filesIn, type NamedFile } from '../dropped.js';
  import { intakeSchema } from '../patterns.js';

  interface Props {
    /** Takes in files that were chosen. */
    files: (files: NamedFile[]) => void;
    onclose: () => void;
  }

  let { files, onclose }: Props = $props();
  let text = $state('');
  let name = $state('');
  let problem = $state('');
  let busy = $state(false);
  let form = $state<HTMLFormElement>();
  let chooser = $state<HTMLInputElement>();

  const SAMPLE = 'HEAD\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)';

  /** Enter makes a new line in the text; with Control or Command it takes the text in. */
  function onkeydown(event: KeyboardEvent): void {
    if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) form?.requestSubmit();
  }

  /** Rich text is read as a document is: its tables and lists survive. */
  async function onpaste(event: ClipboardEvent): Promise<void> {
    const html = event.clipboardData?.getData('text/html') ?? '';
    const field = event.target;
    if (!/<(?:table|ol|ul)\b/i.test(html) || !(field instanceof HTMLTextAreaElement)) return;
    event.preventDefault();
    const plain = event.clipboardData?.getData('text/plain') ?? '';
    const [from, to] = [field.selectionStart, field.selectionEnd];
    busy = true;
    const read = await readOut(new Blob([html]), 'pasted.html').catch(() => null);
    busy = false;
    text = text.slice(0, from) + (read?.text ?? plain) + text.slice(to);
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
      await goto(`/intake/${await takeIn(read.data.text, read.data.name)}`);
    } catch (error) {
      problem = `${troubleIn(error)} Your text is still here.`;
    } finally {
      busy = false;
    }
  }
</script>

<svelte:window {onkeydown} />

<Dialog title="Take in a pattern" {onclose} wide>
  <form bind:this={form} onsubmit={submit} onpaste={(event) => void onpaste(event)}>
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
      <Button onclick={() => chooser?.click()}>Choose files…</Button>
      <input
        bind:this={chooser}
        type="file"
        multiple
        hidden
        aria-label="Files"
        onchange={(event) => void filesIn(event).then(files)}
      />
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
