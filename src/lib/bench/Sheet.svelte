<script lang="ts">
  import type { Snippet } from 'svelte';
  import { modal } from '../components/modal.js';

  interface Props {
    title: string;
    onclose: () => void;
    children: Snippet;
  }

  let { title, onclose, children }: Props = $props();
</script>

<!-- Lies over the round, from below, where the thumb is. -->
<dialog
  aria-labelledby="sheet-title"
  {@attach modal}
  oncancel={(event) => {
    event.preventDefault();
    onclose();
  }}
>
  <header>
    <h2 id="sheet-title">{title}</h2>
    <button type="button" onclick={onclose}>Close</button>
  </header>
  <div>{@render children()}</div>
</dialog>

<style>
  dialog {
    display: grid;
    grid-template-rows: auto minmax(0, 1fr);
    width: min(40rem, 100vw);
    max-width: none;
    max-height: 92dvh;
    padding: 0;
    margin: auto auto 0;
    border: 0;
    border-top: 2px solid var(--ink);
    background: var(--paper);
    color: var(--ink);
  }

  dialog::backdrop {
    background: rgb(20 16 12 / 45%);
  }

  header {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: var(--space-3);
    padding: 0 var(--space-4);
    border-bottom: 1px solid var(--rule);
  }

  h2 {
    font-size: var(--size-text);
  }

  button {
    min-height: 3rem;
    color: var(--woad);
    font-weight: 550;
  }

  div {
    overflow-y: auto;
    padding: var(--space-4);
  }
</style>
