<script lang="ts">
  import type { Report, ReportFinding } from '../../core/index.js';
  import Mark from '../components/Mark.svelte';
  import { roundName } from './rail.js';

  interface Props {
    report: Report;
    /** Line of the caret, from 1. */
    line: number;
    go: (finding: ReportFinding) => void;
  }

  let { report, line, go }: Props = $props();
  const MOST = 200;
  const shown = $derived(report.findings.slice(0, MOST));
  const rounds = $derived(report.parts.reduce((sum, part) => sum + part.rounds.length, 0));
</script>

{#if rounds === 0}
  <div class="calm">
    <h2>No rounds were found</h2>
    <p>A line is read as a round when it begins with a label and goes on with stitches:</p>
    <p class="sample">Rnd 3: (sc 1, inc) x 6 (18)</p>
    <p>Labels may be Rnd, Round, R, Row or a bare number. The text stays as it is, whatever can be read of it.</p>
  </div>
{:else if shown.length === 0}
  <div class="calm">
    <h2>Nothing left to mend</h2>
    <p>{rounds} instructions were recounted, and every one comes out as it says.</p>
  </div>
{:else}
  <ol>
    {#each shown as finding, i (`${finding.line}:${finding.column}:${finding.rule}:${i}`)}
      <li class:here={finding.line <= line && line <= finding.endLine}>
        <button type="button" onclick={() => go(finding)}>
          <span class="where"
            ><Mark name={finding.severity} />
            {finding.round === null ? `Line ${finding.line}` : roundName({ label: finding.round, kind: 'round' })}<span
              class="part">{finding.part ?? ''}</span
            ><span class="line">line {finding.line}</span></span
          >
          <span class="message">{finding.message}</span>
        </button>
      </li>
    {/each}
  </ol>
  {#if report.findings.length > MOST}
    <p class="more">and {report.findings.length - MOST} more. Mend the first ones; many of these will go with them.</p>
  {/if}
{/if}

<style>
  li {
    border-bottom: 1px solid var(--rule);
  }

  button {
    display: grid;
    gap: 0.2rem;
    width: 100%;
    padding: var(--space-3) var(--space-2);
    border: 0;
    border-left: 3px solid transparent;
    background: none;
    color: inherit;
    font: inherit;
    font-size: var(--size-body);
    text-align: left;
    cursor: pointer;
  }

  button:hover {
    background: var(--paper-sunk);
  }

  .here button {
    border-left-color: var(--woad);
    background: var(--woad-wash);
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

  .calm {
    display: grid;
    gap: var(--space-3);
    padding: var(--space-5) var(--space-2);
    color: var(--ink-soft);
  }

  .calm h2 {
    font-size: 1.125rem;
    color: var(--ink);
  }

  .sample {
    padding: var(--space-2) var(--space-3);
    border-left: 3px solid var(--sage);
    font-family: var(--text-face);
    color: var(--ink);
  }

  .more {
    padding: var(--space-3) var(--space-2);
    font-size: var(--size-small);
    color: var(--ink-soft);
  }
</style>
