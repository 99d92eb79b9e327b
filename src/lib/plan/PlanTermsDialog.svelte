<script lang="ts">
  import { STAGES, type StageId } from '../../core/index.js';
  import Button from '../components/Button.svelte';
  import Check from '../components/Check.svelte';
  import Dialog from '../components/Dialog.svelte';
  import { planSettingsSchema, type PlanGiven, type PlanSettings } from '../plan.js';
  import { absencesIn, absencesOut, daysIn, daysOut } from './freeDays.js';

  interface Props {
    given: PlanGiven;
    set: (settings: PlanSettings) => void;
    onclose: () => void;
  }

  let { given, set, onclose }: Props = $props();
  // svelte-ignore state_referenced_locally
  const { settings, learnt } = given;
  const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
  let days = $state<Partial<Record<StageId, string>>>(
    Object.fromEntries(Object.entries(settings.days).map(([id, figure]) => [id, String(figure)])),
  );
  let workdays = $state([...settings.workdays]);
  let holidays = $state(daysOut(settings.holidays));
  let absences = $state(absencesOut(settings.absences));
  let hours = $state(String(settings.hoursAWeek));
  let problem = $state('');

  function keep(): void {
    const [free, away] = [daysIn(holidays), absencesIn(absences)];
    const wrong = free.problem || away.problem;
    const read = planSettingsSchema.safeParse({
      days: Object.fromEntries(
        Object.entries(days).flatMap(([id, words]) => (words.trim() === '' ? [] : [[id, Number(words)]])),
      ),
      workdays: [...workdays].sort((a, b) => a - b),
      holidays: free.days,
      absences: away.absences,
      hoursAWeek: Number(hours),
    });
    if (wrong || !read.success) {
      problem = wrong || (read.error?.issues[0]?.message ?? 'Something of it could not be read.');
      return;
    }
    set(read.data);
  }

  const usual = (id: StageId): string => {
    const known = learnt[id];
    const days = STAGES.find((stage) => stage.id === id)?.days ?? 0;
    return known
      ? `${known.median}, learnt from ${known.patterns} (${known.low} to ${known.high})`
      : `${days}, as usual`;
  };
</script>

<Dialog title="What the dates go by" {onclose}>
  <form
    onsubmit={(event) => {
      event.preventDefault();
      keep();
    }}
  >
    <table>
      <thead><tr><th>Stage</th><th>days from the one before</th><th>where nothing is set</th></tr></thead>
      <tbody>
        {#each STAGES.slice(1) as stage (stage.id)}
          <tr>
            <td>{stage.words}</td>
            <td>
              <input
                value={days[stage.id] ?? ''}
                inputmode="numeric"
                maxlength="3"
                aria-label="Days until {stage.words}"
                oninput={({ currentTarget }) => (days[stage.id] = currentTarget.value)}
              />
              {stage.counts === 'work' ? 'of work' : 'of the calendar'}
            </td>
            <td class="soft">{usual(stage.id)}</td>
          </tr>
        {/each}
      </tbody>
    </table>
    <fieldset>
      <legend>Work is done on</legend>
      {#each WEEKDAYS as name, i (name)}
        <Check
          checked={workdays.includes(i)}
          changed={(on: boolean) => (workdays = on ? [...workdays, i] : workdays.filter((one) => one !== i))}
          >{name}</Check
        >
      {/each}
    </fieldset>
    <label class="tall"
      >Holidays, a day a line: 2026-12-25
      <textarea rows="2" bind:value={holidays} spellcheck="false"></textarea></label
    >
    <label class="tall"
      >Who is away, a line each: Ines 2026-07-06 2026-07-24
      <textarea rows="3" bind:value={absences} spellcheck="false"></textarea></label
    >
    <label>A tester works <input bind:value={hours} inputmode="decimal" maxlength="4" /> hours a week</label>
    <p class="problem" role="alert">{problem}</p>
    <div><Button weight="firm" type="submit">Keep</Button></div>
  </form>
</Dialog>

<style>
  form {
    display: grid;
    gap: var(--space-3);
  }

  table {
    border-collapse: collapse;
  }

  th {
    padding: 0 var(--space-3) var(--space-1) 0;
    font-size: var(--size-small);
    text-align: left;
  }

  td {
    padding: 0.15rem var(--space-3) 0.15rem 0;
  }

  input {
    width: 3.25rem;
    min-height: 1.875rem;
    padding: 0 var(--space-2);
    text-align: right;
  }

  fieldset {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2) var(--space-4);
    margin: 0;
    padding: 0;
    border: 0;
  }

  legend {
    padding-bottom: var(--space-1);
  }

  .tall {
    display: grid;
    gap: var(--space-1);
  }

  textarea {
    padding: var(--space-2);
    resize: vertical;
  }

  .soft {
    color: var(--ink-soft);
  }

  .problem {
    color: var(--madder);
  }
</style>
