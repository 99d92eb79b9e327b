<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    lines: readonly string[];
    /** The line that one is at, from 1. */
    at: number;
    /** Of lines that something is to be seen of: how they look. */
    looks: (line: number) => 'marked' | 'met' | 'missed' | 'blamed' | null;
    /** Called for a line that is pointed to or come to by key. */
    went: (line: number) => void;
    stepped: (by: 1 | -1) => void;
    /** The margin of a line was clicked, or Enter pressed on it; where nothing is marked any more there is none. */
    pencil?: (line: number) => void;
    /** What stands at the right of a line. */
    side?: Snippet<[number]>;
  }

  let { lines, at, looks, went, stepped, pencil, side }: Props = $props();
  let list: HTMLDivElement;
  const WORDS = {
    marked: 'marked as off',
    met: 'a fault, found',
    missed: 'a fault, missed',
    blamed: 'nothing is wrong here',
  };

  $effect(() => {
    list.querySelector(`[data-line="${at}"]`)?.scrollIntoView({ block: 'nearest' });
  });

  function key(event: KeyboardEvent): void {
    if (event.altKey || event.ctrlKey || event.metaKey) return;
    const jump = { PageDown: 12, PageUp: -12 }[event.key];
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') stepped(event.key === 'ArrowDown' ? 1 : -1);
    else if (jump !== undefined) went(at + jump);
    else if (event.key === 'Home' || event.key === 'End') went(event.key === 'Home' ? 1 : lines.length);
    else if (event.key === 'Enter' && pencil) pencil(at);
    else return;
    event.preventDefault();
  }

  /** Puts the keys to work here. */
  export function ask(): void {
    list.focus();
  }
</script>

<!-- One list that is come to once; the keys go by lines. -->
<div
  bind:this={list}
  class="sheet"
  role="listbox"
  tabindex="0"
  aria-label="Manuscript"
  aria-activedescendant="line-{at}"
  onkeydown={key}
>
  {#each lines as line, i (i)}
    {@const number = i + 1}
    {@const look = looks(number)}
    <!-- svelte-ignore a11y_click_events_have_key_events -->
    <div
      class={['line', look, { here: number === at, blank: line.trim() === '' }]}
      id="line-{number}"
      data-line={number}
      role="option"
      tabindex="-1"
      aria-selected={look === 'marked'}
      aria-label="{number}: {line}{look ? `, ${WORDS[look]}` : ''}"
      onclick={() => went(number)}
      ondblclick={() => pencil?.(number)}
    >
      <span
        class="margin"
        role="presentation"
        onclick={(event) => {
          event.stopPropagation();
          pencil?.(number);
        }}
      >
        <span class="number">{number}</span>
        {#if look}
          <svg viewBox="0 0 16 16" aria-hidden="true">
            {#if look === 'met'}<path d="M3 8.6 6.4 12 13 4.4" />{:else if look === 'blamed'}<path
                d="M4 4l8 8M12 4l-8 8"
              />{:else}<path d="M2.5 11.5C5 4.5 8.5 13.5 13.5 4.5" />{/if}
          </svg>
        {/if}
      </span>
      <span class="words">{line}</span>
      {#if side}<span class="side">{@render side(number)}</span>{/if}
    </div>
  {/each}
</div>

<style>
  .sheet {
    min-height: 0;
    padding: var(--space-4) 0 var(--space-6);
    overflow-y: auto;
    background: var(--paper-raised);
    outline-offset: -2px;
  }

  .line {
    display: grid;
    grid-template-columns: 4.25rem minmax(0, 1fr) auto;
    align-items: start;
    padding-right: var(--space-4);
    border-left: 3px solid transparent;
    font-family: var(--text-face);
    font-size: var(--size-text);
    line-height: 1.5;
    cursor: default;
    /* What stands around it is seen as well. */
    scroll-margin-block: 9rem;
  }

  .blank {
    min-height: 1.5em;
  }

  .line:hover:not(.blank) {
    background: color-mix(in srgb, var(--paper-sunk) 55%, transparent);
  }

  .here {
    border-left-color: var(--woad);
    background: color-mix(in srgb, var(--woad-wash) 55%, transparent);
  }

  .margin {
    display: grid;
    grid-template-columns: 2.25rem 1.125rem;
    align-items: start;
    gap: 0.35rem;
    align-self: stretch;
    line-height: 1.96;
    color: var(--ink-soft);
    font-family: var(--figure-face);
    font-size: var(--size-small);
    cursor: pointer;
  }

  .number {
    text-align: right;
  }

  svg {
    width: 1.125rem;
    margin-top: 0.25rem;
    fill: none;
    stroke: var(--madder);
    stroke-width: 2;
    stroke-linecap: round;
    stroke-linejoin: round;
  }

  .met svg {
    stroke: var(--sage);
  }

  .words {
    overflow-wrap: anywhere;
    white-space: pre-wrap;
  }

  .marked .words,
  .missed .words {
    text-decoration: underline wavy var(--madder) 1.25px;
    text-underline-offset: 0.25em;
  }

  .met .words {
    text-decoration: underline 1.5px var(--sage);
    text-underline-offset: 0.25em;
  }

  .blamed .words {
    text-decoration: underline dotted 1.5px var(--madder);
    text-underline-offset: 0.25em;
  }

  .side {
    color: var(--ink-soft);
    font-family: var(--figure-face);
    font-size: var(--size-small);
    line-height: 1.96;
    white-space: nowrap;
  }

  @media (max-width: 640px) {
    .line {
      grid-template-columns: 3.5rem minmax(0, 1fr);
      padding-right: var(--space-2);
    }

    .margin {
      grid-template-columns: 1.5rem 1rem;
    }

    .side {
      grid-column: 2;
      line-height: 1.4;
    }
  }
</style>
