<script lang="ts">
  import { onMount } from 'svelte';
  import { invalidate } from '$app/navigation';
  import { navigating } from '$app/state';
  import Plus from '@lucide/svelte/icons/plus';
  import Button from '../lib/components/Button.svelte';
  import Mark from '../lib/components/Mark.svelte';
  import Menu from '../lib/components/Menu.svelte';
  import { toasts } from '../lib/components/toasts.svelte.js';
  import { notKept, putAway, takeBack } from '../lib/client.js';
  import TakeIn from '../lib/shelf/TakeIn.svelte';
  import Tally from '../lib/shelf/Tally.svelte';
  import { whenSaved } from '../lib/desk/savers.js';
  import { nameOfFile, readFile } from '../lib/readFile.js';
  import KeptTexts from '../lib/shelf/KeptTexts.svelte';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
  let taking = $state<{ text: string; name: string } | null>(null);
  let sought = $state('');
  let hovered = $state(false);

  const shown = $derived(data.patterns.filter(({ name }) => name.toLowerCase().includes(sought.trim().toLowerCase())));
  const TERMS = { us: 'US terms', uk: 'UK terms', mixed: 'mixed terms', unclear: 'terms unclear' };
  const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' });

  async function remove(id: string, name: string): Promise<void> {
    await doing(async () => {
      await putAway(id);
      toasts.say(`“${short(name)}” is off the shelf.`, { text: 'Put it back', act: () => void back(id) });
    });
  }

  async function back(id: string): Promise<void> {
    await doing(() => takeBack(id));
  }

  async function doing(work: () => Promise<void>): Promise<void> {
    try {
      await work();
    } catch (error) {
      toasts.say(notKept(error));
    }
    await invalidate('dostik:shelf');
  }

  function plural(count: number, word: string): string {
    return `${count} ${count === 1 ? word : `${word}s`}`;
  }

  function short(name: string): string {
    return name.length > 40 ? `${name.slice(0, 39)}…` : name;
  }

  function hover(event: DragEvent): void {
    event.preventDefault();
    hovered = true;
  }

  async function drop(event: DragEvent): Promise<void> {
    event.preventDefault();
    hovered = false;
    const file = event.dataTransfer?.files[0];
    if (!file) return;
    const read = await readFile(file);
    if ('refused' in read) toasts.say(read.refused);
    else taking = { text: read.text, name: nameOfFile(read.file) };
  }

  /** Figures that are still being counted are asked for again; milliseconds. */
  const SOON = 1000;
  $effect(() => {
    if (!data.patterns.some(({ state }) => state === 'counting')) return;
    const timer = setInterval(refresh, SOON);
    return () => clearInterval(timer);
  });
  // What was left at a Desk a moment ago is saved while the shelf is already there.
  onMount(() => whenSaved(refresh));

  /** Whoever is on the way to another page is not called back. */
  function refresh(): void {
    if (navigating.to === null) void invalidate('dostik:shelf');
  }

  function onkeydown(event: KeyboardEvent): void {
    const typing = event.target instanceof HTMLElement && event.target.closest('input, textarea, dialog, [role=menu]');
    if (event.key !== 'n' || event.ctrlKey || event.metaKey || event.altKey || typing || taking) return;
    event.preventDefault();
    taking = { text: '', name: '' };
  }
</script>

<svelte:head><title>Shelf · Dostik</title></svelte:head>
<svelte:window {onkeydown} ondragover={hover} ondragleave={() => (hovered = false)} ondrop={drop} />

<div class="page" class:hovered>
  <header>
    <p class="wordmark">Dostik</p>
    <h1>Shelf</h1>
    <div class="tools">
      <a href="/rules">Rules</a>
      <a href="/style">House style</a>
      <a href="/card">Reference card</a>
      {#if data.patterns.length > 0}
        <input type="search" bind:value={sought} placeholder="Find by name" aria-label="Find by name" />
      {/if}
      <Button weight="firm" onclick={() => (taking = { text: '', name: '' })} aria-keyshortcuts="n" title="Key: n"
        ><Plus size={16} /> Take in a pattern</Button
      >
    </div>
  </header>

  <main>
    <KeptTexts patterns={data.patterns} />
    {#if data.patterns.length === 0}
      <div class="nothing">
        <h2>The shelf is empty.</h2>
        <p>Paste a pattern, or drop a text file anywhere on this page. Every round is recounted as soon as it is in.</p>
      </div>
    {:else if shown.length === 0}
      <p class="nothing">No pattern is called “{short(sought)}”.</p>
    {:else}
      <ul>
        {#each shown as { id, name, updatedAt, summary, state } (id)}
          <li>
            <div class="name">
              <a href="/desk/{id}">{name}</a>
              <p class="facts">
                {#if state === 'unreadable'}
                  Something else than Dostik has changed what is kept of it.
                {:else}
                  {#if summary}{TERMS[summary.terms]} · {summary.parts} {summary.parts === 1 ? 'part' : 'parts'} ·{/if}
                  changed <time datetime={new Date(updatedAt).toISOString()}>{day.format(updatedAt)}</time>
                {/if}
              </p>
            </div>
            {#if state === 'unreadable'}
              <p class="facts">This entry could not be read. The others are as they were.</p>
              <span></span>
            {:else if summary}
              {@const open = summary.errors + summary.warnings}
              <div class="strip">
                <Tally tally={summary.tally} />
                <p class="facts">
                  {#if state === 'counting'}being counted…{:else if summary.rounds === 0}no rounds found{:else}{summary.agree}
                    of {summary.rounds} rounds agree{/if}
                </p>
              </div>
              <p class="open" class:calm={open === 0}>
                {#if open === 0 && summary.rounds > 0}<Mark name="agrees" silent /> nothing open{/if}
                {#if summary.errors > 0}<span><Mark name="error" silent /> {plural(summary.errors, 'error')}</span>{/if}
                {#if summary.warnings > 0}<span
                    ><Mark name="warning" silent /> {plural(summary.warnings, 'warning')}</span
                  >{/if}
              </p>
            {:else}
              <p class="facts">
                {state === 'counting' ? 'Being counted…' : 'Too much to be counted at once; its Desk may still do it.'}
              </p>
              <span></span>
            {/if}
            <Menu
              label="More for {name}"
              items={[{ text: 'Take off the shelf', act: () => void remove(id, name), grave: true }]}
            />
          </li>
        {/each}
      </ul>
    {/if}
    {#if data.away > 0}
      <p class="away"><a href="/away">{plural(data.away, 'pattern')} put away</a></p>
    {/if}
  </main>
</div>

{#if taking}<TakeIn {...taking} onclose={() => (taking = null)} />{/if}

<style>
  .page {
    max-width: 70rem;
    min-height: 100dvh;
    margin: 0 auto;
    padding: var(--space-6) var(--space-6) var(--space-7);
  }

  .hovered {
    outline: 2px dashed var(--woad);
    outline-offset: -1rem;
  }

  header {
    display: grid;
    grid-template-columns: 1fr auto;
    align-items: end;
    gap: var(--space-1) var(--space-4);
    padding-bottom: var(--space-4);
    border-bottom: 2px solid var(--ink);
  }

  .wordmark {
    grid-column: 1 / -1;
    font-family: var(--text-face);
    font-style: italic;
    color: var(--ink-soft);
  }

  h1 {
    font-size: var(--size-display);
    line-height: 1.1;
  }

  .away {
    padding-top: var(--space-5);
    font-size: var(--size-body);
  }

  .tools {
    display: flex;
    gap: var(--space-3);
  }

  input {
    width: 13rem;
    min-height: 2.125rem;
    padding: 0 var(--space-3);
    border: 1px solid var(--rule-strong);
    border-radius: var(--radius);
    background: var(--paper-raised);
    color: var(--ink);
    font: inherit;
    font-size: var(--size-body);
  }

  input::placeholder {
    color: var(--ink-soft);
    opacity: 1;
  }

  li {
    display: grid;
    grid-template-columns: minmax(0, 5fr) minmax(0, 4fr) 8.5rem auto;
    align-items: center;
    gap: var(--space-4) var(--space-5);
    padding: var(--space-4) 0;
    border-bottom: 1px solid var(--rule);
  }

  .name a {
    display: -webkit-box;
    overflow: hidden;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 2;
    line-clamp: 2;
    overflow-wrap: anywhere;
    font-family: var(--text-face);
    font-size: 1.1875rem;
    line-height: 1.3;
    color: var(--ink);
    text-decoration-color: transparent;
  }

  .name a:hover {
    text-decoration-color: currentcolor;
  }

  .facts {
    margin-top: 0.15rem;
    font-size: var(--size-small);
    color: var(--ink-soft);
  }

  .open {
    display: grid;
    gap: 0.1rem;
    font-size: var(--size-body);
  }

  .open span {
    white-space: nowrap;
  }

  .calm {
    display: block;
    color: var(--ink-soft);
  }

  .nothing {
    padding: var(--space-7) 0;
    max-width: 34rem;
    color: var(--ink-soft);
  }

  .nothing h2 {
    color: var(--ink);
    font-size: var(--size-title);
    margin-bottom: var(--space-2);
  }

  @media (max-width: 720px) {
    .page {
      padding: var(--space-4);
    }

    header {
      grid-template-columns: 1fr;
    }

    .tools {
      flex-wrap: wrap;
    }

    input {
      flex: 1;
      min-width: 8rem;
    }

    li {
      grid-template-columns: minmax(0, 1fr) auto;
    }

    .name,
    .strip {
      grid-column: 1;
    }

    li > :global(.menu) {
      grid-column: 2;
      grid-row: 1;
    }
  }
</style>
