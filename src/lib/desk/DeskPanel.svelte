<script lang="ts">
  import { tick as drawn } from 'svelte';
  import Tabs from '../components/Tabs.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import QueryDraft from '../queries/QueryDraft.svelte';
  import { inTrouble } from '../workers/checker.js';
  import type { Asking } from './asking.svelte.js';
  import type { DeskSession } from './desk.svelte.js';
  import FindingList from './FindingList.svelte';
  import PartCard from './PartCard.svelte';
  import PartList from './PartList.svelte';
  import RoundCard from './RoundCard.svelte';
  import type { Spot } from './rounds.js';
  import type { Walking } from './walking.js';
  import WholeCard from './WholeCard.svelte';

  interface Props {
    desk: DeskSession;
    walking: Walking;
    asking: Asking;
  }

  let { desk, walking, asking }: Props = $props();
  let shown = $state<'here' | 'findings' | 'parts'>('here');
  let card = $state<{ ask: (question: 'hook' | 'aside' | 'meaning') => void }>();
  const { report, at, findings } = $derived(desk);
  /** Where something was asked about the round: it is answered on its card, also between rounds. */
  let asked = $state.raw<Spot | null>(null);
  const placed = $derived(at.kind === 'round' ? at.placed : asked === desk.spot ? desk.round : null);

  /** Shows all findings, or what the caret is at again. */
  export function turn(): void {
    shown = shown === 'here' ? 'findings' : 'here';
  }

  /** Opens a question on the card of the round. */
  export async function ask(question: 'hook' | 'aside' | 'meaning'): Promise<void> {
    if (question === 'aside' && !desk.current) {
      toasts.say('No finding stands at the caret.');
      return;
    }
    shown = 'here';
    asked = question === 'aside' ? null : desk.spot;
    await drawn();
    card?.ask(question);
  }
</script>

<aside aria-label="What was found">
  <Tabs
    label="What was found"
    bind:chosen={shown}
    tabs={[
      { id: 'here', text: 'Here' },
      { id: 'findings', text: 'Findings', ...(report ? { count: findings.length } : {}) },
      { id: 'parts', text: 'Parts' },
    ]}
  />
  <div class="panel" role="tabpanel" id="panel-{shown}" aria-labelledby="tab-{shown}" tabindex="-1">
    {#if asking.composing}
      {#key asking.composing}<QueryDraft {...asking.composing} cancel={() => asking.cancel()} />{/key}
    {:else if report && shown === 'parts'}
      <PartList {desk} />
    {:else if report && shown === 'findings'}
      <FindingList {desk} {walking} {asking} />
    {:else if placed}
      <RoundCard bind:this={card} {desk} {walking} {asking} {placed} />
    {:else if at.kind === 'part'}
      <PartCard bind:this={card} {desk} {walking} {asking} index={at.index} part={at.part} />
    {:else if at.kind === 'whole'}
      <WholeCard bind:this={card} {desk} {walking} {asking} section={at.section} />
    {:else if inTrouble(desk.checking)}
      <p class="nothing">There are no figures: this text is not counted.</p>
    {/if}
  </div>
</aside>

<style>
  aside {
    display: grid;
    grid-template-rows: auto minmax(0, 1fr);
    min-height: 0;
    padding: 0 var(--space-4);
    border-left: 1px solid var(--rule-strong);
  }

  aside :global(#tab-parts) {
    display: none;
  }

  .panel {
    overflow-y: auto;
    margin: 0 calc(-1 * var(--space-2));
    scrollbar-width: thin;
  }

  .nothing {
    padding: var(--space-4) var(--space-2);
    color: var(--ink-soft);
  }

  @media (max-width: 1100px) {
    aside :global(#tab-parts) {
      display: block;
    }
  }

  @media (max-width: 900px) {
    aside {
      border-left: 0;
      border-top: 2px solid var(--ink);
    }
  }
</style>
