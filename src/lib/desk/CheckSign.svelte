<script lang="ts">
  import type { CheckState } from '../workers/checker.js';

  let { state }: { state: CheckState } = $props();
  const words = $derived({ done: '', busy: 'Counting…', 'gave-up': 'Not counted', failed: 'Not counted' }[state]);
</script>

<p class={state} role="status" data-check={state}>{words}</p>

<style>
  p {
    min-width: 5.25rem;
    text-align: right;
    font-size: var(--size-small);
    color: var(--ink-soft);
    white-space: nowrap;
  }

  /* An answer within a moment is not worth a word. */
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

  @media (max-width: 720px) {
    p:empty {
      display: none;
    }
  }
</style>
