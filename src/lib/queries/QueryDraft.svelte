<script lang="ts">
  import { untrack } from 'svelte';
  import Button from '../components/Button.svelte';
  import Field from '../components/Field.svelte';

  interface Props {
    /** What it is about, in the pattern's own words; empty for the whole pattern. */
    words: string;
    text: string;
    proposal: string;
    keep: (text: string, proposal: string) => Promise<boolean>;
    cancel: () => void;
  }

  let { words, text, proposal, keep, cancel }: Props = $props();
  // From here on they are what a person makes of them.
  let own = $state(untrack(() => text));
  let line = $state(untrack(() => proposal));
  let busy = $state(false);
  const empty = $derived(own.trim() === '');

  async function done(): Promise<void> {
    if (empty || busy) return;
    busy = true;
    busy = !(await keep(own.trim(), line.trim()));
    busy = false;
  }

  function focusField(form: HTMLFormElement): void {
    const field = form.querySelector('textarea');
    field?.focus();
    field?.setSelectionRange(0, 0);
  }
</script>

<!-- svelte-ignore a11y_no_noninteractive_element_interactions (its keys are those of its fields) -->
<form
  aria-label="Query"
  {@attach focusField}
  onsubmit={(event) => {
    event.preventDefault();
    void done();
  }}
  onkeydown={(event) => {
    if (event.key === 'Escape') cancel();
    else if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) void done();
    else return;
    event.preventDefault();
    event.stopPropagation();
  }}
>
  {#if words}<blockquote>{words.trim()}</blockquote>{/if}
  <Field label="What to ask" bind:value={own} lines={6} />
  <Field label="Proposed instead" bind:value={line} lines={2} hint="Empty where the designer has to say it." />
  <div class="ends">
    <Button type="submit" weight="firm" disabled={empty || busy} title="Ctrl Enter">Keep</Button>
    <Button weight="quiet" title="Esc" onclick={cancel}>Cancel</Button>
  </div>
</form>

<style>
  form {
    display: grid;
    align-content: start;
    gap: var(--space-3);
    padding: var(--space-3) var(--space-2);
  }

  blockquote {
    max-height: 6rem;
    padding-left: var(--space-3);
    margin: 0;
    overflow-y: auto;
    border-left: 3px solid var(--woad);
    font-family: var(--text-face);
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }

  .ends {
    display: flex;
    gap: var(--space-3);
  }
</style>
