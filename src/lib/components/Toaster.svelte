<script lang="ts">
  import { toasts } from './toasts.svelte.js';
</script>

<div class="toaster" role="status" aria-live="polite">
  {#each toasts.list as { id, text, action } (id)}
    <p>
      <span>{text}</span>
      {#if action}
        <button
          type="button"
          onclick={() => {
            toasts.dismiss(id);
            action.act();
          }}>{action.text}</button
        >
      {/if}
    </p>
  {/each}
</div>

<style>
  .toaster {
    position: fixed;
    z-index: 30;
    left: 50%;
    bottom: var(--space-5);
    translate: -50% 0;
    display: grid;
    gap: var(--space-2);
    width: max-content;
    max-width: calc(100vw - 2rem);
  }

  p {
    display: flex;
    align-items: center;
    gap: var(--space-4);
    padding: var(--space-2) var(--space-4);
    border-radius: var(--radius);
    background: var(--ink);
    color: var(--paper);
    font-size: var(--size-body);
    box-shadow: var(--lift);
  }

  span {
    overflow: hidden;
    text-overflow: ellipsis;
  }

  button {
    padding: var(--space-1);
    font-weight: 650;
    text-decoration: underline;
    text-underline-offset: 0.2em;
  }

  button:focus-visible {
    outline-color: var(--paper);
  }
</style>
