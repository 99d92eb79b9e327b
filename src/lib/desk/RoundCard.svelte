<script lang="ts">
  import type { HookSlip, Meanings, ReportFinding, RoundAccount, Sense } from '../../core/index.js';
  import Mark from '../components/Mark.svelte';
  import { MARK_WORDS } from '../components/marks.js';
  import FindingView from './FindingView.svelte';
  import HookQuestion from './HookQuestion.svelte';
  import type { Notes } from './notes.svelte.js';
  import { changeOf, roundName, type PlacedRound } from './rounds.js';
  import RoundSteps from './RoundSteps.svelte';
  import ThisMeans from './ThisMeans.svelte';
  import { toasts } from '../components/toasts.svelte.js';

  interface Props {
    placed: PlacedRound;
    account: RoundAccount | null;
    /** What is open at this round. */
    findings: readonly ReportFinding[];
    current: ReportFinding | null;
    notes: Notes;
    /** How the round read before the last sitting, where it read otherwise. */
    before: string | null;
    /** Offset of the caret in the text. */
    caret: number;
    tick: () => void;
    light: (words: { from: number; to: number } | null) => void;
    meanings: (word: string) => Promise<Meanings | null>;
    mean: (word: string, sense: Sense | null, comesOut: number | null) => void;
    slips: (onHook: number) => Promise<HookSlip[]>;
    go: (finding: ReportFinding) => void;
    fix: (fix: ReportFinding['fixes'][number]) => void;
  }

  let { placed, account, findings, current, notes, before, caret, tick, light, meanings, mean, slips, go, fix }: Props =
    $props();

  const round = $derived(placed.round);
  const ticked = $derived(notes.ticks.has(round.key));
  const change = $derived(changeOf(round));
  let views = $state<Record<string, { ask: () => void }>>({});

  let hook = $state<{ ask: () => void }>();
  let means = $state<{ ask: () => boolean }>();

  /** Opens the question for the count on the hook. */
  export function askHook(): void {
    hook?.ask();
  }

  /** Opens what the word at the caret could mean. */
  export function askMeaning(): void {
    if (!means?.ask()) toasts.say('Every word of this round means something.');
  }

  /** Opens the question why the finding at the caret is put aside. */
  export function askAside(): void {
    if (current) views[current.key]?.ask();
  }
</script>

<section aria-label="Round">
  <div class="head">
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
    </p>
    <p class="verdict {round.verdict}">
      <span class="word"><Mark name={round.verdict} silent /> {MARK_WORDS[round.verdict]}</span>
      {#if round.stated !== null}<span>states {round.stated}</span>{/if}
    </p>
  </div>

  <div class="sums">
    {#if account && account.unclear.length > 0}
      {#key round.key}
        <ThisMeans
          bind:this={means}
          words={account.unclear}
          {caret}
          settled={notes.words}
          {meanings}
          take={mean}
          {light}
        />
      {/key}
    {/if}
    {#if account}<RoundSteps {account} {caret} {light} />{/if}
    {#if before !== null}
      <div class="before">
        <h3>Before</h3>
        <p>{before}</p>
      </div>
    {/if}
    {#if round.made !== null}
      {#key round.key}<HookQuestion bind:this={hook} made={round.made} {slips} />{/key}
    {/if}
  </div>

  <div class="found" aria-label="Findings of the round" role="group">
    {#each findings as finding (finding.key)}
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
    {:else}
      <p class="calm">Nothing to mend in this round.</p>
    {/each}
  </div>
</section>

<style>
  /* What was found has a place of its own that is always there: nothing moves when a round turns off. */
  section {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto minmax(0, 1fr) minmax(8rem, 38%);
    height: 100%;
    font-size: var(--size-body);
  }

  .head,
  .sums {
    display: grid;
    align-content: start;
    gap: var(--space-2);
    padding: var(--space-3) var(--space-2) var(--space-2);
  }

  .sums {
    padding-top: 0;
  }

  .sums,
  .found {
    overflow-y: auto;
    scrollbar-width: thin;
  }

  .found {
    border-top: 2px solid var(--rule-strong);
  }

  .calm {
    padding: var(--space-3) var(--space-2);
    color: var(--ink-soft);
    font-size: var(--size-small);
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

  .verdict {
    font-weight: 600;
  }

  /* As wide as the longest verdict, so that nothing after it moves. */
  .word {
    display: inline-block;
    min-width: 6.5rem;
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

  @media (max-width: 900px) {
    section {
      grid-template-rows: auto;
      height: auto;
    }

    .found {
      order: 1;
      border-top: 1px solid var(--rule);
    }

    .sums {
      order: 2;
    }
  }
</style>
