<script lang="ts">
  import type { ChecklistLine } from '../../core/index.js';
  import Button from '../components/Button.svelte';
  import Field from '../components/Field.svelte';
  import ChecklistRow from './ChecklistRow.svelte';
  import type { ReleaseSession } from './release.svelte.js';

  interface Props {
    lines: readonly ChecklistLine[];
    own: readonly { readonly id: string; readonly text: string }[];
    pattern: string;
    session: ReleaseSession;
  }

  let { lines, own, pattern, session }: Props = $props();
  let adding = $state(false);
  let words = $state('');

  async function add(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    const text = words.trim();
    if (text === '') return;
    const id = `own-${Date.now().toString(36)}`;
    if (await session.setOwn([...own, { id, text }])) {
      words = '';
      adding = false;
    }
  }
</script>

<ul>
  {#each lines as line (line.id)}
    <ChecklistRow
      {line}
      {pattern}
      {session}
      drop={line.person?.own ? () => void session.setOwn(own.filter(({ id }) => id !== line.id)) : null}
    />
  {/each}
</ul>
{#if adding}
  <form onsubmit={(event) => void add(event)}>
    <Field label="What has to be true of every pattern of this house" bind:value={words} maxlength={200} />
    <Button type="submit" disabled={session.busy}>Add the line</Button>
    <Button weight="quiet" onclick={() => (adding = false)}>Leave it</Button>
  </form>
{:else}
  <Button weight="quiet" onclick={() => (adding = true)}>Add a line for the house</Button>
{/if}

<style>
  ul {
    max-width: 52rem;
    margin-bottom: var(--space-3);
    border-top: 1px solid var(--rule);
  }

  form {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto auto;
    align-items: end;
    gap: var(--space-2);
    max-width: 52rem;
  }
</style>
