<script lang="ts">
  import type { AccountStep, RoundAccount } from '../../core/index.js';
  import StitchLadder from './StitchLadder.svelte';

  interface Props {
    account: RoundAccount;
    /** Offset of the caret in the text. */
    caret: number;
    /** Lights words of the text; null for none. */
    light: (words: { from: number; to: number } | null) => void;
  }

  let { account, caret, light }: Props = $props();
  let pointed = $state<number | null>(null);

  const flat = (steps: readonly AccountStep[]): AccountStep[] => steps.flatMap((step) => [step, ...flat(step.steps)]);
  const all = $derived(flat(account.steps));
  /** The innermost step at the caret. */
  const atCaret = $derived(
    all.filter(({ from, to }) => from <= caret && caret <= to).sort((a, b) => a.to - a.from - (b.to - b.from))[0] ??
      null,
  );
  const lit = $derived(pointed ?? atCaret?.index ?? null);

  // Called as the mouse moves: steps that change under one at rest are the caret's.
  function point(index: number | null): void {
    if (index === pointed) return;
    pointed = index;
    const step = index === null ? null : all.find((one) => one.index === index);
    light(step ? { from: step.from, to: step.to } : null);
  }
</script>

{#snippet stepRow(step: AccountStep)}
  <li>
    <div
      class="step"
      class:lit={lit === step.index}
      onpointermove={() => point(step.index)}
      onpointerleave={() => point(null)}
      role="presentation"
    >
      <span class="words">{step.steps.length > 0 && step.times > 1 ? `${step.times} times` : step.words}</span>
      <span class="figure">{step.into === 0 && (step.made === 0 || account.edge === null) ? '' : step.into}</span>
      <span class="figure made">{step.into === 0 && step.made === 0 ? '' : step.made}</span>
    </div>
    {#if step.steps.length > 0}<ol>
        {#each step.steps as inner (inner.index)}{@render stepRow(inner)}{/each}
      </ol>{/if}
  </li>
{/snippet}

<p class="sentence">{account.sentence}</p>
{#if account.why.length > 0}
  <p class="why">Taken so: {account.why.join('; ')}.</p>
{/if}
{#if account.ladder}<StitchLadder ladder={account.ladder} {lit} {point} />{/if}
{#if account.steps.length > 0}
  <div class="steps">
    <div class="step heads"><span></span><span class="figure">uses</span><span class="figure">makes</span></div>
    <ol>
      {#each account.steps as step (step.index)}{@render stepRow(step)}{/each}
    </ol>
  </div>
{/if}

<style>
  .sentence {
    font-family: var(--text-face);
    line-height: 1.5;
    overflow-wrap: anywhere;
  }

  .why {
    padding-left: var(--space-2);
    border-left: 2px dotted var(--ink-soft);
    color: var(--ink-soft);
    font-size: var(--size-small);
    overflow-wrap: anywhere;
  }

  .steps {
    font-size: var(--size-small);
  }

  .steps ol ol {
    padding-left: var(--space-4);
    border-left: 1px solid var(--rule);
    margin-left: 2px;
  }

  .step {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 2.75rem 2.75rem;
    gap: var(--space-1);
    padding: 0.2rem 0.25rem;
    border-radius: var(--radius);
  }

  .steps ol .step {
    border-bottom: 1px solid var(--rule);
  }

  .heads {
    padding-top: 0;
    padding-bottom: 0;
    color: var(--ink-soft);
    font-size: 0.75rem;
  }

  .figure {
    text-align: right;
  }

  .steps ol .made {
    font-weight: 620;
  }

  .step.lit {
    background: var(--woad-wash);
  }
</style>
