<script lang="ts">
  import { troubleIn } from '../client.js';
  import Button from '../components/Button.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import When from '../components/When.svelte';
  import type { OwnPattern } from '../designerLetter.js';
  import { loadAnew } from '../loadAnew.js';
  import { plural } from '../plural.js';
  import { leaveHouse } from '../people/leaving.js';
  import { sendDraft } from './asking.js';

  let { patterns }: { patterns: readonly OwnPattern[] } = $props();
  let sending = $state<string | null>(null);

  async function send({ id, name }: OwnPattern, file: File): Promise<void> {
    sending = id;
    try {
      await sendDraft(id, file);
      await loadAnew('dostik:mine');
      toasts.say(`“${file.name}” is with the editor, as the newest draft of ${name}.`);
    } catch (error) {
      toasts.say(troubleIn(error));
    }
    sending = null;
  }
</script>

<main>
  <header>
    <h1>Your patterns</h1>
    <a href="/account">Your account</a>
    <Button weight="quiet" onclick={() => void leaveHouse()}>Sign out</Button>
  </header>
  {#if patterns.length === 0}
    <p>None stands here yet: the editor notes your mail address with each pattern of yours. Ask them to.</p>
  {:else}
    <ul>
      {#each patterns as one (one.id)}
        <li>
          <div>
            <h2><a href="/mine/{one.id}">{one.name}</a></h2>
            <p>
              {#if one.waiting > 0}<strong>{plural(one.waiting, 'query waits', 'queries wait')} for your answer</strong
                >{:else if one.answered > 0}{plural(one.answered, 'answer', 'answers')} with the editor{:else}Nothing is
                asked{/if}{one.drafts > 0 ? `, draft ${one.drafts}` : ''}{one.version === null
                ? ''
                : `, version ${one.version} is out`}, changed <When at={one.updatedAt} />
            </p>
          </div>
          <label class:busy={sending === one.id}>
            {sending === one.id ? 'On its way…' : 'Send a new draft'}<span class="unseen">&nbsp;of {one.name}</span>
            <input
              class="unseen"
              type="file"
              disabled={sending !== null}
              onchange={(event) => {
                const [file] = event.currentTarget.files ?? [];
                if (file) void send(one, file);
                event.currentTarget.value = '';
              }}
            />
          </label>
        </li>
      {/each}
    </ul>
  {/if}
</main>

<style>
  main {
    max-width: 46rem;
    padding: var(--space-5) var(--space-4);
    margin: 0 auto;
    font-size: var(--size-text);
  }

  header {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    align-items: baseline;
    justify-content: space-between;
    margin-bottom: var(--space-4);
  }

  h1 {
    font-size: var(--size-display);
  }

  ul {
    border-top: 1px solid var(--rule-strong);
  }

  li {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2) var(--space-4);
    align-items: center;
    justify-content: space-between;
    padding: var(--space-3) 0;
    border-bottom: 1px solid var(--rule);
  }

  li > div {
    flex: 1 1 18rem;
    min-width: 0;
  }

  h2 {
    font-size: 1.1875rem;
    overflow-wrap: anywhere;
  }

  li p {
    color: var(--ink-soft);
    font-size: var(--size-body);
  }

  strong {
    color: var(--ink);
    font-weight: 600;
  }

  label {
    padding: var(--space-1) var(--space-3);
    border: 1px solid var(--rule-strong);
    cursor: pointer;
  }

  label:focus-within {
    outline: 2px solid var(--woad);
    outline-offset: 2px;
  }

  .busy {
    color: var(--ink-soft);
  }
</style>
