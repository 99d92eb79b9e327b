<script lang="ts">
  import type { Snippet } from 'svelte';
  import { modal } from './modal.js';

  interface Props {
    title: string;
    /** Called when it is closed by Escape or by its own buttons. */
    onclose: () => void;
    /** Wide enough for a manuscript. */
    wide?: boolean;
    children: Snippet;
  }

  let { title, onclose, wide = false, children }: Props = $props();
</script>

<dialog
  class:wide
  aria-labelledby="dialog-title"
  {@attach modal}
  oncancel={(event) => {
    event.preventDefault();
    onclose();
  }}
>
  <h2 id="dialog-title">{title}</h2>
  {@render children()}
</dialog>

<style>
  dialog {
    width: min(32rem, calc(100vw - 2rem));
    max-height: calc(100dvh - 2rem);
    padding: var(--space-5);
    border: 1px solid var(--rule-strong);
    border-radius: var(--radius);
    background: var(--paper);
    color: var(--ink);
    box-shadow: var(--lift);
  }

  .wide {
    width: min(48rem, calc(100vw - 2rem));
  }

  dialog::backdrop {
    background: rgb(28 22 15 / 45%);
  }

  h2 {
    font-size: var(--size-title);
    margin-bottom: var(--space-4);
  }
</style>
