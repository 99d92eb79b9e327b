<script lang="ts">
  import Mark from '../components/Mark.svelte';
  import { DESK, type DraftsSession } from './drafts.svelte.js';

  let { session, pattern }: { session: DraftsSession; pattern: string } = $props();
  const findings = $derived(session.compared?.findings ?? { gone: [], come: [] });
  /** Lines of the text at the Desk are those of the newest draft as long as nothing was done there. */
  const leads = $derived(session.after === DESK || session.isAtDesk);
</script>

{#if findings.come.length > 0}
  <section aria-label="New findings">
    <h3>New</h3>
    <ul>
      {#each findings.come as finding (finding.key)}
        <li>
          <Mark name={finding.severity} />
          {#if leads}<a href="/desk/{pattern}?line={finding.line}">{finding.message}</a>{:else}{finding.message}{/if}
        </li>
      {/each}
    </ul>
  </section>
{/if}
{#if findings.gone.length > 0}
  <section aria-label="Findings that are gone">
    <h3>Gone</h3>
    <ul class="gone">
      {#each findings.gone as finding (finding.key)}<li>{finding.message}</li>{/each}
    </ul>
  </section>
{/if}

<style>
  h3 {
    font-family: var(--figure-face);
    font-size: var(--size-small);
    font-weight: 650;
    color: var(--ink-soft);
  }

  ul {
    display: grid;
    gap: var(--space-1);
    max-height: 12rem;
    overflow-y: auto;
    font-size: var(--size-small);
    overflow-wrap: anywhere;
    scrollbar-width: thin;
  }

  .gone {
    color: var(--ink-soft);
  }

  a {
    color: var(--ink);
  }
</style>
