<script lang="ts">
  import type { BenchCall } from '../bench.js';
  import type { BenchSession } from './bench.svelte.js';
  import Sheet from './Sheet.svelte';
  import { partWords, roundWords, sameSpot, timeWords } from './words.js';

  let { session, call }: { session: BenchSession; call: BenchCall } = $props();
  // svelte-ignore state_referenced_locally
  let open = $state(session.at ? `${session.at.part} ${session.at.copy}` : '0 0');
  const copies = $derived(
    call.course.parts.flatMap((part, at) =>
      Array.from({ length: part.make }, (_, copy) => {
        const rounds = part.rounds.map((round, ring) => ({ round, spot: { part: at, copy, ring } }));
        const done = rounds.filter(({ spot }) => session.progress?.round(spot).done).length;
        return { key: `${at} ${copy}`, part, copy, rounds, done };
      }),
    ),
  );
</script>

<Sheet title="Parts" onclose={() => (session.sheet = null)}>
  <ul>
    {#each copies as { key, part, copy, rounds, done } (key)}
      <li>
        <button type="button" aria-expanded={open === key} onclick={() => (open = open === key ? '' : key)}>
          <strong>{partWords(part, copy)}</strong>
          <span>{done === rounds.length ? 'done' : `${done} of ${rounds.length}`}</span>
        </button>
        {#if open === key}
          <ol>
            {#each rounds as { round, spot } (spot.ring)}
              {@const state = session.progress?.round(spot)}
              <li>
                <button
                  type="button"
                  class={{ here: sameSpot(spot, session.at) }}
                  aria-current={sameSpot(spot, session.at) ? 'step' : undefined}
                  onclick={() => session.goTo(spot)}
                >
                  <span>{state?.done ? '✓ ' : ''}{roundWords(round)}</span>
                  <span class="figures"
                    >{round.made ??
                      '?'}{#if state?.counted !== null && state?.counted !== undefined && state.counted !== round.made},
                      counted
                      {state.counted}{/if}{#if state && state.spent > 0}, {timeWords(state.spent)}{/if}</span
                  >
                </button>
              </li>
            {/each}
          </ol>
        {/if}
      </li>
    {/each}
  </ul>
</Sheet>

<style>
  li + li {
    border-top: 1px solid var(--rule);
  }

  button {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: var(--space-3);
    width: 100%;
    min-height: 3rem;
    font-size: var(--size-text);
  }

  ol button {
    padding-left: var(--space-4);
    font-size: var(--size-body);
  }

  .here {
    background: var(--woad-wash);
  }

  strong {
    font-weight: 600;
  }

  .figures,
  button > span:last-child {
    color: var(--ink-soft);
  }
</style>
