<script lang="ts">
  import { goto } from '$app/navigation';
  import Button from '../../lib/components/Button.svelte';
  import Choice from '../../lib/components/Choice.svelte';
  import Select from '../../lib/components/Select.svelte';
  import { toasts } from '../../lib/components/toasts.svelte.js';
  import { notKept, saveStyle } from '../../lib/client.js';
  import Frame from '../../lib/frame/Frame.svelte';
  import PageHead from '../../lib/frame/PageHead.svelte';
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

<Frame at="style" />
<main class="page" data-style={kept}>
  <PageHead
    title="House style"
    about="How this press writes. What is set here is a hint in every pattern that is written otherwise, with its fix; a whole pattern is set in house style from its Desk, and no count changes by it."
  >
    {#snippet tools()}
      <Select
        label="Learn it from"
        shown
        value={data.model?.id ?? ''}
        options={[
          { value: '', text: 'no pattern' },
          ...data.patterns.map(({ id, name }) => ({ value: id, text: name })),
        ]}
        chosen={(from) => void goto(`/style?from=${from}`, { keepFocus: true })}
      />
      {#if data.model}<Button weight="firm" onclick={learn}>Take over all</Button>{/if}
    {/snippet}
  </PageHead>
  {#if data.tooMuch !== null}
    <p class="about" role="alert">“{data.tooMuch}” is too much to be read at once. Learn it from another pattern.</p>
  {/if}
  {#each data.traits as { id, about, ways } (id)}
    <section aria-labelledby="trait-{id}">
      <h2 id="trait-{id}">{about}</h2>
      <Choice
        label={about}
        name={id}
        value={style[id] ?? ''}
        options={[
          { value: '', text: 'left to the designer' },
          ...ways.map(({ way, example }) => ({ value: way, text: example })),
        ]}
        chosen={(way) => void set(id, way === '' ? null : way)}
      >
        {#snippet option({ value, text })}
          <span class:example={value !== ''}>{text}</span>
          {#if data.model && value !== ''}<span class="count">{data.model.count[id]?.[value] ?? 0}</span>{/if}
        {/snippet}
      </Choice>
    </section>
  {/each}
  {#if data.model}<p class="about">The figures tell how often “{data.model.name}” writes each.</p>{/if}
</main>

<style>
  .about {
    max-width: 42rem;
    padding: var(--space-2) 0 var(--space-4);
    color: var(--ink-soft);
  }

  section {
    display: grid;
    grid-template-columns: 15rem minmax(0, 1fr);
    gap: var(--space-2) var(--space-4);
    padding: var(--space-3) 0;
    border-top: 1px solid var(--rule);
  }

  h2 {
    padding-top: 0.35rem;
    font-family: var(--figure-face);
    font-size: var(--size-body);
    font-weight: 620;
  }

  .example {
    font-family: var(--text-face);
  }

  .count {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }

  @media (max-width: 720px) {
    section {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
