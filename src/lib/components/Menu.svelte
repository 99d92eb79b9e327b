<script lang="ts">
  import Ellipsis from '@lucide/svelte/icons/ellipsis';

  interface Props {
    label: string;
    items: readonly { readonly text: string; readonly act: () => void; readonly grave?: boolean }[];
  }

  let { label, items }: Props = $props();
  let open = $state(false);
  let root: HTMLElement;

  function choose(act: () => void): void {
    close();
    act();
  }

  function close(): void {
    open = false;
    root.querySelector('button')?.focus();
  }

  function closeElsewhere(event: MouseEvent): void {
    if (open && !root.contains(event.target as Node)) open = false;
  }

  function onkeydown(event: KeyboardEvent): void {
    if (!open) return;
    const entries = [...root.querySelectorAll<HTMLElement>('[role=menuitem]')];
    const at = entries.indexOf(document.activeElement as HTMLElement);
    if (event.key === 'Escape') close();
    else if (event.key === 'ArrowDown') entries[(at + 1) % entries.length]?.focus();
    else if (event.key === 'ArrowUp') entries[(at - 1 + entries.length) % entries.length]?.focus();
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  function focusFirst(list: HTMLElement): void {
    list.querySelector<HTMLElement>('[role=menuitem]')?.focus();
  }
</script>

<svelte:window onclick={closeElsewhere} />

<div class="menu" bind:this={root} {onkeydown} role="presentation">
  <button
    type="button"
    class="opener"
    aria-haspopup="menu"
    aria-expanded={open}
    aria-label={label}
    title={label}
    onclick={() => (open = !open)}><Ellipsis size={18} /></button
  >
  {#if open}
    <div role="menu" aria-label={label} {@attach focusFirst}>
      {#each items as { text, act, grave } (text)}
        <button type="button" role="menuitem" class:grave tabindex="-1" onclick={() => choose(act)}>{text}</button>
      {/each}
    </div>
  {/if}
</div>

<style>
  .menu {
    position: relative;
  }

  .opener {
    display: grid;
    place-items: center;
    width: 2.125rem;
    height: 2.125rem;
    border: 0;
    border-radius: var(--radius);
    background: none;
    color: var(--ink-soft);
    cursor: pointer;
  }

  .opener:hover,
  .opener[aria-expanded='true'] {
    background: var(--paper-sunk);
    color: var(--ink);
  }

  [role='menu'] {
    position: absolute;
    z-index: 20;
    right: 0;
    top: 100%;
    display: grid;
    min-width: 11rem;
    padding: var(--space-1);
    border: 1px solid var(--rule-strong);
    border-radius: var(--radius);
    background: var(--paper-raised);
    box-shadow: var(--lift);
  }

  [role='menuitem'] {
    padding: var(--space-2) var(--space-3);
    border: 0;
    border-radius: var(--radius);
    background: none;
    color: var(--ink);
    font: inherit;
    font-size: var(--size-body);
    text-align: left;
    cursor: pointer;
  }

  [role='menuitem']:hover,
  [role='menuitem']:focus-visible {
    background: var(--woad-wash);
  }

  .grave {
    color: var(--madder);
  }
</style>
