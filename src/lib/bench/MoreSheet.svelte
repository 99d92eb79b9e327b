<script lang="ts">
  import { download } from '../download.js';
  import { COUNTINGS, type Counting } from '../../core/index.js';
  import type { BenchCall } from '../bench.js';
  import Code from '../components/Code.svelte';
  import type { BenchSession } from './bench.svelte.js';
  import Sheet from './Sheet.svelte';
  import { timeWords } from './words.js';

  let { session, call }: { session: BenchSession; call: BenchCall } = $props();
  const WORDS: Readonly<Record<Counting, string>> = {
    stitch: 'Each stitch',
    repeat: 'Each repeat',
    round: 'Whole rounds',
  };
  const at = $derived(session.at);
  // svelte-ignore state_referenced_locally
  let minutes = $state(at ? Math.round(session.timeOf(at) / 60_000) : 0);
  const own = $derived(`${location.origin}${location.pathname}#${session.token ?? ''}`);

  function putRight(): void {
    if (at && Number.isFinite(minutes) && minutes >= 0)
      session.note({ kind: 'time', spot: at, spent: Math.round(minutes * 60_000) });
  }

  function save(): void {
    download(`${call.name}, ${session.tester}.json`, session.file());
  }
</script>

<Sheet title="{call.name}, tested by {session.tester}" onclose={() => (session.sheet = null)}>
  {#if session.newer}<p class="newer">
      The text has changed since this test began. You stay on this draft; the editor knows.
    </p>{/if}
  <fieldset>
    <legend>A touch stands for</legend>
    <div class="three">
      {#each COUNTINGS as counting (counting)}
        <button type="button" aria-pressed={session.counting === counting} onclick={() => session.setCounting(counting)}
          >{WORDS[counting]}</button
        >
      {/each}
    </div>
  </fieldset>
  {#if at}
    <p class="time">
      <label for="minutes">This round has taken, in minutes</label>
      <input
        id="minutes"
        type="number"
        min="0"
        max="6000"
        inputmode="numeric"
        bind:value={minutes}
        onchange={putRight}
      />
    </p>
  {/if}
  <p>{timeWords(session.progress?.spent ?? 0)} of work in all. Time stops by itself when nothing is touched.</p>
  <button type="button" class="row" onclick={() => (session.sheet = 'figures')}>Weigh, measure, finish</button>
  <details>
    <summary>What stands before the rounds</summary>
    {#each call.course.before as line, i (i)}<p>{line}</p>{/each}
  </details>
  <details>
    <summary>Putting it together</summary>
    {#each call.course.after as line, i (i)}<p>{line}</p>{:else}<p>The text says nothing of it.</p>{/each}
  </details>
  <details>
    <summary>Go on with another device</summary>
    <p>Open this address there. Whoever has it notes in your name.</p>
    <Code text={own} label="Your address as a code" />
    <p class="address">{own}</p>
  </details>
  <button type="button" class="row" onclick={() => (session.sheet = 'steps')}>Take back an earlier step</button>
  <button type="button" class="row" onclick={save}>Save all that I noted as a file</button>
</Sheet>

<style>
  fieldset {
    padding: 0;
    margin: 0 0 var(--space-3);
    border: 0;
  }

  .three {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    margin-top: var(--space-1);
  }

  .three button {
    min-height: 3rem;
    border: 1px solid var(--rule-strong);
    text-align: center;
  }

  [aria-pressed='true'] {
    background: var(--woad-wash);
    font-weight: 600;
  }

  .time {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: var(--space-3);
  }

  input {
    width: 6rem;
    min-height: 3rem;
    padding: 0 var(--space-3);
    text-align: right;
  }

  .row,
  summary {
    display: flex;
    align-items: center;
    width: 100%;
    min-height: 3rem;
    border-top: 1px solid var(--rule);
    color: var(--woad);
    font-weight: 550;
    cursor: pointer;
  }

  details p {
    margin-bottom: var(--space-2);
  }

  .address {
    font-size: var(--size-small);
    overflow-wrap: anywhere;
  }

  .newer {
    margin-bottom: var(--space-3);
    color: var(--weld);
  }
</style>
