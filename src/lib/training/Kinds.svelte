<script lang="ts">
  import type { KindEntry } from '../training.js';

  let { kinds, now }: { kinds: readonly KindEntry[]; now: number } = $props();
  const DAY = 86_400_000;

  function due({ dueAt }: KindEntry): string {
    if (dueAt === null) return '–';
    const days = Math.ceil((dueAt - now) / DAY);
    return days <= 0 ? 'now' : days === 1 ? 'within a day' : `in ${days} days`;
  }
</script>

<table>
  <thead
    ><tr
      ><th>Kind of fault</th><th class="figure">found</th><th class="figure">missed</th><th class="again"
        >comes again</th
      ></tr
    ></thead
  >
  <tbody>
    {#each kinds as kind (kind.kind)}
      <tr class:unmet={kind.dueAt === null}>
        <td>{kind.words}</td>
        <td class="figure">{kind.found || ''}</td>
        <td class="figure missed">{kind.missed || ''}</td>
        <td class:now={due(kind) === 'now'}>{due(kind)}</td>
      </tr>
    {/each}
  </tbody>
</table>

<style>
  table {
    width: 100%;
    border-collapse: collapse;
    font-size: var(--size-body);
  }

  th {
    padding: var(--space-1) var(--space-2);
    font-size: var(--size-small);
    text-align: left;
  }

  td {
    padding: 0.22rem var(--space-2);
    border-top: 1px solid var(--rule);
  }

  td:first-child,
  th:first-child {
    padding-left: 0;
  }

  .again {
    white-space: nowrap;
  }

  .figure {
    width: 3.5rem;
    text-align: right;
  }

  .missed {
    color: var(--madder);
    font-weight: 600;
  }

  .unmet {
    color: var(--ink-soft);
  }

  .now {
    font-weight: 600;
  }
</style>
