<script lang="ts">
  import type { BenchSession } from './bench.svelte.js';
  import Sheet from './Sheet.svelte';

  let { session }: { session: BenchSession } = $props();
  let typed = $state('');
  /** What was decided is asked for once the count is another. */
  let asked = $state(false);
  const made = $derived(session.round?.made ?? null);
  const counted = $derived(typed === '' ? null : Number(typed));
  const off = $derived(counted === null || made === null ? 0 : counted - made);
  const slips = $derived(session.instruction?.slips.find((one) => one.off === off)?.slips ?? []);

  function press(key: string): void {
    asked = false;
    typed = key === '⌫' ? typed.slice(0, -1) : `${typed}${key}`.replace(/^0+(?=\d)/, '').slice(0, 4);
  }

  function look(): void {
    if (counted === null) return;
    if (off === 0) session.endRound(counted);
    else asked = true;
  }

  /** What was decided is noted with the round; it is gone on with, or worked again. */
  function decide(decided: string, on: boolean): void {
    if (!session.at || counted === null || made === null) return;
    session.note({ kind: 'hook', spot: session.at, counted, made, decided });
    if (on) session.endRound(counted);
    else session.sheet = null;
  }
</script>

<Sheet title="What do I have on my hook?" onclose={() => (session.sheet = null)}>
  <p class="made">
    {made === null ? 'The text gives no count here.' : `This round makes ${made}.`}
    {#if counted !== null && off !== 0 && made !== null}<strong
        >{Math.abs(off)} {off > 0 ? 'too many' : 'too few'}</strong
      >{/if}
  </p>
  {#if asked && counted !== null}
    <div class="slips">
      {#each slips as { what, mend }, i (i)}
        <button type="button" onclick={() => decide(mend, true)}>
          <strong>{what}</strong>
          <span>{mend}</span>
          <em>I do that, and go on</em>
        </button>
      {:else}
        <p>No single slip explains {counted}. Count once more; if it stays, work the round again.</p>
      {/each}
      <button type="button" onclick={() => decide('Went on as it is.', true)}><strong>Go on as it is</strong></button>
      <button type="button" onclick={() => decide('Worked the round again.', false)}
        ><strong>Work this round again</strong></button
      >
      <button type="button" onclick={() => (asked = false)}><strong>Count once more</strong></button>
    </div>
  {:else}
    <output aria-label="Counted">{typed || '–'}</output>
    <div class="keys">
      {#each ['1', '2', '3', '4', '5', '6', '7', '8', '9', '⌫', '0'] as key (key)}
        <button type="button" aria-label={key === '⌫' ? 'Delete' : undefined} onclick={() => press(key)}>{key}</button>
      {/each}
      <button type="button" class="firm" disabled={counted === null} onclick={look}>Done</button>
    </div>
    {#if made !== null}
      <button type="button" class="all" onclick={() => session.endRound(made)}>{made}, as it should be</button>
    {/if}
  {/if}
</Sheet>

<svelte:window
  onkeydown={({ key }) => {
    if (/^\d$/.test(key)) press(key);
    else if (key === 'Backspace') press('⌫');
    else if (key === 'Enter' && document.activeElement?.tagName !== 'BUTTON') look();
  }}
/>

<style>
  .made {
    font-size: var(--size-text);
  }

  strong {
    font-weight: 600;
  }

  .made strong {
    color: var(--madder);
  }

  output {
    display: block;
    padding: var(--space-2) 0;
    font-size: 3.5rem;
    font-weight: 600;
    line-height: 1.1;
    text-align: center;
  }

  .keys {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: var(--space-2);
  }

  .keys button,
  .all {
    min-height: 3.5rem;
    border: 1px solid var(--rule-strong);
    font-size: var(--size-title);
    text-align: center;
  }

  .keys .firm {
    border-color: var(--ink);
    background: var(--ink);
    color: var(--paper);
  }

  .firm:disabled {
    opacity: 0.5;
  }

  .all {
    width: 100%;
    margin-top: var(--space-3);
    background: var(--sage-wash);
  }

  .slips {
    display: grid;
    gap: var(--space-2);
    margin-top: var(--space-3);
  }

  .slips button {
    display: grid;
    gap: var(--space-1);
    min-height: 3rem;
    align-content: center;
    padding: var(--space-2) var(--space-3);
    border: 1px solid var(--rule-strong);
    font-size: var(--size-text);
  }

  .slips em {
    color: var(--woad);
    font-style: normal;
  }
</style>
