<script lang="ts">
  import { onMount } from 'svelte';
  import { markedLines, type Report } from '../../core/index.js';
  import Button from '../components/Button.svelte';
  import type { Other } from '../company.js';
  import type { StoredPattern } from '../patterns.js';
  import { Comparer } from '../workers/comparer.js';
  import { joined, type Piece } from './merging.js';

  interface Props {
    pieces: readonly Piece[];
    pattern: StoredPattern;
    others: readonly Other[];
    /** Goes on with one of the two at a round, by its place among those that clash. */
    settle: (clash: number, winner: 'mine' | 'theirs') => void;
  }

  let { pieces, pattern, others, settle }: Props = $props();
  const mine = $derived(joined(pieces, () => 'mine'));
  const theirs = $derived(joined(pieces, ({ kind }) => (kind === 'clash' ? 'theirs' : 'mine')));
  const clashes = $derived(placed(pieces));
  const [one] = $derived(others);
  const them = $derived(others.length === 1 && one?.who ? one.who : 'there');
  /** What both texts come to; null until that is counted. */
  let counted = $state.raw<{ readonly mine: string[]; readonly theirs: string[] } | null>(null);
  let comparer: Comparer | null = null;

  onMount(() => {
    comparer = new Comparer();
    return () => comparer?.close();
  });

  $effect(() => {
    const [before, after] = [theirs, mine];
    const { terms, hand } = pattern;
    let late = false;
    comparer
      ?.compare({ before, after, terms, hand })
      .then((compared) => {
        if (!late) counted = { mine: sumsOf(after, compared.after), theirs: sumsOf(before, compared.before) };
      })
      // Without the sums the words are there all the same.
      .catch(() => undefined);
    return () => {
      late = true;
    };
  });

  /** The clashes, with the lines in which they stand on both sides, from 0. */
  function placed(all: readonly Piece[]) {
    let [here, there] = [0, 0];
    return all.flatMap((piece) => {
      const at = { piece, here, there };
      here += piece.mine.length;
      there += piece.kind === 'clash' ? piece.theirs.length : piece.mine.length;
      return piece.kind === 'clash' ? [at] : [];
    });
  }

  /** The sums at each line of a text. */
  function sumsOf(text: string, report: Report): string[] {
    return markedLines(text, report).map(({ sums }) => sums.map(({ words }) => words).join('; '));
  }

  function sums(of: string[] | undefined, from: number, lines: readonly string[]): string {
    return (of ?? [])
      .slice(from, from + lines.length)
      .filter(Boolean)
      .join('; ');
  }
</script>

<section aria-label="Changed here and there" role="alert">
  {#each clashes as { piece, here, there }, i (i)}
    <div>
      <p>
        {them === 'there' ? 'This was changed in another window too' : `${them} has changed this too`}, in line {here +
          1}.
        {i === 0
          ? 'All else is brought together; until it is settled nothing is saved, and you can go on writing.'
          : ''}
      </p>
      <dl>
        <dt>here</dt>
        <dd>
          <span>{piece.mine.join('\n') || '(nothing)'}</span>
          <small>{sums(counted?.mine, here, piece.mine)}</small>
        </dd>
        <dt>{them}</dt>
        <dd>
          <span>{piece.theirs.join('\n') || '(nothing)'}</span>
          <small>{sums(counted?.theirs, there, piece.theirs)}</small>
        </dd>
      </dl>
      <p class="doing">
        <Button onclick={() => settle(i, 'mine')}>Keep what stands here</Button>
        <Button onclick={() => settle(i, 'theirs')}
          >{them === 'there' ? 'Take what stands there' : `Take what ${them} wrote`}</Button
        >
      </p>
    </div>
  {/each}
</section>

<style>
  section {
    max-height: 40vh;
    overflow-y: auto;
    border-bottom: 2px solid var(--madder);
    background: var(--weld-wash);
  }

  div {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: var(--space-1) var(--space-4);
    align-items: end;
    padding: var(--space-2) var(--space-4);
  }

  div + div {
    border-top: 1px solid var(--rule-strong);
  }

  div > p:first-child {
    grid-column: 1 / -1;
  }

  dl {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr);
    gap: var(--space-1) var(--space-3);
  }

  dt {
    color: var(--ink-soft);
  }

  dd {
    display: flex;
    flex-wrap: wrap;
    gap: 0 var(--space-4);
    margin: 0;
    font-family: var(--text-face);
  }

  span {
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }

  small {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }

  .doing {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  @media (width < 900px) {
    div {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
