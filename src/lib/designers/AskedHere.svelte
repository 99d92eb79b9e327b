<script lang="ts">
  import Button from '../components/Button.svelte';
  import type { AskedQuery } from '../designerLetter.js';
  import { quoted } from '../letter.js';
  import type { LetterSession } from './letterSession.svelte.js';

  let { query, session }: { query: AskedQuery; session: LetterSession } = $props();
  const written = $derived(session.written.get(query.number));
  const told = $derived(session.told.get(query.number));
  const busy = $derived(session.sending !== null);
  const AS_PROPOSED = 'Yes, as proposed.';
</script>

<section aria-label="Query {query.number}" class={query.state}>
  <h3>{query.round ? `${query.number}. ${query.round}` : `Query ${query.number}`}</h3>
  {#if query.words}<blockquote>{query.words.trim()}</blockquote>{/if}
  <p>{query.text}</p>
  {#if query.proposal}<p>Proposed: {quoted(query.proposal)}</p>{/if}
  {#if written === undefined}
    <div class="answer">
      <p>{query.answer === '' ? 'Settled without an answer.' : query.answer}</p>
      {#if query.state === 'answered'}<Button weight="quiet" onclick={() => session.change(query)}
          >Say something else</Button
        >{/if}
    </div>
  {:else}
    <label class="unseen" for="answer-{query.number}">Your answer to query {query.number}</label>
    <textarea
      id="answer-{query.number}"
      rows="2"
      maxlength="10000"
      placeholder="Your answer"
      value={written}
      oninput={(event) => session.write(query.number, event.currentTarget.value)}
      onkeydown={(event) => {
        if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) void session.send(query, written);
      }}></textarea>
    <div class="doing">
      <Button
        weight="firm"
        title="Control Enter"
        disabled={busy || written.trim() === ''}
        onclick={() => void session.send(query, written)}>Send the answer</Button
      >
      {#if query.proposal && written.trim() === ''}<Button
          disabled={busy}
          onclick={() => void session.send(query, AS_PROPOSED)}>{AS_PROPOSED.replace('.', '')}</Button
        >{/if}
      {#if query.state === 'answered'}<Button weight="quiet" onclick={() => session.leave(query)}>Leave it</Button>{/if}
    </div>
  {/if}
  {#if told}<p class={told.kind} role={told.kind === 'sent' ? 'status' : 'alert'}>{told.words}</p>{/if}
</section>

<style>
  section {
    display: grid;
    gap: var(--space-2);
    padding: var(--space-3) 0;
    border-bottom: 1px solid var(--rule);
  }

  h3 {
    font-size: var(--size-text);
    overflow-wrap: anywhere;
  }

  blockquote {
    padding-left: var(--space-3);
    margin: 0;
    border-left: 3px solid var(--rule-strong);
  }

  blockquote,
  section > p,
  .answer p {
    font-family: var(--text-face);
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }

  .answer {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    align-items: baseline;
    justify-content: space-between;
    padding: var(--space-2) var(--space-3);
    background: var(--paper-sunk);
  }

  textarea {
    width: 100%;
    padding: var(--space-2) var(--space-3);
    field-sizing: content;
    max-height: 24rem;
    font-family: var(--text-face);
    font-size: var(--size-text);
  }

  .doing {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  .trouble,
  .changed {
    color: var(--madder);
  }

  .sent {
    color: var(--ink-soft);
  }

  section.sent {
    color: inherit;
  }

  p.sent,
  p.trouble,
  p.changed {
    font-family: inherit;
    font-size: var(--size-small);
  }
</style>
