<script lang="ts">
  import { STAGES } from '../../core/index.js';
  import { dayWords, fullDayWords } from './words.js';
  import type { PlanSession } from './plan.svelte.js';

  let { session }: { session: PlanSession } = $props();
</script>

<!-- On paper alone: every pattern with all of its days. -->
<table aria-hidden="true">
  <caption>Dates, as of {fullDayWords(session.terms.today)}</caption>
  <thead>
    <tr
      ><th>Pattern</th><th>Editor</th>{#each STAGES as stage (stage.id)}<th>{stage.words}</th>{/each}</tr
    >
  </thead>
  <tbody>
    {#each session.rows as row, i (row.id)}
      <tr>
        <td>{row.name}</td>
        <td>{row.editor}</td>
        {#each session.plans[i]?.stages ?? [] as stage (stage.id)}
          <td>{stage.done === null ? dayWords(stage.due) : '✓'}</td>
        {/each}
      </tr>
    {/each}
  </tbody>
</table>

<style>
  table {
    display: none;
  }

  @media print {
    table {
      display: table;
      width: 100%;
      border-collapse: collapse;
      font-size: 9pt;
    }

    caption {
      padding-bottom: 6pt;
      font-size: 12pt;
      text-align: left;
    }

    th,
    td {
      padding: 3pt 4pt;
      border-bottom: 0.5pt solid;
      text-align: left;
    }
  }
</style>
