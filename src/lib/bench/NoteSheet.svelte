<script lang="ts">
  import { onDestroy } from 'svelte';
  import { LONGEST_NOTE, NOTE_KINDS, type NoteKind } from '../../core/index.js';
  import type { BenchSession } from './bench.svelte.js';
  import Sheet from './Sheet.svelte';
  import { smaller } from './smaller.js';
  import { NOTE_WORDS } from './words.js';

  let { session }: { session: BenchSession } = $props();
  let words = $state('');
  let trouble = $state('');
  let pictures = $state.raw<readonly { readonly file: Blob; readonly url: string }[]>([]);
  const MOST = 6;

  async function keep(note: NoteKind): Promise<void> {
    const [spot, said, taken] = [session.at, words.trim(), pictures];
    session.sheet = null;
    // Kept with the note and not before: what is not wanted after all goes nowhere.
    const photographs: string[] = [];
    for (const { file } of taken) {
      const id = await session.photograph(file);
      if (id !== null) photographs.push(id);
    }
    session.note({ kind: 'note', spot, note, words: said, photographs });
  }

  async function add(files: FileList | null): Promise<void> {
    trouble = '';
    for (const file of [...(files ?? [])].slice(0, MOST - pictures.length)) {
      const made = await smaller(file);
      if (!made) {
        trouble = `${file.name} is no photograph that this device can open.`;
        continue;
      }
      pictures = [...pictures, { file: made, url: URL.createObjectURL(made) }];
    }
  }

  onDestroy(() => pictures.forEach(({ url }) => URL.revokeObjectURL(url)));
</script>

<Sheet title="Note at this round" onclose={() => (session.sheet = null)}>
  <div class="kinds">
    {#each NOTE_KINDS as kind (kind)}
      <button type="button" onclick={() => void keep(kind)}>{NOTE_WORDS[kind]}</button>
    {/each}
  </div>
  <p class="how">One touch keeps it. Words and photographs first, if you like:</p>
  <label for="note-words">Words</label>
  <textarea id="note-words" bind:value={words} rows="3" maxlength={LONGEST_NOTE}></textarea>
  {#if words.length > LONGEST_NOTE - 200}<p class="how">{LONGEST_NOTE - words.length} characters left.</p>{/if}
  <label class="photograph">
    {pictures.length > 0 ? 'Another photograph' : 'Photograph'}
    <input
      class="unseen"
      type="file"
      accept="image/*"
      capture="environment"
      multiple
      onchange={(event) => void add(event.currentTarget.files)}
    />
  </label>
  {#if trouble}<p class="trouble" role="alert">{trouble}</p>{/if}
  <div class="pictures">
    {#each pictures as { url }, i (url)}<img src={url} alt="Photograph {i + 1} of this note" />{/each}
  </div>
</Sheet>

<style>
  .kinds {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(9.5rem, 1fr));
    gap: var(--space-2);
  }

  button {
    min-height: 3.25rem;
    padding: 0 var(--space-3);
    border: 1px solid var(--rule-strong);
    font-size: var(--size-text);
    font-weight: 550;
  }

  .how {
    margin: var(--space-3) 0 var(--space-2);
    color: var(--ink-soft);
  }

  label {
    display: block;
    font-weight: 550;
  }

  textarea {
    width: 100%;
    padding: var(--space-2) var(--space-3);
    font-size: var(--size-text);
  }

  .photograph {
    display: grid;
    align-content: center;
    position: relative;
    min-height: 3.25rem;
    padding: 0 var(--space-3);
    margin: var(--space-3) 0;
    border: 1px solid var(--rule-strong);
    color: var(--woad);
    cursor: pointer;
  }

  .photograph:focus-within {
    outline: 2px solid var(--woad);
    outline-offset: 2px;
  }

  .pictures {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  img {
    height: 5rem;
  }

  .trouble {
    color: var(--madder);
  }
</style>
