<script lang="ts">
  import { holds, type Address } from '../addresses.js';
  import { troubleIn } from '../client.js';
  import Button from '../components/Button.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import When from '../components/When.svelte';
  import { loadAnew } from '../loadAnew.js';
  import { withdrawAddress } from './asking.js';

  let { addresses }: { addresses: readonly Address[] } = $props();
  const out = $derived(addresses.filter((one) => holds(one)));
  const over = $derived(addresses.filter((one) => !holds(one)));
  const day = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium' });

  function leads({ purpose, who, pattern, call }: Address): string {
    if (purpose === 'join') return `${who} sets a password`;
    if (purpose === 'calendar') return 'The dates of the plan, as a calendar';
    if (purpose === 'bench') return `Test ${call} of ${pattern}`;
    return `The letter on ${pattern}${who === '' ? '' : `, for ${who}`}`;
  }

  async function withdraw(one: Address): Promise<void> {
    try {
      await withdrawAddress(`/api/addresses/${encodeURIComponent(one.mark)}`);
      toasts.say(`“${leads(one)}” leads nowhere any more.`);
    } catch (error) {
      toasts.say(troubleIn(error));
    }
    await loadAnew('dostik:people');
  }
</script>

{#snippet row(one: Address)}
  <tr>
    <th scope="row">{leads(one)}</th>
    <td
      >{#if one.usedAt === null}nobody has come by it{:else}last used <When at={one.usedAt} />{/if}</td
    >
    <td
      >{one.withdrawnAt !== null
        ? `withdrawn ${day.format(one.withdrawnAt)}`
        : `${holds(one) ? 'holds until' : 'held until'} ${day.format(one.endsAt)}`}</td
    >
    <td
      >{#if holds(one)}<Button weight="quiet" onclick={() => void withdraw(one)}
          >Withdraw<span class="unseen">&nbsp;{leads(one)}</span></Button
        >{/if}</td
    >
  </tr>
{/snippet}

<section aria-label="Addresses that are out">
  <h2>Addresses that are out</h2>
  <p>
    Whoever has one may do what it is for, without an account, and nothing else. The secret in each is kept nowhere as
    it is.
  </p>
  {#if out.length === 0}<p>None is out.</p>
  {:else}<table>
      <tbody
        >{#each out as one (one.mark)}{@render row(one)}{/each}</tbody
      >
    </table>{/if}
  {#if over.length > 0}
    <details>
      <summary>{over.length} that lead nowhere any more</summary>
      <table>
        <tbody
          >{#each over as one (one.mark)}{@render row(one)}{/each}</tbody
        >
      </table>
    </details>
  {/if}
</section>

<style>
  section {
    margin-top: var(--space-6);
  }

  h2 {
    margin-bottom: var(--space-1);
    font-size: var(--size-title);
  }

  section > p,
  td {
    color: var(--ink-soft);
  }

  table {
    width: 100%;
    margin-top: var(--space-3);
    border-top: 1px solid var(--rule-strong);
    border-collapse: collapse;
  }

  tr {
    border-bottom: 1px solid var(--rule);
  }

  th,
  td {
    padding: var(--space-1) var(--space-3) var(--space-1) 0;
    text-align: left;
    overflow-wrap: anywhere;
  }

  th {
    font-weight: 600;
  }

  td:last-child {
    padding-right: 0;
    text-align: right;
  }

  details {
    margin-top: var(--space-4);
  }

  summary {
    color: var(--woad);
    cursor: pointer;
  }

  @media (width < 700px) {
    tr {
      display: grid;
      padding: var(--space-2) 0;
    }

    td:last-child {
      text-align: left;
    }
  }
</style>
