<script lang="ts">
  import { updated } from '$app/state';
  import Button from './Button.svelte';

  let later = $state(false);
</script>

{#if updated.current && !later}
  <div role="status">
    <p>Dostik was updated. What you do here is still saved.</p>
    <Button weight="quiet" onclick={() => location.reload()}>Load the new one</Button>
    <Button weight="quiet" onclick={() => (later = true)}>Later</Button>
  </div>
{/if}

<style>
  div {
    position: fixed;
    z-index: 20;
    right: var(--space-4);
    bottom: var(--space-4);
    display: flex;
    align-items: center;
    gap: var(--space-3);
    padding: var(--space-2) var(--space-4);
    border: 1px solid var(--woad);
    border-radius: var(--radius);
    background: var(--woad-wash);
    font-size: var(--size-body);
    box-shadow: var(--lift);
  }

  @media (max-width: 480px) {
    div {
      left: var(--space-4);
      flex-wrap: wrap;
    }
  }
</style>
