<script lang="ts">
  import Button from '../components/Button.svelte';
  import Dialog from '../components/Dialog.svelte';
  import type { StoredPattern } from '../patterns.js';

  interface Props {
    mine: string;
    theirs: StoredPattern;
    /** Goes on with one of the two, and shelves the other; says in words if that can't be done. */
    settle: (winner: 'mine' | 'theirs') => Promise<string>;
  }

  let { mine, theirs, settle }: Props = $props();
  let problem = $state('');
  let busy = $state(false);

  /** The first line in which the two differ, from 1, with both wordings. */
  const difference = $derived.by(() => {
    const here = mine.split('\n');
    const there = theirs.text.split('\n');
    const at = here.findIndex((line, i) => line !== there[i]);
    const line = at >= 0 ? at : here.length;
    return { line: line + 1, here: here[line] ?? '(nothing)', there: there[line] ?? '(nothing)' };
  });

  async function choose(winner: 'mine' | 'theirs'): Promise<void> {
    busy = true;
    problem = await settle(winner);
    busy = false;
  }
</script>

<Dialog title="This pattern was changed in another window" onclose={() => undefined}>
  <p>Both texts are kept whichever you choose. They first differ in line {difference.line}:</p>
  <dl>
    <dt>Here</dt>
    <dd>{difference.here}</dd>
    <dt>There</dt>
    <dd>{difference.there}</dd>
  </dl>
  {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
  <div class="ends">
    <Button weight="firm" disabled={busy} onclick={() => void choose('theirs')}
      >Go on with theirs, shelve mine as a copy</Button
    >
    <Button disabled={busy} onclick={() => void choose('mine')}>Go on with mine, shelve theirs as a copy</Button>
  </div>
</Dialog>

<style>
  dl {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr);
    gap: var(--space-1) var(--space-3);
    margin: var(--space-4) 0;
  }

  dt {
    color: var(--ink-soft);
  }

  dd {
    font-family: var(--text-face);
    overflow-wrap: anywhere;
    max-height: 6rem;
    overflow: auto;
  }

  .problem {
    color: var(--madder);
    margin-bottom: var(--space-3);
  }

  .ends {
    display: grid;
    justify-items: start;
    gap: var(--space-3);
  }
</style>
