<script lang="ts">
  import { tick as drawn } from 'svelte';
  import Ellipsis from '@lucide/svelte/icons/ellipsis';

  interface Item {
    readonly text: string;
    /** What it does; or where it leads. */
    readonly act?: () => void;
    readonly href?: string;
    readonly grave?: boolean;
    readonly keys?: string | undefined;
  }
  interface Props {
    label: string;
    items: readonly Item[];
  }

  let { label, items }: Props = $props();
  const id = $props.id();
  let opener: HTMLButtonElement;
  let list: HTMLElement;
  let open = $state(false);

  /** Below its button, at the right edge of it; above, where there is no room below. */
  function place(): void {
    const { right, top, bottom } = opener.getBoundingClientRect();
    const above = bottom + list.offsetHeight > innerHeight && top > list.offsetHeight;
    list.style.right = `${document.documentElement.clientWidth - right}px`;
    list.style.top = above ? 'auto' : `${bottom}px`;
    list.style.bottom = above ? `${innerHeight - top}px` : 'auto';
  }

  async function toggled(event: ToggleEvent): Promise<void> {
    open = event.newState === 'open';
    if (!open) return;
    // Its entries are there with the next drawing.
    await drawn();
    place();
    list.querySelector<HTMLElement>('[role=menuitem]')?.focus();
  }

  function onkeydown(event: KeyboardEvent): void {
    const entries = [...list.querySelectorAll<HTMLElement>('[role=menuitem]')];
    const at = entries.indexOf(document.activeElement as HTMLElement);
    if (event.key === 'ArrowDown') entries[(at + 1) % entries.length]?.focus();
    else if (event.key === 'ArrowUp') entries[(at - 1 + entries.length) % entries.length]?.focus();
    else if (event.key === 'Home') entries[0]?.focus();
    else if (event.key === 'End') entries.at(-1)?.focus();
    else if (event.key === 'Tab') list.hidePopover();
    else return;
    if (event.key !== 'Tab') event.preventDefault();
    event.stopPropagation();
  }
</script>

<svelte:window onscroll={() => open && list.hidePopover()} onresize={() => open && list.hidePopover()} />

<button
  type="button"
  class="opener"
  bind:this={opener}
  popovertarget={id}
  aria-haspopup="menu"
  aria-label={label}
  title={label}><Ellipsis size={18} /></button
>
<!-- In the browser's top layer, so that no list below it hides it. -->
<div
  {id}
  popover="auto"
  role="menu"
  tabindex="-1"
  aria-label={label}
  bind:this={list}
  ontoggle={(event) => void toggled(event)}
  {onkeydown}
>
  {#if open}
    {#each items as { text, act, href, grave, keys } (text)}
      {#if href}
        <a role="menuitem" {href} tabindex="-1" onclick={() => list.hidePopover()}>{text}</a>
      {:else}
        <button
          type="button"
          role="menuitem"
          class:grave
          tabindex="-1"
          onclick={() => {
            list.hidePopover();
            act?.();
          }}
          ><span>{text}</span>{#if keys}<span class="keys">{keys}</span>{/if}</button
        >
      {/if}
    {/each}
  {/if}
</div>

<style>
  .opener {
    display: grid;
    place-items: center;
    width: 2.125rem;
    height: 2.125rem;
    border-radius: var(--radius);
    color: var(--ink-soft);
  }

  .opener:hover,
  .opener:has(+ :popover-open) {
    background: var(--paper-sunk);
    color: var(--ink);
  }

  [role='menu'] {
    position: fixed;
    inset: auto;
    min-width: 11rem;
    padding: var(--space-1);
    border: 1px solid var(--rule-strong);
    border-radius: var(--radius);
    margin: 0;
    background: var(--paper-raised);
    color: var(--ink);
    box-shadow: var(--lift);
  }

  [role='menu']:popover-open {
    display: grid;
  }

  [role='menuitem'] {
    display: flex;
    justify-content: space-between;
    gap: var(--space-5);
    padding: 0.35rem var(--space-3);
    border-radius: var(--radius);
    color: var(--ink);
    font-size: var(--size-body);
    text-decoration: none;
  }

  [role='menuitem']:hover,
  [role='menuitem']:focus-visible {
    background: var(--woad-wash);
  }

  .grave {
    color: var(--madder);
  }

  .keys {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }
</style>
