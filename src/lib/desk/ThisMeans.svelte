<script lang="ts">
  import { tick } from 'svelte';
  import { senseInWords, type Meanings, type RoundAccount, type Sense } from '../../core/index.js';

  interface Props {
    /** The words of the round that mean nothing by themselves. */
    words: RoundAccount['unclear'];
    /** Offset of the caret in the text. */
    caret: number;
    /** What has been settled for words of this pattern. */
    settled: ReadonlyMap<string, Sense>;
    meanings: (word: string) => Promise<Meanings | null>;
    /** Settles what a word means, or (null) takes it back. */
    take: (word: string, sense: Sense | null, comesOut: number | null) => void;
    light: (words: { from: number; to: number } | null) => void;
  }

  let { words, caret, settled, meanings, take, light }: Props = $props();
  const MOST = 8;

  let asked = $state<string | null>(null);
  let told = $state.raw<Meanings | null>(null);
  let failed = $state(false);
  let list = $state<HTMLElement>();

  const shown = $derived(
    words.filter(({ word }, i) => words.findIndex((other) => other.word === word) === i).slice(0, MOST),
  );
  const now = $derived(
    asked === null ? null : (settled.get(asked) ?? words.find(({ word }) => word === asked)?.sense ?? null),
  );

  /** Opens the word at the caret, or the first one; says whether there is any. */
  export function ask(): boolean {
    const here = words.find(({ from, to }) => from <= caret && caret <= to) ?? words[0];
    if (here) void open(here.word);
    return here !== undefined;
  }

  async function open(word: string): Promise<void> {
    asked = word;
    told = null;
    failed = false;
    try {
      const answer = await meanings(word);
      if (asked !== word) return;
      told = answer;
      await tick();
      list?.querySelector<HTMLElement>('[aria-pressed=true], button')?.focus();
    } catch {
      failed = true;
    }
  }

  function close(): void {
    asked = null;
    told = null;
    light(null);
  }

  function choose(sense: Sense | null, comesOut: number | null): void {
    if (asked !== null) take(asked, sense, comesOut);
    close();
  }

  function onkeydown(event: KeyboardEvent): void {
    if (asked === null || event.altKey || event.ctrlKey || event.metaKey) return;
    const buttons = [...(list?.querySelectorAll('button') ?? [])];
    const at = buttons.findIndex((button) => button === document.activeElement);
    const digit = /^Digit([1-9])$/.exec(event.code)?.[1];
    if (event.key === 'Escape') close();
    else if (event.key === 'ArrowDown') buttons[(at + 1) % buttons.length]?.focus();
    else if (event.key === 'ArrowUp') buttons[(at - 1 + buttons.length) % buttons.length]?.focus();
    else if (digit) buttons[Number(digit) - 1]?.click();
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  function point({ from, to }: { from: number; to: number }): void {
    light({ from, to });
  }
</script>

<div class="means" {onkeydown} role="presentation">
  <p>
    <span class="soft">This means…</span>
    {#each shown as one (one.word)}
      <button
        type="button"
        class="word"
        class:known={one.sense !== null}
        aria-expanded={asked === one.word}
        title={one.sense === null ? 'Alt W' : `Taken for ${senseInWords(one.sense)}. Alt W`}
        onpointerenter={() => point(one)}
        onpointerleave={() => light(null)}
        onclick={() => (asked === one.word ? close() : void open(one.word))}>{one.word}</button
      >
    {/each}
  </p>
  {#if asked !== null}
    {#if failed}
      <p class="soft">The meanings of “{asked}” could not be tried. Change the text, or try again.</p>
    {:else if told === null}
      <p class="soft" role="status">Trying each meaning of “{asked}” on all rounds…</p>
    {:else}
      {@const best = told.ways[0]?.comesOut ?? 0}
      <ol bind:this={list} aria-label="What “{asked}” could mean">
        {#each told.ways as way, i (way.sense)}
          <li>
            <button
              type="button"
              class="way"
              class:best={way.comesOut === best && best > told.unsaid}
              class:idle={way.comesOut <= told.unsaid}
              aria-pressed={now === way.sense}
              onclick={() => choose(way.sense, way.comesOut)}
              ><kbd>{i + 1}</kbd><span>{way.words}</span><span class="figure"
                >{way.comesOut} <span class="soft">of {told.rounds}</span></span
              ></button
            >
          </li>
        {/each}
        {#if settled.has(asked)}
          <li>
            <button type="button" class="way back" onclick={() => choose(null, told?.unsaid ?? null)}
              ><span>Take back what was said</span><span class="figure"
                >{told.unsaid} <span class="soft">of {told.rounds}</span></span
              ></button
            >
          </li>
        {/if}
      </ol>
      <p class="soft">How many rounds come out.</p>
    {/if}
  {/if}
</div>

<style>
  .means {
    display: grid;
    gap: var(--space-1);
    font-size: var(--size-small);
  }

  p {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: var(--space-1) var(--space-2);
  }

  .soft {
    color: var(--ink-soft);
  }

  .word {
    max-width: 100%;
    padding: 0 var(--space-1);
    border-bottom: 2px dotted var(--madder);
    color: var(--ink);
    font-family: var(--text-face);
    overflow-wrap: anywhere;
  }

  .known {
    border-bottom-color: var(--ink-soft);
  }

  .word[aria-expanded='true'] {
    background: var(--woad-wash);
  }

  ol {
    display: grid;
    border: 1px solid var(--rule-strong);
    border-radius: var(--radius);
    background: var(--paper-raised);
  }

  li + li {
    border-top: 1px solid var(--rule);
  }

  .way {
    display: grid;
    grid-template-columns: 1.1em minmax(0, 1fr) auto;
    gap: var(--space-2);
    width: 100%;
    padding: 0.28rem var(--space-2);
    color: var(--ink);
  }

  .way:hover,
  .way:focus-visible {
    background: var(--woad-wash);
  }

  .back {
    grid-template-columns: minmax(0, 1fr) auto;
    color: var(--woad);
  }

  kbd {
    font: inherit;
    font-weight: 650;
    color: var(--woad);
  }

  .figure {
    text-align: right;
  }

  .idle {
    color: var(--ink-soft);
  }

  .best .figure {
    font-weight: 680;
    color: var(--sage);
  }

  .way[aria-pressed='true'] {
    box-shadow: inset 3px 0 0 var(--woad);
  }
</style>
