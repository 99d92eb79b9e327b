<script lang="ts">
  import { LINE_ROLES } from '../../core/index.js';
  import { KEYS, ROLE_WORDS } from './corrections.js';
  import type { IntakeSession } from './intake.svelte.js';

  let { session }: { session: IntakeSession } = $props();
  const here = $derived(session.takenFor(session.at));
  const many = $derived(session.selected.to - session.selected.from + 1);
</script>

<div class="bar" role="toolbar" aria-label="What the selected lines are">
  <span class="which">{many > 1 ? `${many} lines are` : `Line ${session.at + 1} is`}</span>
  {#each LINE_ROLES as role (role)}
    <button
      type="button"
      aria-pressed={here.taken === role}
      class:said={here.said && here.taken === role}
      title={KEYS[role]}
      onclick={() => void session.setRole(role)}>{ROLE_WORDS[role]}<kbd>{KEYS[role]}</kbd></button
    >
  {/each}
  <button type="button" disabled={!here.said} title="Backspace" onclick={() => void session.setRole(null)}
    >as read<kbd>⌫</kbd></button
  >
</div>

<style>
  .bar {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: var(--space-1);
    padding: var(--space-2) var(--space-3);
    border-bottom: 1px solid var(--rule);
    font-size: var(--size-small);
  }

  .which {
    min-width: 5rem;
    color: var(--ink-soft);
  }

  .bar button {
    padding: 0.1rem 0.35rem;
    border: 1px solid transparent;
    border-radius: var(--radius);
    color: var(--ink);
  }

  .bar button:hover:enabled {
    background: var(--paper-sunk);
  }

  .bar [aria-pressed='true'] {
    border-color: var(--rule-strong);
    background: var(--paper-raised);
    font-weight: 650;
  }

  .bar .said {
    border-color: var(--woad);
    color: var(--woad);
  }

  .bar :disabled {
    color: var(--ink-soft);
    cursor: default;
  }

  kbd {
    margin-left: 0.4em;
    color: var(--ink-soft);
    font: inherit;
    font-weight: 450;
  }
</style>
