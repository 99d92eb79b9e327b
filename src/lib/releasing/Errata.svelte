<script lang="ts">
  import { erratumWords } from '../../core/index.js';
  import Button from '../components/Button.svelte';
  import Choice from '../components/Choice.svelte';
  import When from '../components/When.svelte';
  import ErratumForm from './ErratumForm.svelte';
  import type { ReleaseSession } from './release.svelte.js';
  import type { ReleaseData } from './releaseData.js';

  let { data, session }: { data: ReleaseData; session: ReleaseSession } = $props();
  let adding = $state(false);
  let terms = $state<'us' | 'uk'>('us');
  const href = (form: string) => `/api/patterns/${data.id}/errata/list?terms=${terms}&form=${form}`;
</script>

{#if data.versions.length === 0}
  <p class="none">Errata are of versions that have gone out; none has yet.</p>
{:else}
  <div class="head">
    <Choice
      label="Terms"
      name="errata-terms"
      value={terms}
      options={[
        { value: 'us', text: 'US' },
        { value: 'uk', text: 'UK' },
      ]}
      chosen={(wanted: 'us' | 'uk') => (terms = wanted)}
    />
    <span class="forms">
      {#each ['pdf', 'html', 'md', 'txt'] as form (form)}<a href={href(form)} download>.{form}</a>{/each}
    </span>
    {#if !adding}<Button weight="firm" onclick={() => (adding = true)}>Enter a mistake</Button>{/if}
  </div>
  {#if adding}<ErratumForm {data} {session} done={() => (adding = false)} />{/if}
  <ol>
    {#each data.errata as one (one.number)}
      <li>
        <p class="words">{erratumWords({ ...one, ...one.words[terms] })}</p>
        <p class="soft">
          In version {one.version}{one.source ? `, found by ${one.source}` : ''}, <When at={one.at} />.
          {#if one.takenIn}Right since version {one.takenIn}.{:else}
            The next version has to take it in.
            <Button weight="quiet" onclick={() => void session.removeErratum(one.number)}>Take it back</Button>
          {/if}
        </p>
      </li>
    {:else}
      {#if !adding}<li>No mistake is known in any version.</li>{/if}
    {/each}
  </ol>
{/if}

<style>
  .none {
    padding: var(--space-5) 0;
  }

  .head {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: var(--space-2) var(--space-4);
  }

  .forms {
    display: flex;
    gap: var(--space-3);
    flex: 1;
  }

  ol {
    max-width: 52rem;
    padding-top: var(--space-3);
  }

  li {
    padding: var(--space-3) 0;
    border-bottom: 1px solid var(--rule);
  }

  .words {
    font-family: var(--text-face);
    font-size: var(--size-text);
    overflow-wrap: anywhere;
  }

  .soft {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }
</style>
