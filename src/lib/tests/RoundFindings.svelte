<script lang="ts">
  import { NOTE_WORDS, timeWords } from '../bench/words.js';
  import Button from '../components/Button.svelte';
  import { photographAt } from './asking.js';
  import type { TestsSession } from './tests.svelte.js';

  let { session, pattern }: { session: TestsSession; pattern: string } = $props();
  const row = $derived(session.row);
  const instruction = $derived(session.round && session.results?.course.instructions[session.round.instruction]);
  const said = $derived(
    row?.told.map((told) => {
      const name = session.all?.testers[told.tester]?.name ?? '';
      const kept = new Set(session.results?.photographs[told.tester]?.map((one) => one.name));
      return { told, spent: row.times[told.tester] ?? null, tester: { name, place: told.tester, kept } };
    }) ?? [],
  );
</script>

{#if row}
  <h2>{session.wordsOf(row)}</h2>
  <p class="words">{instruction?.words}</p>
  <p class="plain">{instruction?.sentence}</p>
  {#each said as { tester, told, spent } (tester.place)}
    <section aria-label={tester.name}>
      <h3>
        {tester.name}{#if spent !== null}<small>{timeWords(spent)}</small>{/if}
      </h3>
      {#each told.hooks as { id, counted, made, decided } (id)}
        <p><strong>Counted {counted} for {made}.</strong> {decided}</p>
      {:else}
        {#each told.counted as counted, i (i)}<p><strong>Counted {counted}.</strong></p>{/each}
      {/each}
      {#each told.notes as { id, note, words, photographs } (id)}
        <p><strong>{NOTE_WORDS[note]}.</strong> {words}</p>
        {#each photographs.filter((name) => tester.kept.has(name)) as name, i (name)}
          <a href={photographAt(pattern, session.results?.number ?? 0, tester.place, name)}
            ><img
              src={photographAt(pattern, session.results?.number ?? 0, tester.place, name)}
              alt="By {tester.name}, {i + 1}"
              loading="lazy"
            /></a
          >
        {/each}
      {/each}
    </section>
  {:else}
    <p class="plain">Nobody stumbled here.</p>
  {/each}
  <p class="doing">
    {#if said.length > 0}<Button title="Alt Q" onclick={() => void session.toQuery()}>Make a query of it</Button>{/if}
    <Button weight="quiet" title="Alt 0" onclick={() => (session.chosen = null)}>The test as a whole</Button>
  </p>
{/if}

<style>
  h2 {
    font-size: var(--size-text);
  }

  .words {
    margin: var(--space-1) 0;
    font-family: var(--text-face);
    font-size: var(--size-text);
    overflow-wrap: anywhere;
  }

  .plain {
    color: var(--ink-soft);
  }

  section {
    padding: var(--space-2) 0;
    margin-top: var(--space-2);
    border-top: 1px solid var(--rule);
    overflow-wrap: anywhere;
  }

  h3 {
    display: flex;
    justify-content: space-between;
    gap: var(--space-2);
    font-size: var(--size-body);
  }

  small {
    color: var(--ink-soft);
    font-weight: 400;
    white-space: nowrap;
  }

  strong {
    font-weight: 600;
  }

  img {
    width: 100%;
    max-height: 16rem;
    margin-top: var(--space-1);
    object-fit: cover;
  }

  .doing {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    margin-top: var(--space-3);
  }
</style>
