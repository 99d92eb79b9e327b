<script lang="ts">
  import { HOOKS, STITCHES, YARN_WEIGHTS, type Stitch } from '../../core/index.js';
  import Button from '../../lib/components/Button.svelte';

  let sought = $state('');

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
        <thead><tr><th>US</th><th>short</th><th>UK</th><th>short</th></tr></thead>
        <tbody>
          {#each rows.filter(holds) as { us, usShort, uk, ukShort } (us)}
            <tr><td>{us}</td><td><b>{usShort}</b></td><td>{uk}</td><td><b>{ukShort}</b></td></tr>
          {/each}
        </tbody>
      </table>
    </section>
  {/if}
{/snippet}

<main>
  <nav>
    <a href="/">Shelf</a>
    <h1>Reference card</h1>
    <input type="search" bind:value={sought} placeholder="Find a term, a hook, a yarn" aria-label="Find on the card" />
    <Button onclick={() => window.print()}>Print</Button>
  </nav>
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
  main {
    max-width: 76rem;
    padding: var(--space-4) var(--space-5);
    margin: 0 auto;
  }

  nav {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: var(--space-3) var(--space-4);
    padding-bottom: var(--space-4);
  }

  nav a {
    font-family: var(--text-face);
    font-style: italic;
  }

  h1 {
    flex: 1;
    font-size: var(--size-title);
  }

  input {
    width: 17rem;
    min-height: 2.125rem;
    padding: 0 var(--space-3);
    border: 1px solid var(--rule-strong);
    border-radius: var(--radius);
    background: var(--paper-raised);
    color: var(--ink);
    font: inherit;
  }

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
    white-space: nowrap;
  }

  @media print {
    nav a,
    nav input,
    nav :global(button) {
      display: none;
    }

    main {
      padding: 0;
    }

    table {
      font-size: var(--size-small);
    }
  }
</style>
