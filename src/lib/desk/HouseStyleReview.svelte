<script lang="ts">
  import type { Styled } from '../../core/index.js';
  import Button from '../components/Button.svelte';
  import Dialog from '../components/Dialog.svelte';

  interface Props {
    /** Whether a house style has been set at all. */
    set: boolean;
    ask: () => Promise<Styled> | null;
    apply: (text: string) => void;
    onclose: () => void;
  }

  let { set, ask, apply, onclose }: Props = $props();
  // svelte-ignore state_referenced_locally
  const styled = ask();
</script>

<Dialog title="Set in house style" wide {onclose}>
  {#if !set}
    <p>No house style has been set yet. <a href="/style">Set one by hand, or learn it from a pattern</a>.</p>
    <footer><Button onclick={onclose}>Close</Button></footer>
  {:else if styled}
    {#await styled}
      <p>Writing it anew, and counting it again …</p>
    {:then { text, lines, left, proved }}
      {#if !proved}
        <p>Counted again, the pattern would not come out the same. Nothing is changed.</p>
      {:else if lines.length === 0}
        <p>The pattern is in house style.</p>
      {:else}
        <p>
          {lines.length === 1 ? 'One line changes' : `${lines.length} lines change`}; counted again, every round comes
          out as before. It is one change, and can be undone.
        </p>
      {/if}
      {#if left > 0}
        <p class="left">
          {left === 1 ? 'One place stays as it is' : `${left} places stay as they are`}: written otherwise, the same
          could not be read from {left === 1 ? 'it' : 'them'}.
        </p>
      {/if}
      {#if lines.length > 0}
        <div class="lines" tabindex="-1">
          {#each lines as { line, before, after } (line)}
            <span class="number">{line}</span>
            <del>{before}</del>
            <ins>{after}</ins>
          {/each}
        </div>
      {/if}
      <footer>
        {#if proved && lines.length > 0}<Button weight="firm" onclick={() => apply(text)}>Set it so</Button>{/if}
        <Button onclick={onclose}>{proved && lines.length > 0 ? 'Leave it' : 'Close'}</Button>
      </footer>
    {:catch}
      <p>The house style could not be worked out. Nothing is changed.</p>
      <footer><Button onclick={onclose}>Close</Button></footer>
    {/await}
  {/if}
</Dialog>

<style>
  p {
    padding-bottom: var(--space-3);
  }

  .left {
    color: var(--ink-soft);
  }

  .lines {
    display: grid;
    grid-template-columns: 2.5rem minmax(0, 1fr) minmax(0, 1fr);
    gap: var(--space-1) var(--space-3);
    max-height: 55vh;
    overflow-y: auto;
    font-family: var(--text-face);
  }

  .number {
    color: var(--ink-soft);
    font-family: var(--figure-face);
    font-size: var(--size-small);
    text-align: right;
  }

  del {
    color: var(--ink-soft);
    text-decoration: none;
    overflow-wrap: anywhere;
  }

  ins {
    text-decoration: none;
    overflow-wrap: anywhere;
  }

  footer {
    display: flex;
    gap: var(--space-2);
    padding-top: var(--space-4);
  }
</style>
