<script lang="ts">
  import { ask, said, troubleIn } from '../../lib/client.js';
  import Button from '../../lib/components/Button.svelte';
  import When from '../../lib/components/When.svelte';
  import { toasts } from '../../lib/components/toasts.svelte.js';
  import { broughtSchema } from '../../lib/exchange.js';
  import Frame from '../../lib/frame/Frame.svelte';
  import PageHead from '../../lib/frame/PageHead.svelte';
  import { loadAnew } from '../../lib/loadAnew.js';
  import { plural } from '../../lib/plural.js';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();

  /** A workspace is brought in within this; milliseconds. */
  const LONGEST = 120_000;
  let picker = $state<HTMLInputElement>();
  let busy = $state(false);
  let words = $state('');

  const REASONS = { daily: 'of the day', update: 'before an update', asked: 'asked for' } as const;
  const size = (bytes: number) =>
    bytes < 1_000_000 ? `${Math.max(1, Math.round(bytes / 1000))} KB` : `${(bytes / 1_000_000).toFixed(1)} MB`;
  let copying = $state(false);

  async function backUp(): Promise<void> {
    copying = true;
    try {
      await ask('/api/backups', { method: 'POST', signal: AbortSignal.timeout(LONGEST) });
      await loadAnew('dostik:backups');
    } catch (error) {
      toasts.say(troubleIn(error));
    }
    copying = false;
  }

  async function bring(file: File | undefined): Promise<void> {
    if (!file || busy) return;
    busy = true;
    words = '';
    try {
      const headers = { 'content-type': 'application/octet-stream' };
      const init = { method: 'POST', headers, body: file, signal: AbortSignal.timeout(LONGEST) };
      const { patterns, known } = await said(await ask('/api/workspace', init), broughtSchema);
      const left =
        known === 0
          ? ''
          : ` ${plural(known, 'pattern')} of it ${known === 1 ? 'was' : 'were'} here already, and stayed as they are.`;
      words = `${plural(patterns, 'pattern')} came in.${left}`;
    } catch (error) {
      toasts.say(troubleIn(error));
    }
    busy = false;
  }
</script>

<svelte:head><title>Workspace · Dostik</title></svelte:head>

<Frame at="workspace" />
<main class="page">
  <PageHead title="Workspace" />
  <section>
    <h2>All of it, in one file</h2>
    <p>
      Every pattern with its drafts and their originals, queries, letters, versions and their files, and how the house
      is set. What comes out goes in again, here or anywhere else, and nothing of it is lost.
    </p>
    <p class="does">
      <a class="button" href="/api/workspace" download>Take everything out (.zip)</a>
      <input
        bind:this={picker}
        class="unseen"
        type="file"
        accept=".zip"
        tabindex="-1"
        aria-label="A workspace to bring in"
        onchange={(event) => {
          void bring(event.currentTarget.files?.[0]);
          event.currentTarget.value = '';
        }}
      />
      <Button disabled={busy} onclick={() => picker?.click()}>Bring a workspace in</Button>
    </p>
    <p role="status">{busy ? 'Bringing it in …' : words}</p>
  </section>
  <section>
    <h2>Backups</h2>
    {#if data.folder === null}
      <p>The database is a service elsewhere, which makes its own backups.</p>
    {:else}
      <p>
        The whole database is copied once a day{data.filesToo ? ', with the files that go with it,' : ''} and before each
        update, and each copy is tried by reading all of it. They lie in <span class="folder">{data.folder}</span>;
        <code>npx dostik restore</code> puts one back.
      </p>
      {#if data.backups.length > 0}
        <table>
          <thead
            ><tr
              ><th scope="col">Made</th><th scope="col">Why</th><th scope="col" class="figure">Size</th><th scope="col"
                >File</th
              ></tr
            ></thead
          >
          <tbody>
            {#each data.backups as { name, why, at, size: bytes } (name)}
              <tr><td><When {at} /></td><td>{REASONS[why]}</td><td class="figure">{size(bytes)}</td><td>{name}</td></tr>
            {/each}
          </tbody>
        </table>
      {:else}<p>There is none yet.</p>{/if}
      {#if !data.filesToo}
        <p>Originals and photographs lie in a bucket elsewhere, which makes its own backups.</p>
      {/if}
      <p><Button disabled={copying} onclick={() => void backUp()}>{copying ? 'Copying …' : 'Make one now'}</Button></p>
    {/if}
  </section>
  <section>
    <h2>For other programs</h2>
    <p>
      A pattern as it was understood, with its parts, rounds, steps, counts, findings and queries, is had as .json under
      Release, Editions. <a href="/api/schema">What stands in it</a> is described as a JSON Schema.
    </p>
  </section>
</main>

<style>
  section {
    display: grid;
    gap: var(--space-3);
    max-width: 44rem;
    padding-bottom: var(--space-6);
  }

  h2 {
    font-size: var(--size-title);
  }

  .folder,
  code {
    font-size: var(--size-small);
    overflow-wrap: anywhere;
  }

  table {
    border-collapse: collapse;
    font-size: var(--size-body);
  }

  th,
  td {
    padding: var(--space-1) var(--space-3) var(--space-1) 0;
    border-bottom: 1px solid var(--rule);
    font-weight: 400;
    text-align: left;
    overflow-wrap: anywhere;
  }

  th {
    color: var(--ink-soft);
  }

  .figure {
    text-align: right;
    white-space: nowrap;
  }

  .does {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-3);
  }

  .button {
    display: inline-flex;
    align-items: center;
    min-height: 2.125rem;
    padding: 0 var(--space-3);
    border-radius: var(--radius);
    background: var(--ink);
    color: var(--paper);
    font-weight: 550;
    text-decoration: none;
  }
</style>
