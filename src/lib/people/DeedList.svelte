<script lang="ts">
  import { byDay } from '../byDay.js';
  import { howOf, inWords, wordsOf, type Done } from '../deeds.js';

  let { done }: { done: readonly Done[] } = $props();
  const day = new Intl.DateTimeFormat('en-GB', { dateStyle: 'full' });
  const time = new Intl.DateTimeFormat('en-GB', { timeStyle: 'short' });

  const days = $derived(byDay(done, (at) => day.format(at)));
</script>

{#each days as { day: name, all } (name)}
  <section aria-label={name}>
    <h2>{name}</h2>
    <table>
      <tbody>
        {#each all as one (one.id)}
          <tr class:refused={one.refused}>
            <td class="time"
              >{one.times > 1 && time.format(one.first) !== time.format(one.at)
                ? `${time.format(one.first)}–${time.format(one.at)}`
                : time.format(one.at)}</td
            >
            <th scope="row"
              >{one.who || 'Somebody'}{#if one.role && one.role !== 'owner'}<small>{one.role}</small>{/if}</th
            >
            <td class="what"
              >{#if one.pattern}{wordsOf(one.deed)} <a href="/history/{one.pattern}">{one.about}</a>{howOf(
                  one,
                )}{:else}{inWords(one)}{/if}</td
            >
            <td class="place">{one.place}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  </section>
{/each}

<style>
  section {
    max-width: 60rem;
    padding-bottom: var(--space-4);
  }

  h2 {
    padding: var(--space-3) 0 var(--space-1);
    border-bottom: 1px solid var(--rule-strong);
    font-size: 1.0625rem;
  }

  table {
    width: 100%;
    border-collapse: collapse;
    font-size: var(--size-body);
    table-layout: fixed;
  }

  tr {
    border-bottom: 1px solid var(--rule);
  }

  th,
  td {
    padding: 0.35rem var(--space-3) 0.35rem 0;
    font-weight: 400;
    text-align: left;
    vertical-align: baseline;
    overflow-wrap: anywhere;
  }

  .time {
    width: 8rem;
    color: var(--ink-soft);
    font-size: var(--size-small);
    font-variant-numeric: tabular-nums;
  }

  th {
    width: 12rem;
    font-weight: 600;
  }

  small {
    margin-left: 0.5em;
    color: var(--ink-soft);
    font-weight: 400;
  }

  .place {
    width: 9rem;
    padding-right: 0;
    color: var(--ink-soft);
    font-size: var(--size-small);
    text-align: right;
  }

  .refused .what {
    color: var(--madder);
  }

  a {
    color: var(--ink);
    text-decoration-color: var(--rule-strong);
  }

  @media (max-width: 720px) {
    tr {
      display: grid;
      padding: var(--space-1) 0;
    }

    th,
    td,
    .time,
    .place {
      width: auto;
      padding: 0;
      text-align: left;
    }
  }
</style>
