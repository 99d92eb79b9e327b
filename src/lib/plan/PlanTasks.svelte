<script lang="ts">
  import { STAGES, type Task } from '../../core/index.js';
  import Select from '../components/Select.svelte';
  import { dayWords } from './words.js';
  import { plural } from '../plural.js';
  import type { PlanSession } from './plan.svelte.js';

  let { session }: { session: PlanSession } = $props();
  const todo = (task: Task) => STAGES.find(({ id }) => id === task.stage)?.todo ?? '';
  const late = (task: Task) => session.terms.today - task.due;
</script>

{#snippet tasks(all: readonly Task[], none: string)}
  <ul>
    {#each all as task (task.pattern)}
      <li>
        <button type="button" onclick={() => session.goTo(task.pattern, task.stage)}>
          <span><b>{task.name}</b>: {todo(task).toLowerCase()}</span>
          <span class="who">{task.person || 'nobody yet'}</span>
          <span class="due" class:late={late(task) > 0}
            >{late(task) > 0
              ? `${plural(late(task), 'day')} late`
              : late(task) === 0
                ? 'today'
                : dayWords(task.due)}</span
          >
        </button>
      </li>
    {:else}
      <li class="none">{none}</li>
    {/each}
  </ul>
{/snippet}

<section aria-label="What is to be done">
  <header>
    <h2>Today</h2>
    <Select
      label="Whose"
      value={session.person}
      options={[
        { value: '', text: 'Everybody' },
        ...session.people.filter((one) => one !== '').map((one) => ({ value: one, text: one })),
      ]}
      chosen={(value: string) => (session.person = value)}
    />
  </header>
  {@render tasks(session.today, 'Nothing is due.')}
  <h2>This week</h2>
  {@render tasks(session.week, 'Nothing more until Sunday.')}
</section>

<style>
  section {
    display: grid;
    align-content: start;
    gap: var(--space-2);
  }

  header {
    display: flex;
    align-items: center;
    justify-content: space-between;
  }

  h2 {
    font-size: var(--size-title);
  }

  button {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 6rem 6.5rem;
    gap: var(--space-3);
    width: 100%;
    padding: 0.3rem 0;
    border-top: 1px solid var(--rule);
  }

  button:hover {
    color: var(--woad);
  }

  .who {
    overflow: hidden;
    color: var(--ink-soft);
    text-overflow: ellipsis;
  }

  .due {
    white-space: nowrap;
    text-align: right;
  }

  .late {
    color: var(--madder);
    font-weight: 600;
  }

  .none {
    color: var(--ink-soft);
  }
</style>
