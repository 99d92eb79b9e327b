<script lang="ts">
  import type { ReportFinding } from '../../core/index.js';
  import Mark from '../components/Mark.svelte';
  import { roundName } from './rounds.js';
  import WhyAside from './WhyAside.svelte';

  interface Props {
    finding: ReportFinding;
    /** The caret stands in it: its keys work. */
    here: boolean;
    /** Its reason, where it has been put aside. */
    reason: string | null;
    /** Whether it says where it is. */
    placed?: boolean;
    go: () => void;
    fix: (fix: ReportFinding['fixes'][number]) => void;
    putAside: (reason: string | null) => void;
    /** Asks the designer about it. */
    ask: () => void;
  }

  let { finding, here, reason, placed = true, go, fix, putAside, ask: askDesigner }: Props = $props();
  let asking = $state(false);

  /** Opens the question for a reason, for the key that puts a finding aside. */
  export function ask(): void {
    asking = true;
  }

  function settle(given: string): void {
    putAside(given);
    asking = false;
  }
</script>

<article class:here class:aside={reason !== null}>
  <button type="button" class="go" onclick={go}>
    {#if placed}
      <span class="where"
        ><Mark name={finding.severity} />
        {finding.round === null ? `Line ${finding.line}` : roundName({ label: finding.round, kind: 'round' })}<span
          class="part">{finding.part ?? ''}</span
        ><span class="line">line {finding.line}</span></span
      >
    {/if}
    <span class="message"
      >{#if !placed}<Mark name={finding.severity} />
      {/if}{finding.message}</span
    >
  </button>
  {#if reason !== null}
    <p class="reason">
      Put aside: {reason}
      <button type="button" class="words" onclick={() => putAside(null)}>Take up again</button>
    </p>
  {:else}
    <!-- Fixes come a moment later than the finding: nothing stands below them that would move. -->
    {#if asking}
      <WhyAside {settle} cancel={() => (asking = false)} />
    {:else}
      <span class="ways">
        <button type="button" class="words put" title={here ? 'Alt 0' : undefined} onclick={() => (asking = true)}
          >Put aside…</button
        >
        <button type="button" class="words" title={here ? 'Alt Q' : undefined} onclick={askDesigner}
          >Ask the designer</button
        >
      </span>
    {/if}
    {#if finding.fixes.length > 0}
      <ol class="fixes">
        {#each finding.fixes as one, i (one.title)}
          <li>
            <button type="button" onclick={() => fix(one)} title={here ? `Alt ${i + 1}` : undefined}>
              <kbd>{i + 1}</kbd><span>{one.title}</span>
            </button>
          </li>
        {/each}
      </ol>
    {/if}
  {/if}
</article>

<style>
  article {
    padding: var(--space-2) 0 var(--space-2) var(--space-2);
    border-bottom: 1px solid var(--rule);
    border-left: 3px solid transparent;
    font-size: var(--size-body);
  }

  .here {
    border-left-color: var(--woad);
    background: var(--woad-wash);
  }

  .aside {
    color: var(--ink-soft);
  }

  .go {
    display: grid;
    gap: 0.2rem;
    width: 100%;
    padding: var(--space-1) var(--space-2) var(--space-1) 0;
  }

  .go:hover .message {
    text-decoration: underline;
    text-decoration-color: var(--rule-strong);
    text-underline-offset: 0.2em;
  }

  .where {
    display: flex;
    align-items: baseline;
    gap: var(--space-2);
    font-weight: 620;
  }

  .part,
  .line {
    font-weight: 450;
    font-size: var(--size-small);
    color: var(--ink-soft);
  }

  .part {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  .line {
    margin-left: auto;
    white-space: nowrap;
  }

  .message {
    overflow-wrap: anywhere;
  }

  .fixes {
    display: grid;
    gap: 2px;
    padding: 2px var(--space-2) 2px 0;
  }

  .fixes button {
    display: flex;
    align-items: baseline;
    gap: var(--space-2);
    width: 100%;
    padding: 0.28rem var(--space-2);
    border: 1px solid var(--rule-strong);
    border-radius: var(--radius);
    background: var(--paper-raised);
    color: var(--ink);
    font-size: var(--size-small);
    overflow-wrap: anywhere;
  }

  .fixes button:hover {
    border-color: var(--woad);
  }

  kbd {
    min-width: 1.1em;
    font: inherit;
    font-weight: 650;
    color: var(--woad);
  }

  .words {
    padding: 0.15rem 0;
    color: var(--woad);
    font-size: var(--size-small);
    text-decoration: underline;
    text-decoration-color: transparent;
    text-underline-offset: 0.18em;
  }

  .ways {
    display: flex;
    gap: var(--space-4);
  }

  .words:hover {
    text-decoration-color: currentcolor;
  }

  .words:disabled {
    color: var(--ink-soft);
    cursor: default;
  }

  .reason {
    display: grid;
    gap: var(--space-1);
    justify-items: start;
    padding-right: var(--space-2);
    font-size: var(--size-small);
  }
</style>
