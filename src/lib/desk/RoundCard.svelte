<script lang="ts">
  import type { AccountStep, HookSlip, ReportFinding, RoundAccount } from '../../core/index.js';
  import Mark from '../components/Mark.svelte';
  import { MARK_WORDS } from '../components/marks.js';
  import FindingView from './FindingView.svelte';
  import type { Notes } from './notes.svelte.js';
  import { changeOf, roundName, type PlacedRound } from './rounds.js';
  import StitchLadder from './StitchLadder.svelte';

  interface Props {
    placed: PlacedRound;
    account: RoundAccount | null;
    findings: readonly ReportFinding[];
    current: ReportFinding | null;
    notes: Notes;
    /** How the round read before the last sitting, where it read otherwise. */
    before: string | null;
    /** Offset of the caret in the text. */
    caret: number;
    /** Grows by one each time the count on the hook is asked for by key. */
    hookAsked: number;
    /** Grows by one each time the finding at the caret is to be put aside by key. */
    asideAsked: number;
    tick: () => void;
    light: (words: { from: number; to: number } | null) => void;
    slips: (onHook: number) => Promise<HookSlip[]>;
    go: (finding: ReportFinding) => void;
    fix: (fix: ReportFinding['fixes'][number]) => void;
  }

  let {
    placed,
    account,
    findings,
    current,
    notes,
    before,
    caret,
    hookAsked,
    asideAsked,
    tick,
    light,
    slips,
    go,
    fix,
  }: Props = $props();

  const round = $derived(placed.round);
  const ticked = $derived(notes.ticks.has(round.key));
  const open = $derived(findings.filter(({ key }) => !notes.aside.has(key)));
  let pointed = $state<number | null>(null);
  let onHook = $state('');
  let explained = $state.raw<{ count: number; slips: HookSlip[] } | null>(null);
  let hookInput = $state<HTMLInputElement>();
  let views = $state<Record<string, { ask: () => void }>>({});

  const flat = (steps: readonly AccountStep[]): AccountStep[] => steps.flatMap((step) => [step, ...flat(step.steps)]);
  const all = $derived(account ? flat(account.steps) : []);
  /** The innermost step at the caret. */
  const atCaret = $derived(
    all.filter(({ from, to }) => from <= caret && caret <= to).sort((a, b) => a.to - a.from - (b.to - b.from))[0] ??
      null,
  );
  const lit = $derived(pointed ?? atCaret?.index ?? null);
  const change = $derived(changeOf(round));

  function point(index: number | null): void {
    pointed = index;
    const step = index === null ? null : all.find((one) => one.index === index);
    light(step ? { from: step.from, to: step.to } : null);
  }

  async function explain(): Promise<void> {
    const count = Number(onHook);
    if (onHook.trim() === '' || !Number.isInteger(count) || count < 0 || count > 100_000) {
      explained = null;
      return;
    }
    explained = { count, slips: await slips(count) };
  }

  $effect(() => {
    // Another round, or the same one changed.
    if (round.key !== '') {
      explained = null;
      onHook = '';
    }
  });

  $effect(() => {
    if (hookAsked > 0) hookInput?.focus();
  });

  $effect(() => {
    if (asideAsked > 0 && current) views[current.key]?.ask();
  });
</script>

{#snippet stepRow(step: AccountStep)}
  <li>
    <div
      class="step"
      class:lit={lit === step.index}
      onpointerenter={() => point(step.index)}
      onpointerleave={() => point(null)}
      role="presentation"
    >
      <span class="words">{step.steps.length > 0 && step.times > 1 ? `${step.times} times` : step.words}</span>
      <span class="figure">{step.into === 0 && (step.made === 0 || account?.edge === null) ? '' : step.into}</span>
      <span class="figure made">{step.into === 0 && step.made === 0 ? '' : step.made}</span>
    </div>
    {#if step.steps.length > 0}<ol>
        {#each step.steps as inner (inner.index)}{@render stepRow(inner)}{/each}
      </ol>{/if}
  </li>
{/snippet}

<section aria-label="Round">
  <header>
    <h2>{roundName(round)}<span class="part">{placed.part.name}</span></h2>
    <button type="button" class="tick" aria-pressed={ticked} title="Alt T" onclick={tick}
      ><span class="box" aria-hidden="true"></span>{ticked ? 'Agreed' : 'Agree'}</button
    >
  </header>

  <p class="sum">
    {#if account?.edge === null && account.made !== null}<span class="soft">starts with</span>
    {:else}<span>{round.into ?? '–'}</span><span class="soft">of {round.edge ?? '–'}</span><span class="soft">→</span
      >{/if}
    <strong>{round.made ?? '–'}</strong>
    {#if change}<span class="soft">({change})</span>{/if}
    {#if round.stated !== null}<span class="stated" class:bad={round.stated !== round.made}>states {round.stated}</span
      >{/if}
    <span class="verdict {round.verdict}"><Mark name={round.verdict} silent /> {MARK_WORDS[round.verdict]}</span>
  </p>

  {#each open as finding (finding.key)}
    <FindingView
      bind:this={views[finding.key]}
      {finding}
      here={finding === current}
      reason={null}
      placed={false}
      go={() => go(finding)}
      {fix}
      putAside={(reason: string | null) => void notes.putAside(finding, reason)}
    />
  {/each}

  {#if account}
    <p class="sentence">{account.sentence}</p>
    {#if account.ladder}<StitchLadder ladder={account.ladder} {lit} {point} />{/if}
    {#if account.steps.length > 0}
      <div class="steps">
        <div class="step heads"><span></span><span class="figure">uses</span><span class="figure">makes</span></div>
        <ol>
          {#each account.steps as step (step.index)}{@render stepRow(step)}{/each}
        </ol>
      </div>
    {/if}
  {/if}

  {#if before !== null}
    <div class="before">
      <h3>Before</h3>
      <p>{before}</p>
    </div>
  {/if}

  {#if round.made !== null}
    <form
      class="hook"
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
        placeholder={String(round.made)}
        title="Alt H"
        bind:this={hookInput}
        bind:value={onHook}
        oninput={() => void explain()}
      />
      <span class="soft">where {round.made} should be</span>
    </form>
    {#if explained}
      {#if explained.count === round.made}
        <p class="told">That is right.</p>
      {:else if explained.slips.length === 0}
        <p class="told">No single slip explains {explained.count}. Count once more, then the round before.</p>
      {:else}
        <ol class="slips">
          {#each explained.slips as { what, mend } (what)}
            <li>{what} <span class="soft">{mend}</span></li>
          {/each}
        </ol>
      {/if}
    {/if}
  {/if}
</section>

<style>
  section {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-2);
    padding: var(--space-3) var(--space-2);
    font-size: var(--size-body);
  }

  header {
    display: flex;
    align-items: baseline;
    justify-content: space-between;
    gap: var(--space-3);
  }

  h2 {
    min-width: 0;
    font-size: 1.1875rem;
    overflow-wrap: anywhere;
  }

  .part {
    margin-left: 0.5em;
    font-family: var(--figure-face);
    font-size: var(--size-small);
    font-weight: 450;
    color: var(--ink-soft);
  }

  .soft {
    color: var(--ink-soft);
  }

  .tick {
    display: inline-flex;
    align-items: center;
    gap: var(--space-2);
    padding: 0.2rem var(--space-2);
    border: 1px solid var(--rule-strong);
    border-radius: var(--radius);
    background: none;
    color: var(--ink);
    font: inherit;
    font-size: var(--size-small);
    font-weight: 600;
    white-space: nowrap;
    cursor: pointer;
  }

  .tick[aria-pressed='true'] {
    border-color: var(--sage);
    background: var(--sage-wash);
    color: var(--sage);
  }

  .box {
    width: 0.8em;
    height: 0.8em;
    border: 1.5px solid currentcolor;
    border-radius: 2px;
  }

  [aria-pressed='true'] .box {
    background: currentcolor;
  }

  .sum {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0 0.4em;
    font-size: 1.125rem;
  }

  .sum strong {
    font-size: 1.375rem;
    font-weight: 680;
  }

  .stated {
    font-size: var(--size-body);
  }

  .bad {
    color: var(--madder);
    font-weight: 600;
  }

  .verdict {
    margin-left: auto;
    font-size: var(--size-body);
    font-weight: 600;
  }

  .verdict.off,
  .verdict.unreadable {
    color: var(--madder);
  }

  .verdict.on-trust {
    color: var(--weld);
  }

  .verdict.agrees,
  .verdict.counted {
    color: var(--sage);
  }

  .sentence {
    font-family: var(--text-face);
    line-height: 1.5;
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

  .before {
    padding-left: var(--space-3);
    border-left: 3px solid var(--weld);
    font-size: var(--size-small);
  }

  .before h3 {
    font-family: var(--figure-face);
    font-size: 0.75rem;
    font-weight: 500;
    color: var(--ink-soft);
  }

  .before p {
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }

  .hook {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: var(--space-2);
    padding-top: var(--space-2);
    border-top: 1px solid var(--rule);
    font-size: var(--size-small);
  }

  .hook label {
    font-weight: 620;
  }

  .hook input {
    width: 4.5em;
    padding: 0.2rem var(--space-2);
    border: 1px solid var(--rule-strong);
    border-radius: var(--radius);
    background: var(--paper-raised);
    color: var(--ink);
    font: inherit;
    font-weight: 620;
    text-align: right;
  }

  .hook input::placeholder {
    color: var(--ink-soft);
    font-weight: 400;
  }

  .told,
  .slips {
    font-size: var(--size-small);
  }

  .slips {
    display: grid;
    gap: var(--space-2);
    padding-left: 1.2em;
    list-style: decimal;
  }
</style>
