<script lang="ts">
  import type { Overview } from '../../core/index.js';

  let { toLine, materials }: { toLine: (line: number) => void; materials: Overview['materials'] } = $props();
  const KINDS = {
    yarn: 'Yarn',
    hook: 'Hook',
    eyes: 'Eyes',
    filling: 'Filling',
    notion: 'Besides',
    tool: 'At hand',
  } as const;
  const groups = $derived(
    (['yarn', 'hook', 'eyes', 'filling', 'notion', 'tool'] as const)
      .map((kind) => ({ kind, list: materials.filter((one) => one.kind === kind) }))
      .filter(({ list }) => list.length > 0),
  );
</script>

{#each groups as { kind, list } (kind)}
  <div>
    <h3>{KINDS[kind]}</h3>
    <ul>
      {#each list as { name, amount, line, uses } (`${line} ${name}`)}
        <li>
          <button type="button" class="name" onclick={() => toLine(line)}
            ><span>{name}</span>{#if amount}<span class="amount">{amount}</span>{/if}</button
          >
          {#if kind !== 'hook' && kind !== 'tool'}
            <p>
              {#each uses as use, i (i)}{i > 0 ? ', ' : ''}<button type="button" onclick={() => toLine(use.line)}
                  >{use.part ?? `line ${use.line}`}</button
                >{:else}<span class="unused">not spoken of again</span>{/each}
            </p>
          {/if}
        </li>
      {/each}
    </ul>
  </div>
{:else}
  <h3>Materials</h3>
  <p class="none">No materials were found. They are looked for below a heading such as Materials or You need.</p>
{/each}

<style>
  li {
    padding: 0.2rem 0.25rem;
    border-bottom: 1px solid var(--rule);
  }

  button {
    color: var(--woad);
    overflow-wrap: anywhere;
  }

  button:hover {
    text-decoration: underline;
    text-underline-offset: 0.2em;
  }

  .name {
    display: flex;
    justify-content: space-between;
    gap: var(--space-3);
    width: 100%;
    color: var(--ink);
    font-weight: 560;
  }

  .amount {
    font-weight: 450;
    color: var(--ink-soft);
    white-space: nowrap;
  }

  p {
    font-size: var(--size-small);
  }

  .unused {
    color: var(--weld);
  }

  .none {
    color: var(--ink-soft);
  }
</style>
