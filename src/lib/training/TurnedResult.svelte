<script lang="ts">
  import type { Turned } from '../../core/index.js';
  import { plural } from '../plural.js';
  import { clockOf, type PracticeSheet } from '../training.js';
  import Again from './Again.svelte';
  import PracticeBar from './PracticeBar.svelte';

  let { sheet, turned }: { sheet: PracticeSheet; turned: Turned } = $props();
  const right = $derived(turned.words.filter((word) => word.turned).length);
  const source = $derived(sheet.text.replace(/\n$/, '').split('\n'));
  const answer = $derived((sheet.work.answer || sheet.text).split('\n'));
  const about = $derived(
    `${right} of ${plural(turned.words.length, 'word')} turned as they should${
      turned.changed.length > 0 ? `, ${plural(turned.changed.length, 'place')} changed that should have stayed` : ''
    }, in ${clockOf(sheet.work.seconds)}.`,
  );
  /** Lines that something is to be said of. */
  const lines = $derived(
    [...new Set([...turned.words, ...turned.changed].map(({ line }) => line))]
      .sort((a, b) => a - b)
      .map((line) => ({
        line,
        words: turned.words.filter((word) => word.line === line),
        changed: turned.changed.filter((one) => one.line === line),
      })),
  );
</script>

<PracticeBar title={source[0] ?? ''} {about} mark={turned.mark}>
  <Again {sheet} />
</PracticeBar>

<!-- Keys scroll it. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="room" tabindex="0" role="region" aria-label="Word by word">
  <table>
    <thead><tr><th class="number">Line</th><th>As it was</th><th>As you wrote it</th><th>Word by word</th></tr></thead>
    <tbody>
      {#each lines as { line, words, changed } (line)}
        <tr>
          <td class="number">{line}</td>
          <td class="text">{source[line - 1]}</td>
          <td class="text">{answer[line - 1]}</td>
          <td>
            {#each words as word, i (i)}
              <p class:wrong={!word.turned}>
                {word.turned ? '' : 'Missed: '}<b>{word.before}</b> is <b>{word.right}</b>{word.turned
                  ? ''
                  : `. ${word.reason}`}
              </p>
            {/each}
            {#each changed as one, i (i)}<p class="wrong">“{one.words}” should have stayed as it stands.</p>{/each}
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
</div>

<style>
  .room {
    min-height: 0;
    padding: 0 var(--space-4) var(--space-6);
    overflow: auto;
  }

  table {
    width: 100%;
    border-collapse: collapse;
  }

  th {
    position: sticky;
    top: 0;
    padding: var(--space-2);
    background: var(--paper);
    font-size: var(--size-small);
    text-align: left;
  }

  td {
    padding: var(--space-2);
    border-top: 1px solid var(--rule);
    vertical-align: top;
  }

  .number {
    width: 3rem;
    color: var(--ink-soft);
    text-align: right;
  }

  .text {
    width: 30%;
    font-family: var(--text-face);
    overflow-wrap: anywhere;
  }

  .wrong {
    color: var(--madder);
  }

  @media (max-width: 720px) {
    td:nth-child(2),
    th:nth-child(2) {
      display: none;
    }
  }
</style>
