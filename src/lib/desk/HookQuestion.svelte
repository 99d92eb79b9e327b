<script lang="ts">
  import { tick as drawn } from 'svelte';
  import type { HookSlip } from '../../core/index.js';

  interface Props {
    /** What the round makes. */
    made: number;
    slips: (onHook: number) => Promise<HookSlip[]>;
  }

  let { made, slips }: Props = $props();
  let onHook = $state('');
  /** `slips` is null where they could not be worked out. */
  let explained = $state.raw<{ count: number; slips: HookSlip[] | null } | null>(null);
  let input = $state<HTMLInputElement>();
  let answer = $state<HTMLElement>();

  async function explain(): Promise<void> {
    const count = Number(onHook);
    if (onHook.trim() === '' || !Number.isInteger(count) || count < 0 || count > 100_000) {
      explained = null;
      return;
    }
    const found = await slips(count).catch(() => null);
    // Another figure was typed meanwhile.
    if (count !== Number(onHook)) return;
    explained = { count, slips: found };
    await drawn();
    answer?.scrollIntoView({ block: 'nearest' });
  }

  /** Takes the focus to the question. */
  export function ask(): void {
    input?.focus();
  }
</script>

<form
  onsubmit={(event) => {
    event.preventDefault();
    void explain();
  }}
>
  <label for="on-hook">On the hook</label>
  <input
    id="on-hook"
    type="text"
    inputmode="numeric"
    autocomplete="off"
    placeholder={String(made)}
    title="Alt H"
    bind:this={input}
    bind:value={onHook}
    oninput={() => void explain()}
  />
  <span class="soft">where {made} should be</span>
</form>
{#if explained}
  <div bind:this={answer}>
    {#if explained.count === made}
      <p>That is right.</p>
    {:else if explained.slips === null}
      <p>This could not be worked out. Press Enter to try again.</p>
    {:else if explained.slips.length === 0}
      <p>No single slip explains {explained.count}. Count once more, then the round before.</p>
    {:else}
      <ol>
        {#each explained.slips as { what, mend } (what)}
          <li>{what} <span class="soft">{mend}</span></li>
        {/each}
      </ol>
    {/if}
  </div>
{/if}

<style>
  form {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: var(--space-2);
    font-size: var(--size-small);
  }

  label {
    font-weight: 620;
  }

  input {
    width: 4.5em;
    padding: 0.2rem var(--space-2);
    font-weight: 620;
    text-align: right;
  }

  input::placeholder {
    color: var(--ink-soft);
    font-weight: 400;
  }

  .soft {
    color: var(--ink-soft);
  }

  p,
  ol {
    font-size: var(--size-small);
  }

  ol {
    display: grid;
    gap: var(--space-2);
    padding-left: 1.2em;
    list-style: decimal;
  }
</style>
