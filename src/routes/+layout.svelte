<script lang="ts">
  import '../lib/styles/fonts.css';
  import '../lib/styles/tokens.css';
  import '../lib/styles/base.css';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { filesIn, filesMayCome } from '../lib/dropped.js';
  import KeepsNot from '../lib/components/KeepsNot.svelte';
  import Toaster from '../lib/components/Toaster.svelte';
  import UpdateNotice from '../lib/components/UpdateNotice.svelte';
  import { onMount } from 'svelte';
  import { keeps } from '../lib/keeps.svelte.js';
  import { House, setHouse } from '../lib/frame/house.svelte.js';
  import HouseKeys from '../lib/frame/HouseKeys.svelte';
  import type { LayoutProps } from './$types.js';

  let { children }: LayoutProps = $props();
  const house = setHouse(new House());
  onMount(() => {
    // The page may have come from a server that can't write.
    if (document.body.dataset.trouble) keeps.cannot(document.body.dataset.trouble);
    // From here on keys and buttons answer: whoever drives the page from outside can tell.
    document.body.dataset.awake = '';
  });

  /** Pages that do something of their own with what is dropped on them. */
  const TAKE_THEMSELVES: ReadonlySet<string> = new Set(['/', '/(pattern)/intake/[id]']);
  const holdsFiles = ({ dataTransfer }: DragEvent) => dataTransfer?.types.includes('Files') === true;

  function dragged(event: DragEvent): void {
    filesMayCome(event);
    if (holdsFiles(event)) event.preventDefault();
  }

  /** A file can be dropped anywhere: where a page does nothing with it, it goes to the shelf, and is never opened in its place. */
  async function drop(event: DragEvent): Promise<void> {
    if (TAKE_THEMSELVES.has(page.route.id ?? '') || !holdsFiles(event)) return;
    event.preventDefault();
    const files = await filesIn(event);
    const { keepArrival } = await import('../lib/shelf/arrivals.js');
    for (const { name, file } of files) await keepArrival(name, file);
    await goto('/');
  }
</script>

<svelte:window ondragover={dragged} ondrop={(event) => void drop(event)} />

<!-- A Desk says it with what it could not save. -->
{#if page.route.id !== '/(pattern)/desk/[id]'}<KeepsNot />{/if}
{@render children()}
<!-- Who tests has no other place in the house. -->
{#if !page.route.id?.startsWith('/bench')}<HouseKeys {house} />{/if}
<UpdateNotice />
<Toaster />
