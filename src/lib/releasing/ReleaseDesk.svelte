<script lang="ts">
  import { untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import Tabs from '../components/Tabs.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import Frame from '../frame/Frame.svelte';
  import { offering } from '../frame/house.svelte.js';
  import type { Standing } from '../frame/places.js';
  import { loadAnew } from '../loadAnew.js';
  import Checklist from './Checklist.svelte';
  import Editions from './Editions.svelte';
  import Errata from './Errata.svelte';
  import { ReleaseSession } from './release.svelte.js';
  import type { ReleaseData } from './releaseData.js';
  import SignCard from './SignCard.svelte';
  import Versions from './Versions.svelte';

  interface Props {
    data: ReleaseData;
    standing: Standing;
  }

  let { data, standing }: Props = $props();
  const session = untrack(
    () =>
      new ReleaseSession(data.id, data.editor, {
        say: (words) => toasts.say(words),
        refresh: async () => {
          // The head of the page says which version is out.
          await loadAnew('dostik:release', 'dostik:standing');
        },
      }),
  );
  type Mode = 'checklist' | 'editions' | 'versions' | 'errata';
  let mode = $state<Mode>('checklist');
  const against = $derived(data.readiness?.checklist.filter(({ holds }) => !holds).length ?? 0);
  const tabs = $derived([
    { id: 'checklist' as const, text: 'Checklist', ...(data.readiness ? { count: against } : {}) },
    { id: 'editions' as const, text: 'Editions' },
    { id: 'versions' as const, text: 'Versions', count: data.versions.length },
    { id: 'errata' as const, text: 'Errata', count: data.errata.length },
  ]);

  offering({
    'see-checklist': () => (mode = 'checklist'),
    'see-editions': () => (mode = 'editions'),
    'see-versions': () => (mode = 'versions'),
    'see-errata': () => (mode = 'errata'),
  });

  function style(styled: boolean): void {
    void goto(styled ? '?styled=yes' : '?', { replaceState: true, noScroll: true, keepFocus: true });
  }
</script>

<!-- What has changed at the Desk meanwhile is seen at once. -->
<svelte:window onfocus={() => void loadAnew('dostik:release')} />

<div class="workplace">
  <Frame at="release" {standing} />
  <main>
    <div class="main">
      <div class="tabs"><Tabs label="Of the release" {tabs} bind:chosen={mode} /></div>
      <div class="panel" role="tabpanel" id="panel-{mode}" aria-labelledby="tab-{mode}">
        {#if mode === 'checklist'}
          {#if data.readiness}
            <Checklist lines={data.readiness.checklist} own={data.own} pattern={data.id} {session} />
          {:else}
            <p class="trouble" role="alert">
              This text is too much to be counted at once, and what is not counted can’t be released. Take its parts in
              as patterns of their own.
            </p>
          {/if}
        {:else if mode === 'editions'}
          <Editions {data} {session} {style} />
        {:else if mode === 'versions'}
          <Versions {data} {session} />
        {:else}<Errata {data} {session} />{/if}
      </div>
    </div>
    <aside aria-label="Sign">
      <SignCard {data} {session} {against} {style} signed={() => (mode = 'versions')} />
    </aside>
  </main>
</div>

<style>
  main {
    --columns: minmax(0, 1fr) 21rem;
  }

  .main {
    display: flex;
    flex-direction: column;
    min-height: 0;
  }

  .tabs {
    padding: var(--space-2) var(--space-5) 0;
  }

  .panel {
    flex: 1;
    min-height: 0;
    padding: var(--space-3) var(--space-5) var(--space-6);
    overflow-y: auto;
    scrollbar-width: thin;
  }

  .trouble {
    max-width: 40rem;
    padding: var(--space-5) 0;
  }

  aside {
    padding: var(--space-4);
    overflow-y: auto;
    border-left: 1px solid var(--rule-strong);
    scrollbar-width: thin;
  }

  @media (max-width: 900px) {
    aside {
      border-left: 0;
      border-top: 2px solid var(--ink);
    }
  }

  @media (max-width: 640px) {
    .tabs,
    .panel {
      padding-inline: var(--space-3);
    }
  }
</style>
