<script lang="ts">
  import { tick } from 'svelte';
  import type { RoundAccount } from '../../core/index.js';
  import Button from '../components/Button.svelte';
  import ThisMeans from '../desk/ThisMeans.svelte';
  import type { Doubt, IntakeSession } from './intake.svelte.js';
  import { inTrouble } from '../workers/checker.js';

  interface Props {
    session: IntakeSession;
    /** Parts the text in two patterns. */
    part: (line: number) => void;
  }

  let { session, part }: Props = $props();
  /** So many are shown; the text shows all. */
  const SHOWN = 12;

  let opened = $state<number | null>(null);
  /** How the round that is asked about was taken. */
  let told = $state.raw<RoundAccount | null>(null);
  let means = $state<ThisMeans>();

  const settled = $derived(new Map(Object.entries(session.hand.words)));

  /** Asks what the words of the round in the line where one is mean; false where there is nothing to ask. */
  export function ask(): boolean {
    const here = session.doubts.find(({ line, round }) => line === session.at + 1 && round !== null);
    if (here) void open(here);
    return here !== undefined;
  }

  /** Goes to a line; at a round its words that mean nothing by themselves are asked for. */
  async function open({ line, round }: Doubt): Promise<void> {
    session.goTo(line - 1);
    opened = line;
    told = null;
    if (round === null) return;
    const account = await session.account(round);
    if (opened !== line) return;
    told = account;
    await tick();
    means?.ask();
  }
</script>

<section aria-label="In doubt">
  <h3>In doubt</h3>
  {#if session.second !== null}
    {@const second = session.second}
    <div class="two">
      <p>
        Two patterns seem to be in this text. The second begins in
        <button type="button" class="link" onclick={() => session.goTo(second)}>line {second + 1}</button>, “{session.lines[
          second
        ]?.trim()}”.
      </p>
      <Button onclick={() => part(second)}>Part it in two</Button>
    </div>
  {/if}
  <ul>
    {#each session.doubts.slice(0, SHOWN) as doubt (`${doubt.line} ${doubt.why}`)}
      <li class:here={doubt.line === session.at + 1}>
        <button type="button" onclick={() => void open(doubt)}
          ><span class="why {doubt.why.replace(' ', '-')}">{doubt.why}</span><span class="words">{doubt.text}</span
          ></button
        >
        {#if opened === doubt.line && told && told.unclear.length > 0}
          <ThisMeans
            bind:this={means}
            words={told.unclear}
            caret={0}
            {settled}
            meanings={(word) => session.meanings(word)}
            take={(word, sense) => void session.mean(word, sense)}
            light={() => undefined}
          />
        {:else if opened === doubt.line && told}
          <p class="none">
            {told.why.length > 0 ? `Taken so: ${told.why.join('; ')}.` : 'No word of it is in doubt.'}
          </p>
        {/if}
      </li>
    {:else}
      <li class="none">
        {#if inTrouble(session.checking)}Nothing is told of it: this text was not read.
        {:else if !session.report}Reading …
        {:else if session.rounds.length === 0}A line such as “Rnd 3: (sc 1, inc) x 6 (18)” is read as a round, and a
          count in the same place of most lines. Say with R which lines are rounds.
        {:else}Nothing. Every round was read as it stands.{/if}
      </li>
    {/each}
  </ul>
  {#if session.doubts.length > SHOWN}<p class="none">
      And {session.doubts.length - SHOWN} more. Alt . goes to the next.
    </p>{/if}
</section>

<style>
  section {
    display: grid;
    gap: var(--space-1);
  }

  .two {
    display: grid;
    justify-items: start;
    gap: var(--space-2);
    padding: var(--space-2);
    border-left: 3px solid var(--weld);
    background: var(--paper-sunk);
    font-size: var(--size-small);
  }

  .two .link {
    display: inline;
    width: auto;
    color: var(--woad);
  }

  li {
    padding: 0.2rem 0.25rem;
    border-bottom: 1px solid var(--rule);
    font-size: var(--size-small);
  }

  .here {
    background: var(--woad-wash);
  }

  li button {
    display: grid;
    grid-template-columns: 5.2rem minmax(0, 1fr);
    gap: var(--space-2);
    width: 100%;
  }

  .words {
    overflow: hidden;
    font-family: var(--text-face);
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  .why {
    color: var(--ink-soft);
    font-weight: 620;
  }

  .not-placed {
    color: var(--madder);
  }

  .not-read {
    color: var(--weld);
  }

  .none {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }
</style>
