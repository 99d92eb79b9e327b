<script lang="ts">
  import { ask, said, troubleIn } from '../../lib/client.js';
  import Button from '../../lib/components/Button.svelte';
  import { toasts } from '../../lib/components/toasts.svelte.js';
  import { broughtSchema } from '../../lib/exchange.js';
  import Frame from '../../lib/frame/Frame.svelte';
  import PageHead from '../../lib/frame/PageHead.svelte';
  import { plural } from '../../lib/plural.js';

  /** A workspace is brought in within this; milliseconds. */
  const LONGEST = 120_000;
  let picker = $state<HTMLInputElement>();
  let busy = $state(false);
  let words = $state('');

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
