<script lang="ts">
  import { fetched } from '../fetched.js';
  import { actionFor } from './actions.js';
  import type { House } from './house.svelte.js';

  let { house }: { house: House } = $props();

  const PARTS = { finder: () => import('./Finder.svelte'), keys: () => import('./KeyList.svelte') };
  /** Both are there at once when they are asked for; their code comes after everything else. */
  const SOON = 2000;
  let loaded = $state.raw<{
    finder?: Awaited<ReturnType<(typeof PARTS)['finder']>>;
    keys?: Awaited<ReturnType<(typeof PARTS)['keys']>>;
  }>({});

  $effect(() => {
    const soon = setTimeout(() => void PARTS.finder().catch(() => undefined), SOON);
    return () => clearTimeout(soon);
  });

  // What can't be fetched is not opened: the keys stay those of the page.
  $effect(() => {
    if (house.open === 'finder' && !loaded.finder)
      void fetched(PARTS.finder).then((finder) => {
        if (finder) loaded = { ...loaded, finder };
        else house.open = null;
      });
    if (house.open === 'keys' && !loaded.keys)
      void fetched(PARTS.keys).then((keys) => {
        if (keys) loaded = { ...loaded, keys };
        else house.open = null;
      });
  });

  const TYPED = 'input:not([type=checkbox]):not([type=radio]), textarea, select, [contenteditable=true], [role=menu]';

  function onkeydown(event: KeyboardEvent): void {
    const typing = event.target instanceof Element && event.target.closest(TYPED) !== null;
    const action = actionFor(house.actions, event, typing);
    if (!action) return;
    const asking = document.querySelector('dialog[open]') !== null;
    if (asking && action.bare) return;
    // Never the browser's business, nor the editor's, which would move a line.
    event.preventDefault();
    event.stopPropagation();
    if (!asking) action.run();
  }

  const close = (): void => void (house.open = null);
</script>

<svelte:window onkeydowncapture={onkeydown} />

{#if house.open === 'finder' && loaded.finder}
  <loaded.finder.default actions={house.actions} found={house.found} onclose={close} />
{:else if house.open === 'keys' && loaded.keys}
  <loaded.keys.default actions={house.actions} onclose={close} />
{/if}
