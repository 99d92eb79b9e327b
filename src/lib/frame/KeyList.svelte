<script lang="ts">
  import Button from '../components/Button.svelte';
  import Dialog from '../components/Dialog.svelte';
  import type { Action } from './actions.js';

  let { actions, onclose }: { actions: readonly Action[]; onclose: () => void } = $props();
  const keyed = $derived(actions.filter(({ keys }) => keys));
  const groups = $derived([...new Set(keyed.map(({ group }) => group))]);
  const TEXT_KEYS = [
    ['Find and replace', 'Ctrl F'],
    ['Undo, also past a reload', 'Ctrl Z'],
    ['Redo', 'Ctrl Y'],
  ] as const;
</script>

<Dialog title="Keys" wide {onclose}>
  <div class="groups">
    {#each groups as group (group)}
      <section>
        <h3>{group}</h3>
        <dl>
          {#each keyed.filter((action) => action.group === group) as { id, text, keys } (id)}
            <dt>{text}</dt>
            <dd>{keys}</dd>
          {/each}
          {#if group === 'Text'}
            {#each TEXT_KEYS as [text, keys] (text)}
              <dt>{text}</dt>
              <dd>{keys}</dd>
            {/each}
          {/if}
        </dl>
      </section>
    {/each}
  </div>
  <footer><Button onclick={onclose}>Close</Button></footer>
</Dialog>

<style>
  .groups {
    columns: 2;
    column-gap: var(--space-6);
  }

  section {
    break-inside: avoid;
    margin-bottom: var(--space-4);
  }

  h3 {
    padding-bottom: var(--space-1);
    border-bottom: 1px solid var(--rule);
    font-size: 1rem;
  }

  dl {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 0.25rem var(--space-3);
    padding-top: var(--space-1);
    font-size: var(--size-small);
  }

  dd {
    font-weight: 620;
    white-space: nowrap;
  }

  footer {
    display: flex;
    justify-content: flex-end;
  }

  @media (max-width: 640px) {
    .groups {
      columns: 1;
    }
  }
</style>
