<script lang="ts">
  import Button from '../components/Button.svelte';
  import { short } from '../short.js';

  interface Props {
    /** The words that were looked for. */
    words: string;
    /** How many patterns there are. */
    all: number;
    showAll: () => void;
  }

  let { words, all, showAll }: Props = $props();
</script>

<div>
  <p>Nothing on the shelf is like that{words.trim() === '' ? '' : `, and has “${short(words)}” in it`}.</p>
  <Button onclick={showAll}>Show all {all.toLocaleString('en')}</Button>
</div>

<style>
  div {
    display: grid;
    gap: var(--space-3);
    justify-items: start;
    padding: var(--space-6) 0;
    max-width: 34rem;
    color: var(--ink-soft);
  }
</style>
