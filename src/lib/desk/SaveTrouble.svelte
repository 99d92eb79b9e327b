<script lang="ts">
  import Button from '../components/Button.svelte';
  import type { SaveState } from './saver.svelte.js';

  let { state, again }: { state: Extract<SaveState, { kind: 'failed' }>; again: () => void } = $props();
</script>

<div role="alert">
  <p>
    <strong>Not saved.</strong>
    {state.why}
    {state.kept
      ? 'Your text is kept in this browser'
      : 'This browser has no room to keep your text: copy it before you leave'}{state.again
      ? ', and saving is tried again by itself.'
      : '.'}
  </p>
  <Button weight="quiet" onclick={again}>Try now</Button>
</div>

<style>
  div {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: var(--space-4);
    padding: var(--space-2) var(--space-4);
    background: var(--madder-wash);
    font-size: var(--size-body);
  }
</style>
