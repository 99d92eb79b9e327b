<script lang="ts">
  import { goto } from '$app/navigation';
  import Button from '../components/Button.svelte';
  import Dialog from '../components/Dialog.svelte';
  import { takeIn, troubleIn } from '../client.js';
  import { nameOfFile, type ReadFile } from '../readFile.js';

  interface Props extends ReadFile {
    /** Puts the text in the place of the pattern's. */
    replace: (text: string) => void;
    onclose: () => void;
  }

  let { file, text, encoding, replace, onclose }: Props = $props();
  let problem = $state('');
  let busy = $state(false);
  const lines = $derived(text.trimEnd().split('\n'));
  const SHOWN = 6;

  async function asOwn(): Promise<void> {
    busy = true;
    try {
      await goto(`/desk/${await takeIn(text, nameOfFile(file))}`);
    } catch (error) {
      problem = troubleIn(error);
      busy = false;
    }
  }
</script>

<Dialog title="A file for this pattern?" {onclose}>
  <p class="about">
    “{file}”: {lines.length.toLocaleString('en')}
    {lines.length === 1 ? 'line' : 'lines'}{encoding === 'UTF-8' ? '' : `, read as ${encoding}`}. It begins:
  </p>
  <pre>{lines.slice(0, SHOWN).join('\n')}{lines.length > SHOWN ? '\n…' : ''}</pre>
  {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
  <div class="ends">
    <Button weight="firm" disabled={busy} onclick={() => void asOwn()}>Take it in as a pattern of its own</Button>
    <Button disabled={busy} onclick={() => replace(text)}>Put it in place of this text</Button>
    <Button weight="quiet" onclick={onclose}>Neither</Button>
  </div>
  <p class="soft">What it takes the place of can be had back with Undo.</p>
</Dialog>

<style>
  .about {
    overflow-wrap: anywhere;
  }

  pre {
    max-height: 12rem;
    padding: var(--space-3);
    margin: var(--space-3) 0 var(--space-4);
    overflow: auto;
    background: var(--paper-sunk);
    font-family: var(--text-face);
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }

  .problem {
    margin-bottom: var(--space-3);
    color: var(--madder);
  }

  .ends {
    display: grid;
    justify-items: start;
    gap: var(--space-3);
  }

  .soft {
    margin-top: var(--space-3);
    font-size: var(--size-small);
    color: var(--ink-soft);
  }
</style>
