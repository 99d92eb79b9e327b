<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { ReportFinding } from '../../core/index.js';
  import type { DeskSession } from './desk.svelte.js';
  import QueriesHere from '../queries/QueriesHere.svelte';
  import type { Asking } from './asking.svelte.js';
  import FindingView from './FindingView.svelte';
  import type { Walking } from './walking.js';

  interface Props {
    /** What it is a card of. */
    label: string;
    desk: DeskSession;
    walking: Walking;
    asking: Asking;
    head: Snippet;
    children: Snippet;
    /** What is open at it. */
    findings: readonly ReportFinding[];
    /** Whether the findings say where they are. */
    placed?: boolean;
  }

  let { label, desk, walking, asking, head, children, findings, placed = false }: Props = $props();
  let views = $state<Record<string, { ask: () => void }>>({});

  /** Opens the question why the finding at the caret is put aside. */
  export function askAside(): void {
    if (desk.current) views[desk.current.key]?.ask();
  }
</script>

<section aria-label={label} class:mending={findings.length > 0}>
  <div class="head">{@render head()}</div>
  <div class="told">
    {#if desk.queriesHere.length > 0}<QueriesHere
        pattern={desk.id}
        queries={desk.queriesHere}
        word={(query) => asking.word(query)}
      />{/if}
    {@render children()}
  </div>
  {#if findings.length > 0}
    <div class="found" aria-label="To mend here" role="group">
      {#each findings as finding (finding.key)}
        <FindingView
          bind:this={views[finding.key]}
          {finding}
          here={finding === desk.current}
          reason={null}
          {placed}
          go={() => desk.goTo(finding)}
          fix={(fix) => walking.applied(fix)}
          ask={() => void asking.about(finding)}
          putAside={(reason: string | null) => void desk.notes.putAside(finding, reason)}
        />
      {/each}
    </div>
  {/if}
</section>

<style>
  /* What is to mend has a place of its own at the lower edge: nothing above it moves when a round turns off. */
  section {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto minmax(0, 1fr);
    height: 100%;
    font-size: var(--size-body);
  }

  .mending {
    grid-template-rows: auto minmax(7rem, 1fr) minmax(9rem, 34%);
  }

  .head {
    display: grid;
    gap: var(--space-1);
    padding: var(--space-3) var(--space-2) var(--space-2);
  }

  .head :global(h2) {
    min-width: 0;
    font-size: 1.1875rem;
    overflow-wrap: anywhere;
  }

  .told {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    align-content: start;
    gap: var(--space-3);
    /* Room for the ring of what has the focus. */
    padding: 3px var(--space-2) var(--space-4);
  }

  .told :global(h3) {
    font-family: var(--figure-face);
    font-size: var(--size-small);
    font-weight: 650;
    color: var(--ink-soft);
  }

  .told,
  .found {
    overflow-y: auto;
    scrollbar-width: thin;
  }

  .found {
    border-top: 2px solid var(--rule-strong);
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

    .told {
      order: 2;
    }
  }
</style>
