<script lang="ts">
  import Button from '../../../../lib/components/Button.svelte';
  import Mark from '../../../../lib/components/Mark.svelte';
  import type { PageProps } from './$types.js';

  let { data, params }: PageProps = $props();
</script>

<svelte:head><title>{data.name}, with its sums · Dostik</title></svelte:head>

<main>
  <nav>
    <a href="/desk/{params.id}">Back to the Desk</a>
    {#if data.tooLong === null}<Button weight="firm" onclick={() => window.print()}>Print</Button>{/if}
  </nav>
  <h1>{data.name}</h1>
  {#if data.tooLong !== null}
    <p class="told">
      {data.tooLong} Take its parts in as patterns of their own, or print the text alone: the Desk has “Download as text”.
    </p>
  {:else}
    <p class="told">
      {data.rounds} instructions recounted, {data.off === 0 ? 'none' : data.off} off. In the margin: stitches used of those
      there → made, with the change.
    </p>
    <table>
      <tbody>
        {#each data.lines as { text, sums }, i (i)}
          <tr>
            <td class="margin">
              {#each sums as { words, verdict }, k (k)}
                <span class={verdict}><Mark name={verdict} /> {words}</span>
              {/each}
            </td>
            <td>{text}</td>
          </tr>
        {/each}
      </tbody>
    </table>
    {#if data.findings.length > 0}
      <h2>Found</h2>
      <ol>
        {#each data.findings as { line, where, message }, i (i)}
          <li><strong>Line {line}{where ? `, ${where}` : ''}.</strong> {message}</li>
        {/each}
      </ol>
    {/if}
  {/if}
</main>

<style>
  main {
    max-width: 52rem;
    padding: var(--space-5);
    margin: 0 auto;
  }

  nav {
    display: flex;
    align-items: center;
    justify-content: space-between;
    padding-bottom: var(--space-4);
  }

  h1 {
    font-size: var(--size-display);
    overflow-wrap: anywhere;
  }

  h2 {
    padding: var(--space-5) 0 var(--space-2);
    font-size: var(--size-title);
    break-after: avoid;
  }

  .told {
    padding: var(--space-2) 0 var(--space-4);
    color: var(--ink-soft);
  }

  table {
    width: 100%;
    border-collapse: collapse;
  }

  tr {
    break-inside: avoid;
  }

  td.margin {
    width: 11.5rem;
    font-family: var(--figure-face);
    padding: 0 var(--space-4) 0 0;
    border-right: 1px solid var(--rule-strong);
    font-size: var(--size-small);
    font-weight: 500;
    line-height: 1.9;
    text-align: right;
    vertical-align: top;
    white-space: nowrap;
  }

  .margin span {
    display: block;
  }

  .off,
  .unreadable {
    font-weight: 680;
    color: var(--madder);
  }

  td {
    min-height: 1.6em;
    height: 1.6em;
    padding-left: var(--space-4);
    font-family: var(--text-face);
    line-height: 1.6;
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }

  ol {
    display: grid;
    gap: var(--space-2);
    padding-left: 1.4em;
    list-style: decimal;
  }

  @media print {
    nav {
      display: none;
    }

    main {
      padding: 0;
    }
  }

  @media (max-width: 640px) {
    td.margin {
      width: 6.5rem;
      padding-right: var(--space-2);
      white-space: normal;
    }
  }
</style>
