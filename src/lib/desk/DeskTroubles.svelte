<script lang="ts">
  import KeepsNot from '../components/KeepsNot.svelte';
  import { keeps } from '../keeps.svelte.js';
  import type { StoredPattern } from '../patterns.js';
  import { inTrouble } from '../workers/checker.js';
  import CheckTrouble from './CheckTrouble.svelte';
  import Clashes from './Clashes.svelte';
  import type { Company } from './company.svelte.js';
  import Conflict from './Conflict.svelte';
  import type { DeskSession } from './desk.svelte.js';
  import type { Keeping } from './keeping.svelte.js';
  import type { Saver } from './saver.svelte.js';
  import SaveTrouble from './SaveTrouble.svelte';

  interface Props {
    pattern: StoredPattern;
    desk: DeskSession;
    saver: Saver;
    keeping: Keeping;
    company: Company;
  }

  let { pattern, desk, saver, keeping, company }: Props = $props();
</script>

{#if saver.state.kind === 'conflict' && saver.state.pieces}
  <Clashes
    pieces={saver.state.pieces}
    {pattern}
    others={company.others}
    settle={(clash, winner) => saver.settleRound(clash, winner)}
  />
{:else if saver.state.kind === 'conflict'}
  <Conflict
    mine={desk.text}
    theirs={saver.state.theirs}
    settle={(winner: 'mine' | 'theirs') => keeping.settle(winner)}
  />
{:else if saver.state.kind === 'failed'}
  <SaveTrouble state={saver.state} again={() => void saver.flush()} />
{:else if keeps.trouble !== null}<KeepsNot />
{:else if inTrouble(desk.checking)}
  <CheckTrouble state={desk.checking} text={desk.text} again={() => desk.checkAgain()} />
{/if}
