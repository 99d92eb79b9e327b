<script lang="ts">
  import { SvelteMap } from 'svelte/reactivity';
  import type { RuleCard, RuleSettings } from '../../core/index.js';
  import Search from '../components/Search.svelte';
  import Select from '../components/Select.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import { notKept } from '../client.js';
  import { offering } from '../frame/house.svelte.js';
  import PageHead from '../frame/PageHead.svelte';
  import { leavingWhenKept } from '../leaving.svelte.js';
  import type { RuleSetting } from '../ruleSettings.js';

  interface Props {
    title: string;
    about: string;
    cards: readonly RuleCard[];
    /** What is set in this scope. */
    set: RuleSettings;
    /** What holds for all patterns, where the scope is a single one. */
    everywhere?: RuleSettings;
    change: (setting: RuleSetting) => Promise<void>;
  }

  let { title, about, cards, set, everywhere, change }: Props = $props();

  const keeping = leavingWhenKept();
  const FAMILIES: Readonly<Record<string, string>> = {
    count: 'Counts',
    frame: 'Round frame',
    notation: 'Notation',
    terms: 'Terms',
    make: 'Making order',
    materials: 'Materials',
    shape: 'Shape',
    safety: 'Safety',
    rights: 'Rights',
  };
  const NAMES = { error: 'error', warning: 'warning', hint: 'hint', off: 'off' } as const;
  const families = Object.entries(FAMILIES);
  // svelte-ignore state_referenced_locally
  const own = new SvelteMap(Object.entries(set));
  let sought = $state('');
  let search = $state<Search>();
  offering({ search: () => search?.ask() });
  let open = $state<string | null>(null);

  const shown = $derived(
    cards.filter(({ id, about: words }) => `${id} ${words}`.toLowerCase().includes(sought.trim().toLowerCase())),
  );
  const usual = ({ id, severity }: RuleCard) => everywhere?.[id] ?? severity;

  async function choose(card: RuleCard, value: string): Promise<void> {
    const severity = value === 'usual' ? null : (value as keyof typeof NAMES);
    const before = own.get(card.id);
    if (severity === null) own.delete(card.id);
    else own.set(card.id, severity);
    try {
      await keeping(change({ rule: card.id, severity }));
    } catch (error) {
      if (before) own.set(card.id, before);
      else own.delete(card.id);
      toasts.say(notKept(error));
    }
  }
</script>

<main class="page">
  <PageHead {title} {about}>
    {#snippet tools()}<Search bind:this={search} bind:value={sought} label="Find a rule" />{/snippet}
  </PageHead>
  {#each families as [family, name] (family)}
    {@const rules = shown.filter(({ id }) => id.startsWith(`${family}/`))}
    {#if rules.length > 0}
      <section>
        <h2>{name}</h2>
        <ul>
          {#each rules as card (card.id)}
            {@const now = own.get(card.id) ?? usual(card)}
            <li class:off={now === 'off'}>
              <div class="row">
                <button
                  type="button"
                  class="words"
                  aria-expanded={open === card.id}
                  onclick={() => (open = open === card.id ? null : card.id)}
                >
                  <span class="id">{card.id}</span>
                  <span>{card.about}</span>
                </button>
                <Select
                  label="How {card.id} is taken"
                  tone={now}
                  value={own.get(card.id) ?? 'usual'}
                  options={[
                    { value: 'usual', text: `${NAMES[usual(card)]}${everywhere ? ', as for all' : ''}` },
                    ...Object.entries(NAMES).map(([value, text]) => ({ value, text })),
                  ]}
                  chosen={(value) => void choose(card, value)}
                />
              </div>
              {#if open === card.id}
                <div class="examples">
                  <figure>
                    <figcaption>Found in</figcaption>
                    <pre>{card.failing.trim()}</pre>
                    {#each card.says as message, i (i)}<p>{message}</p>{/each}
                  </figure>
                  <figure>
                    <figcaption>Nothing in</figcaption>
                    <pre>{card.passing.trim()}</pre>
                  </figure>
                </div>
              {/if}
            </li>
          {/each}
        </ul>
      </section>
    {/if}
  {/each}
  {#if shown.length === 0}<p>No rule has “{sought}” in it.</p>{/if}
</main>

<style>
  h2 {
    padding: var(--space-4) 0 var(--space-1);
    border-bottom: 1px solid var(--rule-strong);
    font-size: var(--size-text);
  }

  li {
    border-bottom: 1px solid var(--rule);
  }

  .row {
    display: flex;
    align-items: center;
    gap: var(--space-3);
  }

  .row > :global(label) {
    width: 11rem;
  }

  .row :global(select) {
    width: 100%;
  }

  .words {
    display: grid;
    flex: 1;
    grid-template-columns: 12rem minmax(0, 1fr);
    gap: var(--space-3);
    min-width: 0;
    padding: var(--space-2) 0;
    color: var(--ink);
    font-size: var(--size-body);
  }

  .words:hover {
    background: var(--paper-sunk);
  }

  .id {
    font-weight: 620;
  }

  .off .words {
    color: var(--ink-soft);
  }

  .off .id {
    text-decoration: line-through;
  }

  .examples {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: var(--space-4);
    padding: 0 0 var(--space-4);
  }

  figure {
    margin: 0;
  }

  figcaption {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }

  pre {
    padding: var(--space-2) var(--space-3);
    margin: 0;
    border-left: 3px solid var(--rule-strong);
    background: var(--paper-raised);
    font-family: var(--text-face);
    font-size: var(--size-body);
    line-height: 1.5;
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }

  figure p {
    padding: var(--space-2) var(--space-3);
    background: var(--madder-wash);
    font-size: var(--size-body);
  }

  @media (max-width: 640px) {
    .words,
    .examples {
      grid-template-columns: minmax(0, 1fr);
      gap: var(--space-1);
    }
  }
</style>
