<script lang="ts">
  import { HOOKS, STITCHES, YARN_WEIGHTS, type Stitch } from '../../core/index.js';
  import Button from '../../lib/components/Button.svelte';
  import Search from '../../lib/components/Search.svelte';
  import Frame from '../../lib/frame/Frame.svelte';
  import { offering } from '../../lib/frame/house.svelte.js';
  import PageHead from '../../lib/frame/PageHead.svelte';

  let sought = $state('');
  let search = $state<Search>();
  offering({ search: () => search?.ask(), print: () => window.print() });

  interface Row {
    readonly us: string;
    readonly usShort: string;
    readonly uk: string;
    readonly ukShort: string;
  }
  /** "FPsc", as it is usually written. */
  const posted = (name: string) => name.replace(/^[fb]p/, (post) => post.toUpperCase());
  const row = ({ us, uk }: Stitch): Row => ({
    us: us.long[0] ?? '',
    usShort: us.short.slice(0, 3).map(posted).join(', '),
    uk: uk.long[0] ?? '',
    ukShort: uk.short.slice(0, 3).map(posted).join(', '),
  });
  const differ = STITCHES.filter(({ us, uk }) => us.long[0] !== uk.long[0]).map(row);
  const shared = STITCHES.filter(({ us, uk }) => us.long[0] === uk.long[0]).map(row);
  const words: Row[] = [
    { us: 'skip', usShort: 'sk', uk: 'miss', ukShort: '' },
    { us: 'yarn over', usShort: 'yo', uk: 'yarn round hook', ukShort: 'yrh, yoh' },
    { us: 'gauge', usShort: '', uk: 'tension', ukShort: '' },
  ];
  const hooks = HOOKS.map(({ millimetres, us, uk }) => ({ mm: millimetres.toFixed(2), us: us ?? '–', uk: uk ?? '–' }));
  const weights = YARN_WEIGHTS.map(({ number, us, uk }) => ({
    number: String(number),
    us: us.join(', '),
    uk: uk.join(', '),
  }));

  function holds(cells: object): boolean {
    const words = sought.trim().toLowerCase();
    return words === '' || Object.values(cells).some((cell: string) => cell.toLowerCase().includes(words));
  }
  const nothing = $derived(![...differ, ...shared, ...words, ...hooks, ...weights].some(holds));
</script>

<svelte:head><title>Reference card · Dostik</title></svelte:head>

{#snippet stitches(title: string, rows: readonly Row[])}
  {#if rows.some(holds)}
    <section>
      <h2>{title}</h2>
      <table>
        <thead><tr><th>US</th><th>UK</th></tr></thead>
        <tbody>
          {#each rows.filter(holds) as { us, usShort, uk, ukShort } (us)}
            <tr><td>{us} <b>{usShort}</b></td><td>{uk} <b>{ukShort}</b></td></tr>
          {/each}
        </tbody>
      </table>
    </section>
  {/if}
{/snippet}

<Frame at="card" />
<main class="page">
  <PageHead title="Reference card">
    {#snippet tools()}
      <Search bind:this={search} bind:value={sought} label="Find a term, a hook, a yarn" />
      <Button title="Alt P" onclick={() => window.print()}>Print</Button>
    {/snippet}
  </PageHead>
  <div class="columns">
    {@render stitches('Stitches with two names', differ)}
    {@render stitches('Other words', words)}
    {@render stitches('The same in both', shared)}
    {#if hooks.some(holds)}
      <section>
        <h2>Hooks</h2>
        <table>
          <thead><tr><th>mm</th><th>US</th><th>old UK</th></tr></thead>
          <tbody>
            {#each hooks.filter(holds) as { mm, us, uk } (mm)}<tr><td>{mm}</td><td>{us}</td><td>{uk}</td></tr>{/each}
          </tbody>
        </table>
      </section>
    {/if}
    {#if weights.some(holds)}
      <section>
        <h2>Yarn weights</h2>
        <table>
          <thead><tr><th>no.</th><th>US</th><th>UK</th></tr></thead>
          <tbody>
            {#each weights.filter(holds) as { number, us, uk } (number)}
              <tr><td>{number}</td><td>{us}</td><td>{uk}</td></tr>
            {/each}
          </tbody>
        </table>
      </section>
    {/if}
  </div>
  {#if nothing}<p>Nothing on the card has “{sought}” in it.</p>{/if}
</main>

<style>
  .columns {
    columns: 24rem;
    column-gap: var(--space-6);
  }

  section {
    padding-bottom: var(--space-5);
    break-inside: avoid;
  }

  h2 {
    padding-bottom: var(--space-1);
    font-size: var(--size-text);
  }

  table {
    width: 100%;
    border-collapse: collapse;
    font-size: var(--size-body);
  }

  th {
    color: var(--ink-soft);
    font-size: var(--size-small);
    font-weight: 500;
    text-align: left;
  }

  th,
  td {
    padding: 0.15rem var(--space-2) 0.15rem 0;
    border-bottom: 1px solid var(--rule);
    vertical-align: baseline;
  }

  b {
    font-weight: 620;
  }

  @media print {
    table {
      font-size: var(--size-small);
    }
  }
</style>
