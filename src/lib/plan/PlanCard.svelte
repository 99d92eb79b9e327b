<script lang="ts">
  import { isoOf, STAGES, type StageId, testDays } from '../../core/index.js';
  import Button from '../components/Button.svelte';
  import Check from '../components/Check.svelte';
  import { daysOf, type PlanGiven, type PlanRow } from '../plan.js';
  import { fullDayWords } from './words.js';
  import type { PlanSession } from './plan.svelte.js';

  interface Props {
    session: PlanSession;
    row: PlanRow;
    given: PlanGiven;
    /** Names that can stand for an editor. */
    names: readonly string[];
    remove: (id: string) => void;
  }

  let { session, row, given, names, remove }: Props = $props();
  const plan = $derived(session.planOf(row.id));
  const hours = $derived(row.hours ?? row.found ?? row.expected);
  /** A test goes by the hours of the toy, where they are known. */
  const took = $derived({
    ...daysOf(given),
    ...(hours === null ? {} : { tested: testDays(hours, given.settings.hoursAWeek) }),
  });
  const others = $derived(session.rows.filter(({ id }) => id !== row.id));

  function reach(stage: StageId, reached: boolean): void {
    const rest = Object.fromEntries(Object.entries(row.done).filter(([id]) => id !== stage));
    void session.change(row.id, { done: reached ? { ...rest, [stage]: given.today } : rest });
  }

  function setHours(words: string): void {
    const hours = words.trim() === '' ? null : Number(words.replace(',', '.'));
    if (hours === null || (hours > 0 && hours <= 2000)) void session.change(row.id, { hours });
  }

  function wait(id: string, waits: boolean): void {
    const rest = row.after.filter((one) => one !== id);
    void session.change(row.id, { after: waits ? [...rest, id] : rest });
  }
</script>

<section aria-label="Plan of {row.name}">
  <header>
    <h2><a href="/desk/{row.id}" title="Alt G">{row.name}</a></h2>
    <Button weight="quiet" onclick={() => remove(row.id)}>Off the plan</Button>
  </header>
  {#each plan?.problems ?? [] as problem (problem)}<p class="problem" role="alert">{problem}</p>{/each}
  <div class="fields">
    <label
      >Release
      <input
        type="date"
        value={row.release}
        required
        onchange={({ currentTarget }) =>
          currentTarget.value && void session.change(row.id, { release: currentTarget.value })}
      /></label
    >
    <label
      >Editor
      <input
        value={row.editor}
        list="editors"
        maxlength="80"
        onchange={({ currentTarget }) => void session.change(row.id, { editor: currentTarget.value.trim() })}
      /></label
    >
    <label
      >List
      <input
        value={row.list}
        list="lists"
        maxlength="80"
        onchange={({ currentTarget }) => void session.change(row.id, { list: currentTarget.value.trim() })}
      /></label
    >
    <label
      >Hours of making
      <input
        value={row.hours ?? ''}
        inputmode="decimal"
        placeholder={row.found !== null
          ? `${row.found}, as tested`
          : row.expected !== null
            ? `${row.expected}, by its stitches`
            : 'not known'}
        onchange={({ currentTarget }) => setHours(currentTarget.value)}
      /></label
    >
  </div>
  <datalist id="editors"
    >{#each names as name (name)}<option value={name}></option>{/each}</datalist
  >
  <datalist id="lists"
    >{#each [...new Set(session.rows.map(({ list }) => list))] as list (list)}<option value={list}
      ></option>{/each}</datalist
  >
  <table>
    <thead><tr><th>Stage</th><th class="figure">takes</th><th>day</th><th>reached</th></tr></thead>
    <tbody>
      {#each plan?.stages ?? [] as stage, i (stage.id)}
        {@const known = STAGES[i]}
        <tr class:at={stage.id === session.stage}>
          <td><button type="button" onclick={() => session.goTo(row.id, stage.id)}>{known?.words}</button></td>
          <td class="figure">{i === 0 ? '' : `${took[stage.id]} ${known?.counts === 'work' ? 'work' : 'cal.'}`}</td>
          <td class:late={stage.done === null && stage.due < session.terms.today}
            >{fullDayWords(stage.done ?? stage.due)}{#if row.moved[stage.id] !== undefined && stage.done === null}
              <button type="button" class="go" title="Delete" onclick={() => void session.letGo(row.id, stage.id)}
                >moved: let go</button
              >{/if}</td
          >
          <td>
            {#if row.reached[stage.id] !== undefined && row.done[stage.id] === undefined}
              <span class="soft">as known</span>
            {:else}
              <Check
                checked={row.done[stage.id] !== undefined}
                label="{known?.words ?? ''} reached"
                changed={(on: boolean) => reach(stage.id, on)}
              />
            {/if}
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
  {#if plan?.next && plan.slips > 0}
    <p class="late">If work goes on from today it comes out on {fullDayWords(plan.likely)}.</p>
  {/if}
  {#if others.length > 0}
    <details>
      <summary
        >{row.after.length === 0
          ? 'Waits for no other pattern'
          : `Comes out after ${row.after.map((id) => others.find((one) => one.id === id)?.name ?? 'one that is off the plan').join(', ')}`}</summary
      >
      <ul>
        {#each others as other (other.id)}
          <li>
            <Check checked={row.after.includes(other.id)} changed={(on: boolean) => wait(other.id, on)}
              >{other.name}</Check
            >
          </li>
        {/each}
      </ul>
    </details>
  {/if}
  <p class="soft">
    Today is {isoOf(session.terms.today)}. Days of work leave out what is set as free; “cal.” are days of the calendar.
  </p>
</section>

<style>
  section {
    display: grid;
    align-content: start;
    gap: var(--space-3);
  }

  header {
    display: flex;
    align-items: baseline;
    justify-content: space-between;
    gap: var(--space-3);
  }

  h2 {
    overflow: hidden;
    font-size: var(--size-title);
    text-overflow: ellipsis;
  }

  .problem {
    padding: var(--space-2) var(--space-3);
    border-left: 3px solid var(--madder);
    background: var(--madder-wash);
  }

  .fields {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(9rem, 1fr));
    gap: var(--space-3);
  }

  label {
    display: grid;
    gap: var(--space-1);
    font-size: var(--size-small);
    font-weight: 600;
  }

  input {
    min-width: 0;
    min-height: 2.125rem;
    padding: 0 var(--space-2);
    font-size: var(--size-body);
    font-weight: 400;
  }

  table {
    width: 100%;
    border-collapse: collapse;
  }

  th {
    padding: var(--space-1) var(--space-2);
    font-size: var(--size-small);
    text-align: left;
  }

  td {
    padding: 0.2rem var(--space-2);
    border-top: 1px solid var(--rule);
  }

  .figure {
    color: var(--ink-soft);
    text-align: right;
    white-space: nowrap;
  }

  .at td {
    background: var(--woad-wash);
  }

  .go {
    margin-left: var(--space-2);
    color: var(--woad);
    font-size: var(--size-small);
  }

  .late {
    color: var(--madder);
    font-weight: 600;
  }

  .soft {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }
</style>
