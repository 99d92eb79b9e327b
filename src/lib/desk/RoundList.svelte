<script lang="ts">
  import type { Report } from '../../core/index.js';
  import Mark from '../components/Mark.svelte';
  import { railWords, roundName } from './rail.js';

  interface Props {
    report: Report;
    line: number;
    go: (line: number) => void;
  }

  let { report, line, go }: Props = $props();
</script>

{#each report.parts as part, i (i)}
  <section>
    <h2>
      {part.name}{#if part.make > 1}<span class="make">make {part.make}</span>{/if}
    </h2>
    <ul>
      {#each part.rounds as round, k (k)}
        <li>
          <button
            type="button"
            class:here={round.line <= line && line <= round.endLine}
            aria-label={railWords(round)}
            title={railWords(round)}
            onclick={() => go(round.line)}
          >
            <Mark name={round.verdict} silent />
            <span class="label">{roundName(round)}</span>
            <span class="made">{round.made ?? round.stated ?? '–'}</span>
          </button>
        </li>
      {/each}
    </ul>
  </section>
{:else}
  <p class="none">No parts were found yet.</p>
{/each}

<style>
  section {
    padding: var(--space-3) 0;
    border-bottom: 1px solid var(--rule);
  }

  h2 {
    padding: 0 var(--space-2) var(--space-1);
    font-size: 1.0625rem;
    overflow-wrap: anywhere;
  }

  .make {
    margin-left: var(--space-2);
    font-family: var(--figure-face);
    font-size: var(--size-small);
    font-weight: 450;
    color: var(--ink-soft);
  }

  ul {
    display: grid;
    grid-template-columns: repeat(2, minmax(0, 1fr));
    column-gap: var(--space-2);
  }

  button {
    display: flex;
    align-items: center;
    gap: var(--space-2);
    width: 100%;
    padding: 0.2rem var(--space-2);
    border: 0;
    border-radius: var(--radius);
    background: none;
    color: inherit;
    font: inherit;
    font-size: var(--size-small);
    text-align: left;
    cursor: pointer;
  }

  button:hover {
    background: var(--paper-sunk);
  }

  .here {
    background: var(--woad-wash);
  }

  .label {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  .made {
    margin-left: auto;
    font-weight: 600;
  }

  .none {
    padding: var(--space-5) var(--space-2);
    color: var(--ink-soft);
  }
</style>
