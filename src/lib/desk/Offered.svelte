<script lang="ts">
  import { goto } from '$app/navigation';
  import Button from '../components/Button.svelte';
  import Dialog from '../components/Dialog.svelte';
  import { takeInFile, troubleIn } from '../client.js';
  import { unlikeness } from '../drafts/unlike.js';
  import { loadAnew } from '../loadAnew.js';
  import type { Dropping } from './dropping.svelte.js';

  interface Props {
    dropping: Dropping;
    /** The pattern that it was dropped on. */
    pattern: string;
    /** Its text as it is now. */
    text: string;
    /** Keeps all that is unsaved. */
    settle?: () => Promise<void>;
  }

  let { dropping, pattern, text, settle }: Props = $props();
  let problem = $state('');
  let busy = $state(false);
  /** Why this may be a draft of another pattern. */
  let unlike = $state('');

  $effect(() => {
    const { offered } = dropping;
    unlike = '';
    if (offered)
      void unlikeness(text, offered.text).then((words) => {
        if (dropping.offered === offered) unlike = words;
      });
  });
  const lines = $derived(dropping.offered?.text.trimEnd().split('\n') ?? []);
  const SHOWN = 6;

  function close(): void {
    dropping.offered = null;
    problem = '';
    busy = false;
  }

  async function take(of: string | null): Promise<void> {
    const { offered } = dropping;
    if (!offered) return;
    busy = true;
    try {
      await settle?.();
      const came = await takeInFile(offered.file, offered.name, of === null ? { again: true } : { pattern: of });
      if ('id' in came) {
        close();
        await goto(of === null ? `/intake/${came.id}` : `/drafts/${came.id}`);
        await loadAnew('all');
        return;
      }
      problem = 'message' in came ? came.message : `It is on the shelf already, as “${came.known.name}”.`;
    } catch (error) {
      problem = troubleIn(error);
    }
    busy = false;
  }
</script>

{#if dropping.offered}
  {@const { name, left } = dropping.offered}
  <Dialog title="A file for this pattern?" onclose={close}>
    <p class="about">
      “{name}”: {lines.length.toLocaleString('en')}
      {lines.length === 1 ? 'line' : 'lines'}. {left.join(' ')} It begins:
    </p>
    <pre>{lines.slice(0, SHOWN).join('\n')}{lines.length > SHOWN ? '\n…' : ''}</pre>
    {#if unlike}<p class="problem" role="status">{unlike}</p>{/if}
    {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
    <div class="ends">
      <Button weight={unlike ? 'plain' : 'firm'} disabled={busy} onclick={() => void take(pattern)}
        >Go on with it as the next draft</Button
      >
      <Button weight={unlike ? 'firm' : 'plain'} disabled={busy} onclick={() => void take(null)}
        >Take it in as a pattern of its own</Button
      >
      <Button weight="quiet" onclick={close}>Neither</Button>
    </div>
    <p class="soft">
      The text that a draft takes the place of is kept, and what was put right at the intake still holds.
    </p>
  </Dialog>
{/if}

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
