<script lang="ts">
  import Choice from '../components/Choice.svelte';
  import MaterialList from '../desk/MaterialList.svelte';
  import TermsTold from '../desk/TermsTold.svelte';
  import WordList from '../desk/WordList.svelte';
  import type { IntakeSession } from './intake.svelte.js';
  import HandTold from './HandTold.svelte';
  import InDoubt from './InDoubt.svelte';
  import PartsTold from './PartsTold.svelte';

  interface Props {
    session: IntakeSession;
    /** Parts the text in two patterns at a line, from 0. */
    part: (line: number) => void;
  }

  let { session, part }: Props = $props();
  let doubts = $state<InDoubt>();
  const TERMS = [
    { value: 'auto', text: 'By the text' },
    { value: 'us', text: 'US' },
    { value: 'uk', text: 'UK' },
  ] as const;
  /** Asks what the words of the line where one is mean; false where there is nothing to ask. */
  export function ask(): boolean {
    return doubts?.ask() ?? false;
  }

  const toLine = (line: number) => session.goTo(line - 1);
</script>

<div class="understood">
  <InDoubt bind:this={doubts} {session} {part} />
  {#if session.overview}
    {@const { terms, materials, words } = session.overview}
    <section>
      <TermsTold {terms} {toLine} />
      <Choice
        label="Which terms it is in"
        name="terms"
        value={session.terms}
        options={TERMS}
        chosen={(value) => void session.settle(value)}
      />
    </section>
    <PartsTold {session} />
    <HandTold {session} />
    <section><MaterialList {materials} {toLine} /></section>
    <section><WordList {words} {toLine} takeBack={(word) => void session.mean(word, null)} /></section>
  {/if}
</div>

<style>
  .understood {
    display: grid;
    gap: var(--space-4);
    padding: var(--space-3) var(--space-4) var(--space-6);
    font-size: var(--size-body);
  }

  section {
    display: grid;
    gap: var(--space-2);
  }

  .understood :global(h3) {
    padding-bottom: 0.15rem;
    border-bottom: 1px solid var(--rule-strong);
    font-size: var(--size-body);
    font-weight: 640;
  }
</style>
