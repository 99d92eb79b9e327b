<script lang="ts">
  import { goto, invalidateAll } from '$app/navigation';
  import Button from '../components/Button.svelte';
  import Dialog from '../components/Dialog.svelte';
  import Field from '../components/Field.svelte';
  import { takeInFile, troubleIn } from '../client.js';

  let { id, onclose }: { id: string; onclose: () => void } = $props();
  let text = $state('');
  let problem = $state('');
  let busy = $state(false);

  async function take(file: Blob, name: string): Promise<void> {
    busy = true;
    try {
      const came = await takeInFile(file, name, { pattern: id });
      if ('id' in came) {
        onclose();
        await goto(`/drafts/${id}`, { invalidateAll: true });
        await invalidateAll();
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
    if (file) void take(file, file.name);
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
        onclick={() => void take(new Blob([text], { type: 'text/plain' }), 'pasted.txt')}>Take it in</Button
      >
      <Button weight="quiet" onclick={onclose}>Cancel</Button>
    </div>
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

  .soft {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }
</style>
