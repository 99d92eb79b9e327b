<script lang="ts">
  import type { CheckState } from '../workers/checker.js';

  let { state }: { state: CheckState } = $props();
  /** What the check is doing, and whether it could. */
  const words = $derived(
    { done: 'Counted', busy: 'Counting…', 'gave-up': 'Given up', failed: 'Not counted', unfetched: 'Not counted' }[
      state
    ],
  );
</script>

<p class={state} role="status" data-check={state}>
  <!-- An answer within a moment is not worth a word: until then it stays as it was. -->
  {#if state === 'busy'}<span class="before">Counted</span><span class="now">{words}</span>{:else}{words}{/if}
</p>

<style>
  p {
    display: grid;
    min-width: 4.75rem;
    text-align: right;
    font-size: var(--size-small);
    color: var(--ink-soft);
    white-space: nowrap;
  }

  span {
    grid-area: 1 / 1;
  }

  .now {
    animation: late 0.01s 0.4s both;
  }

  .before {
    animation: gone 0.01s 0.4s both;
  }

  @keyframes late {
    from {
      visibility: hidden;
    }
  }

  @keyframes gone {
    to {
      visibility: hidden;
    }
  }

  .gave-up,
  .unfetched,
  .failed {
    font-weight: 650;
    color: var(--madder);
  }

  @media (max-width: 720px) {
    .done {
      display: none;
    }
  }
</style>
