<script lang="ts">
  import type { Conversion } from '../../core/index.js';
  import Button from '../components/Button.svelte';
  import Problems from './Problems.svelte';
  import type { TermsSession } from './terms.svelte.js';

  let { session, conversion }: { session: TermsSession; conversion: Conversion } = $props();
  const MOST_ASKED = 5;
  const { waiting } = $derived(session);
</script>

<section aria-labelledby="proof">
  <h2 id="proof">{conversion.state === 'proved' ? 'Proved' : 'Not proved'}</h2>
  <p class:wrong={conversion.state === 'unproved'}>{conversion.message}</p>
  <Problems problems={conversion.problems} />
  {#if waiting.length > 0}
    <ul aria-label="Questions">
      {#each waiting.slice(0, MOST_ASKED) as one (one.key)}
        <li>
          <button type="button" class="asked" onclick={() => (session.selected = one.key)}
            >“{one.before}” in line {one.line}: the stitch, or something else?</button
          >
          <Button onclick={() => session.decide(one, one.after)}>{one.after}</Button>
          <Button onclick={() => session.decide(one, one.before)}>leave</Button>
        </li>
      {/each}
    </ul>
    {#if waiting.length > MOST_ASKED}<p>And {waiting.length - MOST_ASKED} more.</p>{/if}
  {/if}
</section>

<style>
  section {
    display: grid;
    gap: var(--space-2);
    justify-items: start;
  }

  h2 {
    font-size: var(--size-body);
    font-weight: 680;
  }

  .wrong {
    color: var(--madder);
  }

  ul {
    display: grid;
    gap: var(--space-2);
    width: 100%;
  }

  li {
    padding: var(--space-2);
    border-left: 3px solid var(--weld);
    background: var(--weld-wash);
  }

  .asked {
    display: block;
    padding: 0 0 var(--space-1);
    color: var(--ink);
    font-size: var(--size-small);
  }
</style>
