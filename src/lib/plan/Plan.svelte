<script lang="ts">
  import { goto } from '$app/navigation';
  import { onMount, tick, untrack } from 'svelte';
  import { notKept, putOnPlan, setPlan, takeOffPlan } from '../client.js';
  import Button from '../components/Button.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import Frame from '../frame/Frame.svelte';
  import { offering } from '../frame/house.svelte.js';
  import PageHead from '../frame/PageHead.svelte';
  import type { AddressStanding } from '../addresses.js';
  import { loadAnew } from '../loadAnew.js';
  import type { PlanEntry, PlanGiven, PlanSettings } from '../plan.js';
  import { PlanSession } from './plan.svelte.js';
  import MovingBar from './MovingBar.svelte';
  import PlanCard from './PlanCard.svelte';
  import PlanGrid from './PlanGrid.svelte';
  import PlanPrint from './PlanPrint.svelte';
  import PlanTasks from './PlanTasks.svelte';

  interface Props {
    given: PlanGiven;
    /** Patterns that are on no list yet. */
    unlisted: readonly { readonly id: string; readonly name: string }[];
    /** Where the calendar is followed; null where nowhere. */
    address: AddressStanding | null;
    /** Who has an account. */
    people: readonly string[];
  }

  let { given, unlisted, address, people }: Props = $props();
  // svelte-ignore state_referenced_locally
  const session = new PlanSession(given, { put: putOnPlan, say: (words) => toasts.say(words) });
  let open = $state<'add' | 'terms' | null>(null);
  let grid = $state<PlanGrid>();
  /** Where the dates are followed was asked for. */
  let followed = $state(false);
  $effect(() => {
    const now = given;
    // Where one is in the plan is no reason to take up anew what was there before.
    untrack(() => session.take(now));
  });
  // From the Shelf one comes to a pattern.
  onMount(() => {
    const id = location.hash.slice(1);
    if (session.rows.some((row) => row.id === id)) session.goTo(id);
  });
  const names = $derived(
    [...new Set([...people, ...session.rows.map(({ editor }) => editor)])].filter((name) => name !== ''),
  );

  async function keeping(work: () => Promise<void>): Promise<void> {
    try {
      await work();
      open = null;
    } catch (error) {
      toasts.say(notKept(error));
    }
    await loadAnew('dostik:plan');
  }

  async function put(id: string, entry: PlanEntry): Promise<void> {
    await keeping(() => putOnPlan(id, entry));
    await tick();
    if (session.rows.some((row) => row.id === id)) session.goTo(id);
  }
  const set = (settings: PlanSettings) => keeping(() => setPlan(settings));

  offering({
    'plan-add': () => (open = 'add'),
    'plan-settings': () => (open = 'terms'),
    'next-late': () => session.toLate(1),
    'last-late': () => session.toLate(-1),
    'plan-open': () => session.at !== null && void goto(`/desk/${session.at}`),
    'plan-print': () => window.print(),
    manuscript: () => grid?.ask(),
  });
</script>

<Frame at="plan" />
<main>
  <PageHead
    title="Plan"
    about={session.rows.length === 0
      ? 'Patterns with the day on which they are to come out. From there all other days follow, backwards: when each has to be signed, tested, answered, checked and in.'
      : ''}
  >
    {#snippet tools()}
      <Button weight="firm" title="N" onclick={() => (open = 'add')}>Put a pattern on the plan</Button>
      <Button title="Alt S" onclick={() => (open = 'terms')}>Durations and free days</Button>
      <Button weight="quiet" title="Alt P" onclick={() => window.print()}>Print</Button>
      <a href="/api/plan" download="plan.ics">As a calendar file</a>
    {/snippet}
  </PageHead>
  {#if session.rows.length > 0}
    <PlanGrid bind:this={grid} {session} />
    <MovingBar {session} />
    <div class="below">
      <PlanTasks {session} />
      {#if session.row}
        {#key session.row.id}
          <PlanCard
            {session}
            row={session.row}
            {given}
            {names}
            remove={(id: string) => void keeping(() => takeOffPlan(id))}
          />
        {/key}
      {/if}
    </div>
    <PlanPrint {session} />
  {/if}
  <details class="calendar" ontoggle={({ currentTarget }) => (followed ||= currentTarget.open)}>
    <summary>Follow the dates in a calendar</summary>
    <p>
      Dates and reminders can be followed in any calendar that takes an address. Whoever has the address sees them, and
      nothing else.
    </p>
    {#if followed}
      {#await import('../addresses/AddressHere.svelte') then { default: AddressHere }}
        <AddressHere
          {address}
          leads="/calendar/"
          of="/api/plan/address"
          anew={['dostik:plan']}
          none="There is no address yet."
          withdrawn="The address is withdrawn: calendars that follow it hear nothing any more."
        />
      {/await}
    {/if}
  </details>
</main>

{#if open === 'add'}
  {#await import('./PlanAdd.svelte') then { default: PlanAdd }}
    <PlanAdd
      {unlisted}
      lists={[...new Set(session.rows.map(({ list }) => list))].filter((list) => list !== '')}
      today={given.today}
      put={(id: string, entry: PlanEntry) => void put(id, entry)}
      onclose={() => (open = null)}
    />
  {/await}
{:else if open === 'terms'}
  {#await import('./PlanTermsDialog.svelte') then { default: PlanTermsDialog }}
    <PlanTermsDialog {given} set={(settings: PlanSettings) => void set(settings)} onclose={() => (open = null)} />
  {/await}
{/if}

<style>
  main {
    display: grid;
    gap: var(--space-4);
    max-width: 96rem;
    padding: var(--space-4) var(--space-5) var(--space-6);
    margin: 0 auto;
  }

  main > :global(.grid) {
    max-height: 46dvh;
  }

  .below {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: var(--space-5) var(--space-6);
  }

  .calendar {
    padding-top: var(--space-4);
    border-top: 1px solid var(--rule);
  }

  summary {
    font-weight: 600;
    cursor: pointer;
  }

  @media (max-width: 900px) {
    main {
      padding: var(--space-3);
    }

    .below {
      grid-template-columns: minmax(0, 1fr);
    }
  }

  @media print {
    main > :global(:not(table)) {
      display: none !important;
    }
  }
</style>
