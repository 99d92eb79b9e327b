<script lang="ts">
  import { goto, invalidate } from '$app/navigation';
  import { onMount } from 'svelte';
  import AddressHere from '../addresses/AddressHere.svelte';
  import { notKept, putOnPlan, setPlan, takeOffPlan } from '../client.js';
  import Button from '../components/Button.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import Frame from '../frame/Frame.svelte';
  import { offering } from '../frame/house.svelte.js';
  import PageHead from '../frame/PageHead.svelte';
  import type { AddressStanding } from '../addresses.js';
  import type { PlanEntry, PlanGiven, PlanSettings } from '../plan.js';
  import { PlanSession } from './plan.svelte.js';
  import MovingBar from './MovingBar.svelte';
  import PlanAdd from './PlanAdd.svelte';
  import PlanCard from './PlanCard.svelte';
  import PlanGrid from './PlanGrid.svelte';
  import PlanPrint from './PlanPrint.svelte';
  import PlanTasks from './PlanTasks.svelte';
  import PlanTermsDialog from './PlanTermsDialog.svelte';

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
  $effect(() => session.take(given));
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
    await invalidate('dostik:plan');
  }

  const put = (id: string, entry: PlanEntry) =>
    keeping(async () => {
      await putOnPlan(id, entry);
      session.at = id;
    });
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
  <section class="calendar" aria-label="Calendar">
    <h2>In a calendar</h2>
    <p>
      Dates and reminders can be followed in any calendar that takes an address. Whoever has the address sees them, and
      nothing else.
    </p>
    <AddressHere
      {address}
      leads="/calendar/"
      of="/api/plan/address"
      anew={['dostik:plan']}
      none="There is no address yet."
      withdrawn="The address is withdrawn: calendars that follow it hear nothing any more."
    />
  </section>
</main>

{#if open === 'add'}
  <PlanAdd
    {unlisted}
    lists={[...new Set(session.rows.map(({ list }) => list))].filter((list) => list !== '')}
    today={given.today}
    put={(id, entry) => void put(id, entry)}
    onclose={() => (open = null)}
  />
{:else if open === 'terms'}
  <PlanTermsDialog {given} set={(settings) => void set(settings)} onclose={() => (open = null)} />
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
    display: grid;
    gap: var(--space-2);
    padding-top: var(--space-4);
    border-top: 1px solid var(--rule);
  }

  h2 {
    font-size: var(--size-title);
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
      display: none;
    }
  }
</style>
