<script lang="ts">
  import { goto } from '$app/navigation';
  import Button from '../../lib/components/Button.svelte';
  import { toasts } from '../../lib/components/toasts.svelte.js';
  import { notKept, saveStyle } from '../../lib/client.js';
  import { leavingWhenKept } from '../../lib/leaving.svelte.js';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
  const keeping = leavingWhenKept();
  // svelte-ignore state_referenced_locally
  let style = $state<Record<string, string>>({ ...data.style });
  const kept = $derived(JSON.stringify(style));

  async function set(trait: string, way: string | null): Promise<void> {
    const next = Object.fromEntries(Object.entries(style).filter(([id]) => id !== trait));
    if (way !== null) next[trait] = way;
    await save(next);
  }

  /** Whether it could be kept. */
  async function save(next: Record<string, string>): Promise<boolean> {
    const before = style;
    style = next;
    try {
      await keeping(saveStyle(next));
      return true;
    } catch (error) {
      style = before;
      toasts.say(notKept(error));
      return false;
    }
  }

  async function learn(): Promise<void> {
    if (!data.model) return;
    const before = { ...style };
    if (!(await save({ ...style, ...data.model.learnt }))) return;
    toasts.say('The house style is set.', { text: 'Put it back', act: () => void save(before) });
  }
</script>

<svelte:head><title>House style · Dostik</title></svelte:head>

<main data-style={kept}>
  <nav>
    <a href="/">Shelf</a>
    <h1>House style</h1>
    <label>
      Learn it from
      <select
        value={data.model?.id ?? ''}
        onchange={(event) => void goto(`/style?from=${event.currentTarget.value}`, { keepFocus: true })}
      >
        <option value="">no pattern</option>
        {#each data.patterns as { id, name } (id)}<option value={id}>{name}</option>{/each}
      </select>
    </label>
    {#if data.model}<Button weight="firm" onclick={learn}>Take over all</Button>{/if}
  </nav>
  <p class="about">
    How this press writes. What is set here is a hint in every pattern that is written otherwise, with its fix; a whole
    pattern is set in house style from its Desk, and no count changes by it.
  </p>
  {#if data.tooMuch !== null}
    <p class="about" role="alert">“{data.tooMuch}” is too much to be read at once. Learn it from another pattern.</p>
  {/if}
  {#each data.traits as { id, about, ways } (id)}
    <fieldset>
      <legend>{about}</legend>
      <div class="ways">
        {#each [{ way: '', example: 'left to the designer' }, ...ways] as { way, example } (way)}
          <label class:chosen={(style[id] ?? '') === way}>
            <input
              type="radio"
              name={id}
              checked={(style[id] ?? '') === way}
              onchange={() => void set(id, way === '' ? null : way)}
            />
            <span class:example={way !== ''}>{example}</span>
            {#if data.model && way !== ''}<span class="count">{data.model.count[id]?.[way] ?? 0}</span>{/if}
          </label>
        {/each}
      </div>
    </fieldset>
  {/each}
  {#if data.model}<p class="about">The figures tell how often “{data.model.name}” writes each.</p>{/if}
</main>

<style>
  main {
    max-width: 62rem;
    padding: var(--space-4) var(--space-5) var(--space-7);
    margin: 0 auto;
  }

  nav {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: var(--space-2) var(--space-4);
  }

  nav a {
    font-family: var(--text-face);
    font-style: italic;
  }

  nav label {
    display: flex;
    align-items: center;
    gap: var(--space-2);
    font-size: var(--size-body);
  }

  h1 {
    flex: 1;
    font-size: var(--size-title);
  }

  select {
    max-width: 16rem;
    min-height: 2.125rem;
    border: 1px solid var(--rule-strong);
    border-radius: var(--radius);
    background: var(--paper-raised);
    color: var(--ink);
    font: inherit;
  }

  .about {
    max-width: 42rem;
    padding: var(--space-2) 0 var(--space-4);
    color: var(--ink-soft);
  }

  fieldset {
    padding: var(--space-3) 0;
    border: 0;
    border-top: 1px solid var(--rule);
  }

  legend {
    float: left;
    width: 15rem;
    padding: 0.3rem var(--space-4) 0 0;
    font-weight: 620;
  }

  .ways {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  .ways label {
    display: flex;
    align-items: center;
    gap: var(--space-2);
    min-height: 2.125rem;
    padding: 0 var(--space-3);
    border: 1px solid var(--rule-strong);
    border-radius: var(--radius);
    cursor: pointer;
  }

  .ways label:focus-within {
    outline: 2px solid var(--woad);
    outline-offset: 2px;
  }

  .chosen {
    background: var(--woad-wash);
  }

  .example {
    font-family: var(--text-face);
  }

  .count {
    color: var(--ink-soft);
    font-size: var(--size-small);
    font-variant-numeric: tabular-nums;
  }

  @media (max-width: 640px) {
    legend {
      float: none;
      width: auto;
      padding-bottom: var(--space-2);
    }
  }
</style>
