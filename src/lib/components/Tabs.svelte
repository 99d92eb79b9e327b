<script lang="ts" generics="Id extends string">
  interface Props {
    label: string;
    tabs: readonly { readonly id: Id; readonly text: string; readonly count?: number }[];
    chosen: Id;
  }

  let { label, tabs, chosen = $bindable() }: Props = $props();

  function onkeydown(event: KeyboardEvent): void {
    const step = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    if (step === 0) return;
    event.preventDefault();
    const at = tabs.findIndex(({ id }) => id === chosen);
    const next = tabs[(at + step + tabs.length) % tabs.length];
    if (!next) return;
    chosen = next.id;
    document.getElementById(`tab-${next.id}`)?.focus();
  }
</script>

<div role="tablist" aria-label={label} tabindex="-1" {onkeydown}>
  {#each tabs as { id, text, count } (id)}
    <button
      type="button"
      role="tab"
      id="tab-{id}"
      aria-selected={id === chosen}
      aria-controls="panel-{id}"
      tabindex={id === chosen ? 0 : -1}
      onclick={() => (chosen = id)}
    >
      {text}
      {#if count !== undefined}<span class="count">{count}</span>{/if}
    </button>
  {/each}
</div>

<style>
  [role='tablist'] {
    display: flex;
    gap: var(--space-4);
    border-bottom: 1px solid var(--rule);
  }

  button {
    padding: var(--space-2) 0;
    border-bottom: 2px solid transparent;
    margin-bottom: -1px;
    color: var(--ink-soft);
    font-size: var(--size-body);
    font-weight: 550;
  }

  [aria-selected='true'] {
    color: var(--ink);
    border-bottom-color: var(--ink);
  }

  .count {
    font-weight: 450;
    color: var(--ink-soft);
  }
</style>
