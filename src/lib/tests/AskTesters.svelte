<script lang="ts" module>
  /** What holds for every toy with small parts. */
  const SMALL_PARTS =
    'Safety eyes and other small parts can come off and be swallowed. Don’t give the toy to a child under three; embroider them instead.';
</script>

<script lang="ts">
  import { NOTHING_WANTED } from '../bench.js';
  import { troubleIn } from '../client.js';
  import Button from '../components/Button.svelte';
  import type { StoredPattern } from '../patterns.js';
  import { openCall } from './asking.js';

  interface Props {
    pattern: StoredPattern;
    /** None was asked for before. */
    first: boolean;
    onasked: (number: number) => Promise<void>;
    onclose: () => void;
  }

  let { pattern, first, onasked, onclose }: Props = $props();
  let wanted = $state({ ...NOTHING_WANTED, smallParts: SMALL_PARTS });
  let trouble = $state('');
  let busy = $state(false);

  const FIELDS = [
    { name: 'yarn', label: 'Yarn', hint: 'Whatever they have at hand, if left empty' },
    { name: 'hook', label: 'Hook', hint: '3 mm, or what gives the gauge' },
    { name: 'gauge', label: 'Gauge', hint: '24 sts to 10 cm' },
    { name: 'photographs', label: 'Photographs of', hint: 'Front, side, and where it was hard' },
  ] as const;

  async function ask(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    busy = true;
    trouble = '';
    try {
      await onasked(await openCall(pattern.id, wanted));
    } catch (error) {
      trouble = troubleIn(error);
    }
    busy = false;
  }
</script>

<form onsubmit={(event) => void ask(event)}>
  <h2>{first ? 'Nobody has tested this yet' : 'Ask for another test'}</h2>
  <p>
    The draft is frozen as it is now. Whoever has the address follows it round by round at the Bench, without an
    account; here you see side by side where they stumbled, how long it took, and what went into it.
  </p>
  {#each FIELDS as { name, label, hint }, i (name)}
    <label>
      {label}
      <input
        bind:value={wanted[name]}
        maxlength="1000"
        placeholder={hint}
        {@attach (field: HTMLInputElement) => {
          if (i === 0) field.focus();
        }}
      />
    </label>
  {/each}
  <label class="day">Wanted by <input type="date" bind:value={wanted.by} /></label>
  <label>
    What must be said of small parts; they confirm that they have read it
    <textarea rows="3" maxlength="1000" bind:value={wanted.smallParts}></textarea>
  </label>
  {#if trouble}<p class="trouble" role="alert">{trouble}</p>{/if}
  <p class="doing">
    <Button type="submit" weight="firm" disabled={busy}>Freeze the draft and make the address</Button>
    {#if !first}<Button onclick={onclose}>Back</Button>{/if}
  </p>
</form>

<style>
  form {
    display: grid;
    grid-column: 1 / -1;
    gap: var(--space-3);
    align-content: start;
    max-width: 40rem;
    padding: var(--space-5);
    overflow-y: auto;
  }

  h2 {
    font-size: var(--size-title);
  }

  label {
    display: grid;
    gap: var(--space-1);
    font-weight: 550;
  }

  .day {
    justify-content: start;
  }

  input,
  textarea {
    min-height: 2.25rem;
    padding: var(--space-1) var(--space-2);
    font-weight: 400;
  }

  .doing {
    display: flex;
    gap: var(--space-2);
  }

  .trouble {
    color: var(--madder);
  }
</style>
