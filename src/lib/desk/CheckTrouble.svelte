<script lang="ts">
  import TroubleBar from '../components/TroubleBar.svelte';
  import type { CheckTrouble } from '../workers/checker.js';

  interface Props {
    state: CheckTrouble;
    text: string;
    again: () => void;
  }

  let { state, text, again }: Props = $props();

  /** Lines that no round needs. */
  const LONG = 2000;
  const longest = $derived.by(() => {
    let found = { line: 0, length: 0 };
    text.split('\n').forEach(({ length }, i) => {
      if (length > found.length) found = { line: i + 1, length };
    });
    return found;
  });
</script>

<TroubleBar {again}>
  {#if state === 'gave-up'}
    <strong>Counting was given up: this text takes too long.</strong>
    {longest.length > LONG
      ? `Line ${longest.line} is ${longest.length.toLocaleString('en')} characters long: give each round a line of its own.`
      : 'Take its parts in as patterns of their own.'}
    What is typed is saved; counting is tried again when you pause.
  {:else if state === 'unfetched'}
    <strong>Nothing is counted: the part of Dostik that reads this text could not be fetched.</strong>
    What is typed is saved; it is fetched again at the next change, or load the page again once there is a connection.
  {:else}
    <strong>Counting failed, by a fault of Dostik and not of the text.</strong>
    What is typed is saved; counting is tried again at the next change.
  {/if}
</TroubleBar>
