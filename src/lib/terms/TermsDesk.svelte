<script lang="ts">
  import { onMount, tick } from 'svelte';
  import { goto } from '$app/navigation';
  import Button from '../components/Button.svelte';
  import Check from '../components/Check.svelte';
  import Choice from '../components/Choice.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import { decideTerm, notKept, saveEdition, settleTerms } from '../client.js';
  import Frame from '../frame/Frame.svelte';
  import { offering } from '../frame/house.svelte.js';
  import type { Standing } from '../frame/places.js';
  import { leavingWhenKept } from '../leaving.svelte.js';
  import { loadAnew } from '../loadAnew.js';
  import type { StoredPattern, TermsNotes } from '../patterns.js';
  import { Converter } from '../workers/converter.js';
  import ChangeCard from './ChangeCard.svelte';
  import ChangeTally from './ChangeTally.svelte';
  import EditionLinks from './EditionLinks.svelte';
  import Evidence from './Evidence.svelte';
  import { pairedLines } from './lines.js';
  import Proof from './Proof.svelte';
  import Refused from './Refused.svelte';
  import { editionInWords, TermsSession, type To } from './terms.svelte.js';
  import TwoTexts from './TwoTexts.svelte';

  interface Props {
    pattern: StoredPattern;
    notes: TermsNotes;
    standing: Standing;
  }

  let { pattern, notes, standing }: Props = $props();
  const keeping = leavingWhenKept();
  // The page is made anew for each pattern.
  // svelte-ignore state_referenced_locally
  const { id } = pattern;
  // svelte-ignore state_referenced_locally
  const session = new TermsSession(pattern, notes, {
    settle: (terms) => keeping(settleTerms(id, terms)),
    decide: (decision) => keeping(decideTerm(id, decision)),
    edition: (wanted) => saveEdition(id, wanted),
    failed: (error) => toasts.say(notKept(error)),
  });
  let onlyChanged = $state(false);
  const NAMES = { us: 'US terms', uk: 'UK terms' } as const;
  const other = $derived<To>(session.to === 'us' ? 'uk' : 'us');
  const lines = $derived(session.conversion ? pairedLines(pattern.text, session.changes) : []);
  const edition = $derived(notes.editions.find(({ to }) => to === session.to) ?? null);

  offering({
    'next-change': () => session.step(1),
    'last-change': () => session.step(-1),
    'next-question': () => session.step(1, session.questions),
    change: () => void session.decideHere('after'),
    leave: () => void session.decideHere('before'),
    undecide: () => void session.decideHere(null),
    'into-us': () => void session.into('us'),
    'into-uk': () => void session.into('uk'),
    edition: () => void save(),
  });

  onMount(() => {
    void session.begin(new Converter());
    return () => session.end();
  });

  // What is selected is seen, wherever it was selected.
  $effect(() => {
    const key = session.selected;
    if (key)
      void tick().then(() =>
        document.querySelector(`[data-change="${CSS.escape(key)}"]`)?.scrollIntoView({ block: 'nearest' }),
      );
  });

  async function save(): Promise<void> {
    const made = await session.save();
    if (!made) return;
    await loadAnew('dostik:terms', 'dostik:standing');
    toasts.say(editionInWords(made), { text: 'Open it', act: () => void goto(`/desk/${made.id}`) });
  }
</script>

<div class="workplace">
  <Frame
    at="terms"
    standing={{ ...standing, settled: session.settled, editions: notes.editions, source: notes.source }}
  >
    {#snippet tools()}
      <Button
        weight="firm"
        disabled={session.conversion?.state !== 'proved' || session.saving}
        title="Alt S"
        onclick={() => void save()}
        >{edition ? (edition.behind ? 'Update the edition' : 'Save to the edition') : 'Save as an edition'}</Button
      >
    {/snippet}
  </Frame>
  <EditionLinks source={notes.source} {edition} />

  <main>
    <aside>
      <Evidence {session} />
      <div class="into">
        <span aria-hidden="true">Into</span>
        <Choice
          label="Into which terms"
          name="into"
          value={session.to}
          options={(['us', 'uk'] as const).map((value) => ({ value, text: NAMES[value] }))}
          chosen={(to: To) => void session.into(to)}
        />
      </div>
      {#if session.conversion && !session.refused}
        <Proof {session} conversion={session.conversion} />
        <ChangeCard
          change={session.change}
          place={{ at: session.at, of: session.changes.length }}
          step={(by) => session.step(by)}
          decide={(one, written) => void session.decide(one, written)}
        />
        <ChangeTally changes={session.changes} selected={session.selected} select={(key) => (session.selected = key)} />
        <fieldset>
          <legend>Goes along</legend>
          <Check checked={session.along.hooks} changed={(hooks: boolean) => void session.setAlong({ hooks })}
            >Hook sizes, millimetres first</Check
          >
          <Check checked={session.along.weights} changed={(weights: boolean) => void session.setAlong({ weights })}
            >Names of yarn weights</Check
          >
          <Check checked={session.along.spelling} changed={(spelling: boolean) => void session.setAlong({ spelling })}
            >Spelling (color, colour)</Check
          >
          <Check bind:checked={onlyChanged}>Show changed lines only</Check>
        </fieldset>
      {/if}
    </aside>

    {#if session.conversion && session.refused}<Refused {session} conversion={session.conversion} />
    {:else if session.conversion}
      <TwoTexts
        {lines}
        selected={session.selected}
        {onlyChanged}
        from={NAMES[other]}
        to={NAMES[session.to]}
        select={(key) => (session.selected = key)}
      />
    {:else}
      <p class="waiting" role={session.trouble === '' ? undefined : 'alert'}>{session.trouble || 'Reading …'}</p>
    {/if}
  </main>
</div>

<style>
  main {
    --columns: 19rem minmax(0, 1fr);
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

  .into {
    display: flex;
    align-items: center;
    gap: var(--space-3);
    font-size: var(--size-body);
  }

  fieldset {
    display: grid;
    gap: var(--space-1);
    padding: 0;
    border: 0;
    margin: 0;
    font-size: var(--size-small);
  }

  legend {
    padding: 0 0 var(--space-1);
    font-size: var(--size-body);
    font-weight: 680;
  }

  .waiting {
    max-width: 36rem;
    padding: var(--space-6);
  }

  @media (max-width: 900px) {
    aside {
      border-right: 0;
      border-bottom: 1px solid var(--rule-strong);
    }
  }
</style>
