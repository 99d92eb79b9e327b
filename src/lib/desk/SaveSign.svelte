<script lang="ts">
  import type { SaveState } from './saver.svelte.js';

  let { state }: { state: SaveState } = $props();
  const words = $derived(
    {
      saved: 'Saved',
      pending: 'Writing…',
      saving: 'Saving…',
      failed: 'Not saved',
      conflict: 'Not saved: changed elsewhere',
    }[state.kind],
  );
</script>

<!-- Words of their own each time: the same ones would move as they grow, being set to the right. -->
<p class={state.kind} role="status" data-save={state.kind}>
  {#key words}<span>{words}</span>{/key}
</p>

<style>
  p {
    min-width: 4.75rem;
    font-size: var(--size-small);
    color: var(--ink-soft);
    white-space: nowrap;
    text-align: right;
  }

  .failed,
  .conflict {
    font-weight: 650;
    color: var(--madder);
  }
</style>
