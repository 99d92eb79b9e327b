<script lang="ts">
  import { goto } from '$app/navigation';
  import Button from '../components/Button.svelte';
  import Dialog from '../components/Dialog.svelte';
  import Field from '../components/Field.svelte';
  import { readOut, takeInFile, troubleIn } from '../client.js';
  import { unlikeness } from './unlike.js';

  interface Props {
    id: string;
    /** The pattern's text as it is now. */
    now: string;
    onclose: () => void;
  }

  let { id, now, onclose }: Props = $props();
  let text = $state('');
  let problem = $state('');
  let busy = $state(false);
  /** A file that seems to be of another pattern, and why. */
  let unlike = $state.raw<{ readonly file: Blob; readonly name: string; readonly words: string } | null>(null);

  /** Takes a file in, unless it seems to be of another pattern: that is said first. */
  async function offer(file: Blob, name: string): Promise<void> {
    busy = true;
    unlike = null;
    try {
      const words = await unlikeness(now, (await readOut(file, name)).text);
      if (words === '') await take(file, name, id);
      else unlike = { file, name, words };
    } catch (error) {
      problem = troubleIn(error);
    }
    busy = false;
  }

  /** @param pattern the one that it is a draft of; null for a pattern of its own. */
  async function take(file: Blob, name: string, pattern: string | null): Promise<void> {
    busy = true;
    try {
      const came = await takeInFile(file, name, pattern === null ? { again: true } : { pattern });
      if ('id' in came) {
        onclose();
        await goto(pattern === null ? `/intake/${came.id}` : `/drafts/${id}`, { invalidateAll: true });
        return;
      }
      problem = 'message' in came ? came.message : 'It has come before.';
    } catch (error) {
      problem = troubleIn(error);
    }
    busy = false;
  }

  function chosen(event: Event & { currentTarget: HTMLInputElement }): void {
    const [file] = event.currentTarget.files ?? [];
    if (file) void offer(file, file.name);
  }
</script>

<Dialog title="The next draft" {onclose} wide>
  <div class="next">
    <label class="file"
      >A file
      <input type="file" disabled={busy} onchange={chosen} />
    </label>
    <Field label="Or its text, pasted" bind:value={text} lines={10} {problem} />
    <div class="ends">
      <Button
        weight="firm"
        disabled={busy || text.trim() === ''}
        onclick={() => void offer(new Blob([text], { type: 'text/plain' }), 'pasted.txt')}>Take it in</Button
      >
      <Button weight="quiet" onclick={onclose}>Cancel</Button>
    </div>
    {#if unlike}
      {@const { file, name, words } = unlike}
      <p class="unlike" role="alert">{words}</p>
      <div class="ends">
        <Button disabled={busy} onclick={() => void take(file, name, null)}>Take it in as a pattern of its own</Button>
        <Button disabled={busy} onclick={() => void take(file, name, id)}>It is a draft all the same</Button>
      </div>
    {/if}
    <p class="soft">
      The text on the Desk is kept with the draft before. Ticks and findings put aside stay where nothing has changed.
    </p>
  </div>
</Dialog>

<style>
  .next {
    display: grid;
    gap: var(--space-3);
  }

  .file {
    display: grid;
    gap: var(--space-1);
    font-size: var(--size-small);
    font-weight: 600;
  }

  .ends {
    display: flex;
    gap: var(--space-3);
  }

  .unlike {
    color: var(--madder);
  }

  .soft {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }
</style>
