<script lang="ts">
  import type { PairedLine, Piece } from './lines.js';

  interface Props {
    lines: readonly PairedLine[];
    selected: string | null;
    onlyChanged: boolean;
    from: string;
    to: string;
    select: (key: string) => void;
  }

  let { lines, selected, onlyChanged, from, to, select }: Props = $props();
  const shown = $derived(onlyChanged ? lines.filter(({ changed }) => changed) : lines);
</script>

{#snippet side(pieces: readonly Piece[] | null, marked: boolean)}
  {#if pieces === null}<span class="gap" aria-hidden="true"
    ></span>{:else}{#each pieces as { text, change }, i (i)}{#if change}<button
          type="button"
          class="mark"
          class:doubtful={change.doubtful && !change.decided}
          class:left={change.written === change.before}
          class:here={change.key === selected}
          data-change={marked ? change.key : undefined}
          tabindex={marked ? 0 : -1}
          onclick={() => select(change.key)}>{text}</button
        >{:else}{text}{/if}{/each}{/if}
{/snippet}

<!-- svelte-ignore a11y_no_noninteractive_tabindex (a region that scrolls must be reachable by key) -->
<div class="texts" role="region" aria-label="Both versions" tabindex="0">
  <div class="names" aria-hidden="true"><span></span><span>{from}</span><span>{to}</span></div>
  {#each shown as { number, left, right, changed }, i (i)}
    <div class="line" class:changed>
      <span class="number">{number ?? ''}</span>
      <div class="left-text">{@render side(left, false)}</div>
      <div class="right-text">{@render side(right, true)}</div>
    </div>
  {:else}
    <p class="none">No line changes.</p>
  {/each}
</div>

<style>
  .texts {
    min-width: 0;
    padding-bottom: 4rem;
    overflow: auto;
    font-family: var(--text-face);
    line-height: 1.6;
  }

  .names,
  .line {
    display: grid;
    grid-template-columns: 3rem minmax(0, 1fr) minmax(0, 1fr);
  }

  .names {
    position: sticky;
    top: 0;
    z-index: 1;
    border-bottom: 1px solid var(--rule-strong);
    background: var(--paper);
    color: var(--ink-soft);
    font-family: var(--figure-face);
    font-size: var(--size-small);
  }

  .names span {
    padding: var(--space-1) var(--space-3);
  }

  .line {
    content-visibility: auto;
    contain-intrinsic-size: auto 1.6em;
  }

  .line > div {
    min-height: 1.6em;
    padding: 0 var(--space-3);
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }

  .left-text {
    color: var(--ink-soft);
  }

  .right-text {
    border-left: 1px solid var(--rule);
    background: var(--paper-raised);
  }

  .changed .left-text {
    color: var(--ink);
  }

  .number {
    padding-right: var(--space-2);
    color: var(--ink-soft);
    font-family: var(--figure-face);
    font-size: var(--size-small);
    font-variant-numeric: tabular-nums;
    line-height: 1.9;
    text-align: right;
    user-select: none;
  }

  .mark {
    display: inline;
    border-radius: 2px;
    text-decoration: underline var(--woad) 1.5px;
    text-underline-offset: 0.22em;
    white-space: pre-wrap;
  }

  .right-text .mark {
    background: var(--woad-wash);
  }

  .mark.left {
    text-decoration-style: dotted;
    background: none;
  }

  .mark.doubtful {
    text-decoration-color: var(--weld);
    background: var(--weld-wash);
  }

  .mark.here {
    box-shadow: inset 0 0 0 2px var(--woad);
  }

  .gap {
    display: block;
    height: 100%;
    background: repeating-linear-gradient(135deg, transparent 0 5px, var(--rule) 5px 6px);
  }

  .none {
    padding: var(--space-5);
  }

  @media (max-width: 640px) {
    .names {
      display: none;
    }

    .line {
      grid-template-columns: 2.2rem minmax(0, 1fr);
    }

    .right-text {
      grid-column: 2;
      border-left: 2px solid var(--woad);
    }

    .line:not(.changed) .right-text {
      display: none;
    }
  }
</style>
