<script lang="ts">
  import { FAULT_KINDS, type FaultKindId, type PencilMark } from '../training.js';

  interface Props {
    line: number;
    words: string;
    /** Null where the line is not marked. */
    mark: PencilMark | null;
    level: number;
    pencil: () => void;
    name: (kind: FaultKindId | null) => void;
    propose: (words: string) => void;
    done: () => void;
  }

  let { line, words, mark, level, pencil, name, propose, done }: Props = $props();
  let why = $state<HTMLSelectElement>();

  /** Into the field that says what is wrong. */
  export function ask(): void {
    why?.focus();
  }
</script>

<section aria-label="Line {line}">
  <h2>Line {line}</h2>
  <p class="words">{words.trim() === '' ? 'An empty line' : words}</p>
  {#if words.trim() !== ''}
    <button type="button" class="mark" class:on={mark !== null} aria-pressed={mark !== null} title="M" onclick={pencil}
      >{mark ? 'Marked as off: take it back' : 'Mark it as off'}<kbd>M</kbd></button
    >
  {/if}
  {#if mark}
    <label
      >What is wrong with it<kbd>W</kbd>
      <select
        bind:this={why}
        value={mark.kind ?? ''}
        onchange={({ currentTarget }) => name((currentTarget.value || null) as FaultKindId | null)}
        onkeydown={(event) => event.key === 'Escape' && done()}
      >
        <option value="">not said</option>
        {#each FAULT_KINDS.filter((kind) => kind.level <= level) as kind (kind.id)}
          <option value={kind.id}>{kind.words}</option>
        {/each}
      </select>
    </label>
    <label
      >As it should read
      <textarea
        rows="4"
        spellcheck="false"
        value={mark.proposal === '' ? words : mark.proposal}
        oninput={({ currentTarget }) => propose(currentTarget.value)}
        onkeydown={(event) => event.key === 'Escape' && done()}></textarea>
    </label>
    <p class="hint">Both are worth saying, and neither has to be said. Esc leads back to the manuscript.</p>
  {/if}
</section>

<style>
  section {
    display: grid;
    gap: var(--space-3);
  }

  h2 {
    font-size: var(--size-title);
  }

  .words {
    max-height: 7rem;
    overflow-y: auto;
    font-family: var(--text-face);
    overflow-wrap: anywhere;
  }

  .mark {
    display: flex;
    justify-content: space-between;
    min-height: 2.5rem;
    padding: 0 var(--space-3);
    align-items: center;
    border: 1px solid var(--ink);
    border-radius: var(--radius);
    font-weight: 600;
  }

  .mark.on {
    border-color: var(--madder);
    background: var(--madder-wash);
    color: var(--madder);
  }

  label {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: var(--space-1);
    font-size: var(--size-small);
    font-weight: 600;
  }

  select,
  textarea {
    grid-column: 1 / -1;
    width: 100%;
    min-height: 2.25rem;
    padding: 0.35rem var(--space-2);
    font-size: var(--size-body);
    font-weight: 400;
  }

  textarea {
    font-family: var(--text-face);
    resize: vertical;
  }

  kbd {
    color: var(--ink-soft);
    font-family: inherit;
    font-size: var(--size-small);
    font-weight: 400;
  }

  .hint {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }
</style>
