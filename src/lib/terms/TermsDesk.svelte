<script lang="ts">
  import { onMount, tick } from 'svelte';
  import { SvelteMap } from 'svelte/reactivity';
  import { goto, invalidate } from '$app/navigation';
  import type { Conversion, TermChange, TermsEvidence } from '../../core/index.js';
  import Button from '../components/Button.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import { decideTerm, notKept, saveEdition, settleTerms } from '../client.js';
  import { leavingWhenKept } from '../leaving.svelte.js';
  import type { StoredPattern, TermsNotes } from '../patterns.js';
  import { Converter } from '../workers/converter.js';
  import { GaveUp } from '../workers/watched.js';
  import ChangeCard from './ChangeCard.svelte';
  import ChangeTally from './ChangeTally.svelte';
  import Evidence from './Evidence.svelte';
  import { pairedLines } from './lines.js';
  import TwoTexts from './TwoTexts.svelte';

  interface Props {
    pattern: StoredPattern;
    notes: TermsNotes;
  }

  let { pattern, notes }: Props = $props();
  const keeping = leavingWhenKept();
  type To = 'us' | 'uk';
  const MOST_ASKED = 5;

  let converter: Converter | undefined;
  let evidence = $state.raw<TermsEvidence | null>(null);
  let conversion = $state.raw<Conversion | null>(null);
  let chosenTo = $state<To | null>(null);
  // svelte-ignore state_referenced_locally
  let settled = $state(pattern.terms);
  let options = $state({ hooks: false, weights: false, spelling: false });
  let onlyChanged = $state(false);
  let selected = $state<string | null>(null);
  let saving = $state(false);
  /** Why there is no conversion. */
  let trouble = $state('');
  // svelte-ignore state_referenced_locally
  const decided = new SvelteMap(notes.decisions.map(({ to, key, written }) => [`${to} ${key}`, written]));

  const found = $derived<To | null>(
    settled !== 'auto'
      ? settled
      : evidence?.detected === 'us' || evidence?.detected === 'uk'
        ? evidence.detected
        : null,
  );
  const to = $derived<To>(chosenTo ?? (found === 'uk' ? 'us' : 'uk'));
  const changes = $derived(conversion?.changes ?? []);
  const questions = $derived(changes.filter(({ doubtful }) => doubtful));
  const waiting = $derived(questions.filter((change) => !change.decided));
  const at = $derived(changes.findIndex(({ key }) => key === selected));
  const change = $derived(changes[at] ?? null);
  const lines = $derived(conversion ? pairedLines(pattern.text, changes) : []);
  const edition = $derived(notes.editions.find((one) => one.to === to) ?? null);
  const refused = $derived(conversion !== null && conversion.state !== 'proved' && conversion.state !== 'unproved');

  onMount(() => {
    converter = new Converter();
    void converter.evidence(pattern.text).then((told) => (evidence = told), without);
    return () => converter?.close();
  });

  $effect(() => {
    if (!converter || !evidence) return;
    const decisions = [...decided]
      .filter(([key]) => key.startsWith(`${to} `))
      .map(([key, written]): [string, string] => [key.slice(3), written]);
    void converter
      .convert({ text: pattern.text, from: settled, hand: pattern.hand, to, ...options, decisions })
      .then((told) => {
        if (told) conversion = told;
      }, without);
  });

  function without(error: unknown): void {
    trouble =
      error instanceof GaveUp
        ? 'This text is too much to convert at once. Take its parts in as patterns of their own.'
        : 'This text could not be converted, by a fault of Dostik and not of the text.';
  }

  async function settle(terms: StoredPattern['terms']): Promise<void> {
    const before = settled;
    settled = terms;
    chosenTo = null;
    if (!(await trying(() => keeping(settleTerms(pattern.id, terms))))) settled = before;
  }

  async function decide({ key }: TermChange, written: string | null): Promise<void> {
    const place = `${to} ${key}`;
    const put = (words: string | null) => (words === null ? decided.delete(place) : decided.set(place, words));
    const before = decided.get(place) ?? null;
    put(written);
    if (!(await trying(() => decideTerm(pattern.id, { to, key, written })))) put(before);
  }

  async function save(): Promise<void> {
    saving = true;
    await trying(async () => {
      const made = await saveEdition(pattern.id, { to, ...options });
      await invalidate('dostik:terms');
      const kept =
        made.kept > 0
          ? ` ${made.kept} ${made.kept === 1 ? 'place' : 'places'} changed in both stayed as in the edition.`
          : '';
      const said = {
        made: 'The edition is on the shelf.',
        updated: 'The edition is up to date.',
        same: 'The edition was up to date.',
      };
      toasts.say(said[made.kind] + kept, { text: 'Open it', act: () => void goto(`/desk/${made.id}`) });
    });
    saving = false;
  }

  /** Whether it worked. */
  async function trying(work: () => Promise<void>): Promise<boolean> {
    try {
      await work();
      return true;
    } catch (error) {
      toasts.say(notKept(error));
      return false;
    }
  }

  async function select(key: string | null): Promise<void> {
    selected = key;
    await tick();
    if (key) document.querySelector(`[data-change="${CSS.escape(key)}"]`)?.scrollIntoView({ block: 'nearest' });
  }

  /** Goes to the next change, or the next question where only those are gone through. */
  function step(by: 1 | -1, among: readonly TermChange[]): void {
    if (among.length === 0) return;
    const here = among.findIndex(({ key }) => key === selected);
    const next = here < 0 ? (by > 0 ? 0 : among.length - 1) : (here + by + among.length) % among.length;
    void select(among[next]?.key ?? null);
  }

  function onkeydown(event: KeyboardEvent): void {
    if (!event.altKey || event.ctrlKey || event.metaKey) return;
    const act: Record<string, () => void> = {
      Period: () => step(1, changes),
      Comma: () => step(-1, changes),
      KeyQ: () => step(1, questions),
      Digit1: () => change && void decide(change, change.after),
      Digit2: () => change && void decide(change, change.before),
      Digit0: () => change && void decide(change, null),
      KeyM: () => void goto(`/desk/${pattern.id}`),
    };
    const doing = act[event.code];
    if (!doing) return;
    event.preventDefault();
    doing();
  }
</script>

<svelte:window {onkeydown} />

<div class="page">
  <header>
    <a class="home" href="/" title="Back to the shelf">Shelf</a>
    <a class="home" href="/desk/{pattern.id}" title="Alt M">Desk</a>
    <h1 title={pattern.name}>{pattern.name}</h1>
    <div class="into" role="group" aria-label="Into which terms">
      {#each ['us', 'uk'] as const as vocabulary (vocabulary)}
        <button type="button" aria-pressed={to === vocabulary} onclick={() => (chosenTo = vocabulary)}>
          into {vocabulary.toUpperCase()} terms
        </button>
      {/each}
    </div>
    <Button weight="firm" disabled={conversion?.state !== 'proved' || saving} onclick={save}>
      {edition ? (edition.behind ? 'Bring the edition up to date' : 'Save to the edition') : 'Save as an edition'}
    </Button>
  </header>

  {#if notes.source}
    <p class="link" class:behind={notes.source.behind}>
      Converted from <a href="/terms/{notes.source.id}">{notes.source.name}</a>{#if notes.source.behind}, which has
        changed since. Its Terms screen brings this edition up to date.{:else}.{/if}
    </p>
  {/if}
  {#if edition}
    <p class="link" class:behind={edition.behind}>
      <a href="/desk/{edition.id}">{edition.name}</a>
      {edition.behind
        ? 'is behind: this pattern has changed since it was made.'
        : 'was made from this pattern as it is.'}
    </p>
  {/if}

  <main>
    <aside>
      <Evidence {evidence} {settled} settle={(terms: StoredPattern['terms']) => void settle(terms)} />
      {#if conversion && !refused}
        <section aria-labelledby="proof">
          <h2 id="proof">{conversion.state === 'proved' ? 'Proved' : 'Not proved'}</h2>
          <p class:wrong={conversion.state === 'unproved'}>{conversion.message}</p>
          {#if conversion.problems.length > 0}
            <ul class="problems">
              {#each conversion.problems as { line, message }, i (i)}<li><span>{line}</span> {message}</li>{/each}
            </ul>
          {/if}
          {#if waiting.length > 0}
            <ul class="questions" aria-label="Questions">
              {#each waiting.slice(0, MOST_ASKED) as one (one.key)}
                <li>
                  <button type="button" class="asked" onclick={() => void select(one.key)}
                    >“{one.before}” in line {one.line}: the stitch, or something else?</button
                  >
                  <Button onclick={() => decide(one, one.after)}>{one.after}</Button>
                  <Button onclick={() => decide(one, one.before)}>leave</Button>
                </li>
              {/each}
            </ul>
            {#if waiting.length > MOST_ASKED}<p>And {waiting.length - MOST_ASKED} more.</p>{/if}
          {/if}
        </section>
        <ChangeCard
          {change}
          place={{ at, of: changes.length }}
          step={(by: 1 | -1) => step(by, changes)}
          decide={(one: TermChange, written: string | null) => void decide(one, written)}
        />
        <ChangeTally {changes} {selected} select={(key: string) => void select(key)} />
        <fieldset>
          <legend>Goes along</legend>
          <label><input type="checkbox" bind:checked={options.hooks} /> Hook sizes, millimetres first</label>
          <label><input type="checkbox" bind:checked={options.weights} /> Names of yarn weights</label>
          <label><input type="checkbox" bind:checked={options.spelling} /> Spelling (color, colour)</label>
          <label><input type="checkbox" bind:checked={onlyChanged} /> Show changed lines only</label>
        </fieldset>
      {/if}
      <p class="card"><a href="/card">Reference card</a></p>
    </aside>

    {#if conversion && refused}
      <div class="refused">
        <h2>
          {conversion.state === 'already'
            ? `In ${to.toUpperCase()} terms already`
            : conversion.state === 'mixed'
              ? 'Both vocabularies are in use'
              : 'No vocabulary can be told'}
        </h2>
        <p>{conversion.message}</p>
        {#if conversion.problems.length > 0}
          <ul class="problems">
            {#each conversion.problems as { line, message }, i (i)}<li><span>{line}</span> {message}</li>{/each}
          </ul>
        {/if}
        {#if conversion.state === 'already'}
          <Button onclick={() => (chosenTo = to === 'us' ? 'uk' : 'us')}>Into {to === 'us' ? 'UK' : 'US'} terms</Button>
        {:else}
          <p>
            <Button onclick={() => settle('us')}>It is in US terms</Button>
            <Button onclick={() => settle('uk')}>It is in UK terms</Button>
          </p>
        {/if}
      </div>
    {:else if conversion}
      <TwoTexts
        {lines}
        {selected}
        {onlyChanged}
        from={to === 'us' ? 'UK terms' : 'US terms'}
        to="{to.toUpperCase()} terms"
        select={(key: string) => (selected = key)}
      />
    {:else}
      <p class="refused" role={trouble === '' ? undefined : 'alert'}>{trouble || 'Reading …'}</p>
    {/if}
  </main>
</div>

<style>
  .page {
    display: flex;
    flex-direction: column;
    height: 100dvh;
  }

  header {
    display: flex;
    align-items: center;
    gap: var(--space-4);
    min-height: 3.25rem;
    padding: 0 var(--space-4);
    border-bottom: 2px solid var(--ink);
  }

  .home {
    font-family: var(--text-face);
    font-style: italic;
  }

  h1 {
    flex: 1;
    min-width: 4rem;
    overflow: hidden;
    font-size: 1.1875rem;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  .into {
    display: flex;
  }

  .into button {
    min-height: 2.125rem;
    padding: 0 var(--space-3);
    border: 1px solid var(--rule-strong);
    background: none;
    color: var(--ink-soft);
    font: inherit;
    font-size: var(--size-small);
    white-space: nowrap;
    cursor: pointer;
  }

  .into button:first-child {
    border-radius: var(--radius) 0 0 var(--radius);
  }

  .into button + button {
    border-left: 0;
    border-radius: 0 var(--radius) var(--radius) 0;
  }

  .into button[aria-pressed='true'] {
    background: var(--woad-wash);
    color: var(--ink);
    font-weight: 620;
  }

  .link {
    padding: var(--space-1) var(--space-4);
    border-bottom: 1px solid var(--rule);
    color: var(--ink-soft);
    font-size: var(--size-small);
  }

  .behind {
    background: var(--weld-wash);
    color: var(--ink);
  }

  main {
    display: grid;
    flex: 1;
    grid-template-columns: 19rem minmax(0, 1fr);
    min-height: 0;
  }

  aside {
    display: flex;
    flex-direction: column;
    gap: var(--space-4);
    padding: var(--space-4);
    overflow-y: auto;
    border-right: 1px solid var(--rule-strong);
    font-size: var(--size-body);
  }

  aside h2 {
    padding-bottom: var(--space-1);
    font-size: var(--size-body);
    font-weight: 680;
  }

  section {
    display: grid;
    gap: var(--space-2);
    justify-items: start;
  }

  .wrong {
    color: var(--madder);
  }

  .problems {
    display: grid;
    gap: var(--space-1);
    width: 100%;
    max-height: 12rem;
    overflow-y: auto;
    font-size: var(--size-small);
  }

  .questions {
    display: grid;
    gap: var(--space-2);
    width: 100%;
  }

  .questions li {
    padding: var(--space-2);
    border-left: 3px solid var(--weld);
    background: var(--weld-wash);
  }

  .asked {
    display: block;
    padding: 0 0 var(--space-1);
    border: 0;
    background: none;
    color: var(--ink);
    font: inherit;
    font-size: var(--size-small);
    text-align: left;
    cursor: pointer;
  }

  .problems span {
    display: inline-block;
    min-width: 2rem;
    color: var(--ink-soft);
    font-variant-numeric: tabular-nums;
  }

  fieldset {
    display: grid;
    gap: var(--space-1);
    padding: 0;
    border: 0;
    font-size: var(--size-small);
  }

  legend {
    padding: 0 0 var(--space-1);
    font-size: var(--size-body);
    font-weight: 680;
  }

  label {
    display: flex;
    align-items: center;
    gap: var(--space-2);
  }

  .card {
    font-size: var(--size-small);
  }

  .refused {
    display: grid;
    gap: var(--space-3);
    align-content: start;
    justify-items: start;
    max-width: 36rem;
    padding: var(--space-6);
  }

  .refused h2 {
    font-size: var(--size-title);
  }

  @media (max-width: 900px) {
    .page {
      height: auto;
    }

    header {
      flex-wrap: wrap;
      padding: var(--space-2) var(--space-3);
    }

    h1 {
      flex-basis: 60%;
    }

    main {
      grid-template-columns: minmax(0, 1fr);
    }

    aside {
      border-right: 0;
      border-bottom: 1px solid var(--rule-strong);
    }
  }
</style>
