<script lang="ts">
  import Button from '../../lib/components/Button.svelte';
  import ListRow from '../../lib/components/ListRow.svelte';
  import Search from '../../lib/components/Search.svelte';
  import { Several } from '../../lib/components/several.svelte.js';
  import SeveralBar from '../../lib/components/SeveralBar.svelte';
  import { toasts } from '../../lib/components/toasts.svelte.js';
  import When from '../../lib/components/When.svelte';
  import { notKept, setAway } from '../../lib/client.js';
  import Frame from '../../lib/frame/Frame.svelte';
  import { offering } from '../../lib/frame/house.svelte.js';
  import PageHead from '../../lib/frame/PageHead.svelte';
  import { loadAnew } from '../../lib/loadAnew.js';
  import { plural } from '../../lib/plural.js';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
  let sought = $state('');
  let search = $state<Search>();
  const shown = $derived(data.away.filter(({ name }) => name.toLowerCase().includes(sought.trim().toLowerCase())));
  const rows = new Several(() => shown.map(({ id }) => id));

  offering({
    search: () => search?.ask(),
    'next-row': () => step(1),
    'last-row': () => step(-1),
    select: () => rows.toggleHere(),
    'select-all': () => rows.toggleAll(),
    'put-back': () => void back(rows.chosen),
  });

  function step(by: 1 | -1): void {
    if (rows.step(by) === null) return;
    document.querySelector<HTMLElement>(`[data-row="${CSS.escape(rows.at ?? '')}"] input`)?.focus();
  }

  async function back(ids: readonly string[]): Promise<void> {
    if (ids.length === 0) return;
    try {
      await setAway(ids, false);
      rows.clear();
      toasts.say(
        ids.length === 1 ? 'It is on the shelf again.' : `${plural(ids.length, 'pattern')} are on the shelf again.`,
      );
    } catch (error) {
      toasts.say(notKept(error));
    }
    await loadAnew('dostik:away');
  }
</script>

<svelte:head><title>Put away · Dostik</title></svelte:head>

<Frame at={null} />
<main class="page">
  <PageHead
    title="Put away"
    about={data.away.length === 0
      ? 'Nothing is put away. What is put away on the Shelf is kept here, and can be brought back.'
      : 'These are kept as they were, with their ticks and notes.'}
  >
    {#snippet tools()}
      {#if data.away.length > 0}<Search bind:this={search} bind:value={sought} label="Find by name" />{/if}
    {/snippet}
  </PageHead>
  {#if data.away.length > 0}
    <SeveralBar {rows} of={shown.length}>
      {#snippet filters()}<p class="count">{plural(shown.length, 'pattern')}</p>{/snippet}
      {#snippet acts()}<Button weight="quiet" onclick={() => void back(rows.chosen)} title="b">Put them back</Button
        >{/snippet}
    </SeveralBar>
    <div role="list" aria-label="Put away">
      {#each shown as { id, name, at } (id)}
        <ListRow {id} {name} selected={rows.ids.has(id)} toggle={() => rows.toggle(id)} reached={() => (rows.at = id)}>
          {#snippet facts()}put away <When {at} />{/snippet}
          {#snippet ends()}<Button weight="quiet" onclick={() => void back([id])}>Put it back</Button>{/snippet}
        </ListRow>
      {:else}
        <p class="count">None of them is called “{sought}”.</p>
      {/each}
    </div>
  {/if}
</main>

<style>
  .count {
    padding: var(--space-2) 0;
    color: var(--ink-soft);
    font-size: var(--size-body);
  }
</style>
