<script lang="ts">
  import type { Snippet } from 'svelte';
  import { troubleIn } from '../client.js';
  import Button from '../components/Button.svelte';

  interface Props {
    /** What the button says. */
    to: string;
    enter: () => Promise<void>;
    /** Where one goes on to. */
    on: string;
    /** Another way in than the usual one. */
    aside?: boolean;
    children?: Snippet;
  }

  let { to, enter, on, aside = false, children }: Props = $props();
  let busy = $state(false);
  let trouble = $state('');

  async function go(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    busy = true;
    trouble = '';
    try {
      await enter();
      // A page of the house is asked for anew: this one knows nobody.
      location.assign(on);
    } catch (error) {
      trouble = troubleIn(error);
      busy = false;
    }
  }
</script>

<form onsubmit={(event) => void go(event)}>
  {@render children?.()}
  {#if trouble}<p role="alert">{trouble}</p>{/if}
  <Button type="submit" weight={aside ? 'plain' : 'firm'} disabled={busy}>{to}</Button>
</form>

<style>
  form {
    display: grid;
    gap: var(--space-3);
    justify-items: stretch;
    margin-top: var(--space-4);
  }

  form :global(button) {
    justify-content: center;
    min-height: 3rem;
  }

  form :global(input) {
    min-height: 2.75rem;
  }

  p {
    color: var(--madder);
  }
</style>
