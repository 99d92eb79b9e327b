<script lang="ts">
  import type { CheckState } from '../workers/checker.js';

  let { state }: { state: CheckState } = $props();
  const words = $derived({ done: '', busy: 'Counting…', 'gave-up': 'Not counted', failed: 'Not counted' }[state]);
  /** An answer within a tenth of a second or two is not worth a word. */
  const shown = $derived(words !== '');
</script>

{#if shown}<p class={state} role="status" data-check={state}>{words}</p>{/if}

<style>
  p {
    font-size: var(--size-small);
    color: var(--ink-soft);
    white-space: nowrap;
  }

  .busy {
    animation: late 0.01s 0.4s both;
  }

  @keyframes late {
    from {
      visibility: hidden;
    }
  }

  .gave-up,
  .failed {
    font-weight: 650;
    color: var(--madder);
  }
</style>
