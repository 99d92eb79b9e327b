<script lang="ts">
  import Button from '../components/Button.svelte';
  import { troubleIn } from '../client.js';
  import { toasts } from '../components/toasts.svelte.js';
  import { filesIn } from '../dropped.js';
  import Field from '../components/Field.svelte';
  import Select from '../components/Select.svelte';
  import { replyIn } from './replyIn.js';
  import { isUnsettled } from './queryList.svelte.js';
  import type { QueriesSession } from './queries.svelte.js';

  let { session, done }: { session: QueriesSession; done: () => void } = $props();
  const waiting = $derived(session.list.all.filter(isUnsettled));
  const open = $derived(session.pieces.filter(({ taken }) => !taken).length);
  const SAYS = { agrees: 'agrees', 'as-is': 'wants it as it is', words: '' } as const;
  const wordsOf = (number: number) =>
    session.list.all.find((query) => query.number === number)?.text.split('\n')[0] ?? '';

  /** A message that is dropped is the reply. */
  async function dropped(event: DragEvent): Promise<void> {
    if (event.dataTransfer?.types.includes('Files') !== true) return;
    event.preventDefault();
    event.stopPropagation();
    const [file] = await filesIn(event);
    if (!file) return;
    try {
      session.reply = await replyIn(file.file, file.name);
      session.split();
    } catch (error) {
      toasts.say(`“${file.name}”: ${troubleIn(error)}`);
    }
  }

  function focusField(main: HTMLElement): void {
    main.querySelector('textarea')?.focus();
  }
</script>

<main {@attach focusField} ondropcapture={(event) => void dropped(event)}>
  <section class="reply" aria-label="The reply">
    <Field
      label="What the designer has written"
      bind:value={session.reply}
      lines={16}
      hint="The whole message, pasted, or its file dropped here; what it quotes is left out."
    />
    <Button weight="firm" disabled={session.reply.trim() === ''} onclick={() => session.split()}>Take it apart</Button>
  </section>
  <section class="pieces" aria-label="What it says">
    {#if session.pieces.length > 0}
      <div class="ends">
        <Button weight="firm" disabled={open === 0} onclick={() => void session.takeAll()}
          >{open === 0 ? 'All are put to their queries' : `Put all ${open} to their queries`}</Button
        >
        {#if open === 0}<Button
            onclick={() => {
              session.shown = 'answered';
              session.first();
              done();
            }}>Go through the answers</Button
          >{/if}
      </div>
    {/if}
    {#each session.pieces as piece, i (i)}
      <article class:taken={piece.taken}>
        <h2>{piece.numbers.length > 1 ? 'Queries' : 'Query'} {piece.numbers.join(', ')}</h2>
        <p class="asked">{wordsOf(piece.numbers[0] ?? 0)}</p>
        <p class="said">{piece.text}</p>
        <p class="soft">
          {SAYS[piece.says]}{piece.figure === null ? '' : `${SAYS[piece.says] ? ', ' : ''}names ${piece.figure}`}
        </p>
        {#if piece.taken}<p class="soft">put to its query</p>{:else}<Button onclick={() => void session.take(i)}
            >Put it there</Button
          >{/if}
      </article>
    {/each}
    {#if session.left.length > 0}
      <h2>Put to no query</h2>
      {#each session.left as words, i (`${i} ${words}`)}
        <article>
          <p class="said">{words}</p>
          <Select
            label="Belongs to query"
            value=""
            options={[
              { value: '', text: 'none' },
              ...waiting.map(({ number, round, part }) => ({
                value: String(number),
                text: `${number}. ${round || part}`,
              })),
            ]}
            chosen={(number: string) => number !== '' && void session.assign(i, Number(number))}
          />
        </article>
      {/each}
    {/if}
  </section>
</main>

<style>
  section {
    display: grid;
    align-content: start;
    gap: var(--space-3);
    justify-items: start;
    padding: var(--space-4);
    overflow-y: auto;
    scrollbar-width: thin;
  }

  .reply > :global(.field) {
    width: 100%;
  }

  .pieces {
    border-left: 1px solid var(--rule-strong);
  }

  .ends {
    display: flex;
    gap: var(--space-3);
  }

  article {
    display: grid;
    gap: var(--space-1);
    justify-items: start;
    width: 100%;
    padding: var(--space-2) var(--space-3);
    border-left: 3px solid var(--woad);
  }

  .taken {
    border-color: var(--sage);
  }

  h2 {
    font-size: 1.0625rem;
  }

  .asked,
  .soft {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }

  .said {
    font-family: var(--text-face);
    font-size: 1.0625rem;
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }

  @media (max-width: 900px) {
    .pieces {
      border-left: 0;
      border-top: 1px solid var(--rule-strong);
    }
  }
</style>
