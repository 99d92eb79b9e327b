<script lang="ts">
  import AddressHere from '../addresses/AddressHere.svelte';
  import type { AddressStanding } from '../addresses.js';
  import { download } from '../download.js';
  import { untrack } from 'svelte';
  import Button from '../components/Button.svelte';
  import Check from '../components/Check.svelte';
  import Field from '../components/Field.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import When from '../components/When.svelte';
  import { troubleIn } from '../client.js';
  import { blocksOf, inOrder, letterText, type Designer, type Letter, type LetterSettings } from '../letter.js';
  import { loadAnew } from '../loadAnew.js';
  import type { StoredPattern } from '../patterns.js';
  import { plural } from '../plural.js';
  import type { Query } from '../queries.js';
  import { letterFile, saveDesigner, saveLetterSettings, sendLetter } from './asking.js';
  import { isUnsettled } from './queryList.svelte.js';
  import LetterSheet from './LetterSheet.svelte';

  interface Props {
    pattern: StoredPattern;
    queries: readonly Query[];
    letters: readonly Letter[];
    settings: LetterSettings;
    designer: Designer;
    post: 'outbox' | 'smtp';
    /** Where the designer can answer; null where no address was made. */
    address: AddressStanding | null;
    /** The letter is out. */
    sent: () => Promise<void>;
  }

  let { pattern, queries, letters, settings, designer, post, address, sent }: Props = $props();
  const waiting = $derived(inOrder(queries.filter(isUnsettled)));
  // What is to go out at first are those that have not been sent; from here on a person chooses.
  let chosen = $state<readonly number[]>(
    untrack(() => queries.filter(({ state }) => state === 'open').map(({ number }) => number)),
  );
  let own = $state(untrack(() => ({ ...settings })));
  let to = $state(untrack(() => ({ ...designer })));
  let busy = $state(false);
  const blocks = $derived(
    blocksOf({
      pattern: pattern.name,
      designer: to.designer,
      editor: own.editor,
      opening: own.opening,
      closing: own.closing,
      queries: waiting.filter(({ number }) => chosen.includes(number)),
    }),
  );
  const asked = $derived({ numbers: [...chosen], opening: own.opening, closing: own.closing });

  function choose(number: number, on: boolean): void {
    chosen = on ? [...chosen, number] : chosen.filter((one) => one !== number);
  }

  async function doing(work: () => Promise<void>): Promise<void> {
    if (busy) return;
    busy = true;
    try {
      await saveDesigner(pattern.id, to);
      await saveLetterSettings(own);
      await work();
      await loadAnew('dostik:queries');
    } catch (error) {
      toasts.say(troubleIn(error));
    }
    busy = false;
  }

  const copy = () =>
    doing(async () => {
      await navigator.clipboard.writeText(letterText(blocks));
      toasts.say('The letter is copied.', { text: 'I have sent it', act: () => void send('own') });
    });

  const save = (as: 'docx' | 'html' | 'eml') =>
    doing(async () => {
      download(`Queries on ${pattern.name}.${as}`, await letterFile(pattern.id, { ...asked, way: 'own' }, as));
    });

  const send = (way: 'post' | 'own') =>
    doing(async () => {
      await sendLetter(pattern.id, { ...asked, way });
      await sent();
      const where =
        way === 'own'
          ? 'Written down as sent.'
          : post === 'smtp'
            ? 'The letter is sent.'
            : 'The letter is in the outbox, to be downloaded.';
      toasts.say(where);
    });
</script>

<main>
  <aside class="no-print" aria-label="What goes into the letter">
    <fieldset>
      <legend>Queries</legend>
      {#each waiting as { number, round, part, state } (number)}
        <Check checked={chosen.includes(number)} changed={(on: boolean) => choose(number, on)}
          >{number}. {round || part || 'The whole pattern'}{state === 'open' ? '' : ' (sent before)'}</Check
        >
      {/each}
    </fieldset>
    <Field label="Designer" bind:value={to.designer} />
    <Field label="Their address for post" bind:value={to.designerMail} type="email" />
    <section aria-label="Where they can answer">
      <h2>Where they can answer</h2>
      <p class="soft">
        Whoever has this address reads what was asked about this pattern, and nothing else, and answers each query in a
        field of its own, without an account.
      </p>
      <AddressHere
        {address}
        leads="/letter/"
        of="/api/patterns/{pattern.id}/letters/address"
        anew={['dostik:queries']}
        none=""
        withdrawn="The address is withdrawn. What was answered stays here."
      />
    </section>
    <Field label="Opening" bind:value={own.opening} lines={5} hint={'{designer} and {pattern} stand for the names.'} />
    <Field label="Close" bind:value={own.closing} lines={2} />
    <Field label="Signed" bind:value={own.editor} />
    <Field label="Your address for post" bind:value={own.mail} type="email" />
    {#if letters.length > 0}
      <section aria-label="Letters before">
        <h2>Letters before</h2>
        {#each letters as { id, queries: numbers, way, text, at } (id)}
          <details>
            <summary>
              <When {at} />: {plural(numbers.length, 'query', 'queries')}{way === 'own' ? ', sent by yourself' : ''}
            </summary>
            <pre>{text}</pre>
            {#if way !== 'own'}<a href="/api/patterns/{pattern.id}/letters/{id}" download="letter-{id}.eml"
                >{way === 'smtp' ? 'As it was sent' : 'Out of the outbox'} (.eml)</a
              >{/if}
          </details>
        {/each}
      </section>
    {/if}
  </aside>
  <section class="letter" aria-label="The letter">
    <div class="ends no-print">
      <Button weight="firm" disabled={busy || chosen.length === 0} onclick={() => void send('post')}
        >{post === 'smtp' ? 'Send it' : 'Put it into the outbox'}</Button
      >
      <Button disabled={busy || chosen.length === 0} onclick={() => void copy()}>Copy</Button>
      <Button disabled={busy || chosen.length === 0} onclick={() => void send('own')}>I have sent it</Button>
      <span>
        <Button weight="quiet" disabled={busy || chosen.length === 0} onclick={() => void save('docx')}>.docx</Button>
        <Button weight="quiet" disabled={busy || chosen.length === 0} onclick={() => void save('html')}>.html</Button>
        <Button weight="quiet" disabled={busy || chosen.length === 0} onclick={() => void save('eml')}>.eml</Button>
        <Button weight="quiet" disabled={chosen.length === 0} onclick={() => window.print()}>Print</Button>
      </span>
    </div>
    {#if chosen.length === 0}<p class="soft">No query is chosen.</p>{:else}<LetterSheet {blocks} />{/if}
  </section>
</main>

<style>
  main {
    --columns: 21rem minmax(0, 1fr);
  }

  aside,
  .letter {
    overflow-y: auto;
    padding: var(--space-4);
    scrollbar-width: thin;
  }

  aside {
    display: grid;
    /* Longer than the window it scrolls; nothing in it is pressed together. */
    grid-auto-rows: max-content;
    align-content: start;
    gap: var(--space-3);
    border-right: 1px solid var(--rule-strong);
  }

  fieldset {
    display: grid;
    gap: var(--space-1);
    max-height: 13rem;
    padding: 0;
    margin: 0;
    overflow-y: auto;
    border: 0;
    font-size: var(--size-small);
  }

  legend,
  h2 {
    padding: 0 0 var(--space-1);
    font-size: var(--size-body);
    font-weight: 680;
  }

  details {
    font-size: var(--size-small);
  }

  pre {
    max-height: 14rem;
    overflow: auto;
    font-family: var(--text-face);
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }

  .ends {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2) var(--space-3);
    padding-bottom: var(--space-4);
  }

  .ends span {
    display: flex;
    margin-left: auto;
  }

  .soft {
    color: var(--ink-soft);
  }

  @media (max-width: 900px) {
    aside {
      order: 2;
      border-right: 0;
      border-top: 1px solid var(--rule-strong);
    }
  }

  @media print {
    .no-print {
      display: none;
    }

    .letter {
      overflow: visible;
    }
  }
</style>
