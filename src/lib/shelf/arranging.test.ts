import { describe, expect, it } from 'vitest';
import type { ShelfEntry, Summary } from '../patterns.js';
import { addressOf, lookFrom, offered, piecesOf, stageOf, USUAL, type Look } from './arranging.js';

describe('the kinds that can be shown', () => {
  it('offers what is about letters where there are any, or where that is looked for', () => {
    const none = { all: 1, new: 1, hand: 0, mend: 0, ask: 0, out: 0, answered: 0, ticked: 0, editions: 0 };
    const kinds = (show: Look['show']) => offered(none, show).map(({ value }) => value);
    expect(kinds('all')).toEqual(['all', 'new', 'hand', 'mend', 'ticked', 'editions']);
    expect(kinds('answered')).toContain('answered');
    expect(offered({ ...none, out: 1 }, 'all').map(({ value }) => value)).toContain('out');
  });

  it('a pattern without rounds is never all ticked', () => {
    const empty = { rounds: 0, ticked: 0 } as Summary;
    expect(stageOf({ summary: empty, revision: 1 } as ShelfEntry)).toBe('new');
  });
});

describe('a line in which something was found', () => {
  const marked = (line: string, words: string) =>
    piecesOf(line, words)
      .map(({ text, sought }) => (sought ? `[${text}]` : text))
      .join('');
  it.each([
    ['Chain in Moss, then moss', 'moss', 'Chain in [Moss], then [moss]'],
    ['(sc 1, inc) x 6', '(sc inc', '[(sc] 1, [inc]) x 6'],
    ['nothing of it', '', 'nothing of it'],
    ['a+b', '+', 'a[+]b'],
  ])('%s: %s', (line, words, told) => {
    expect(marked(line, words)).toBe(told);
  });
});

describe('a look in the address', () => {
  it('comes back as it was, and is not there where nothing is asked for', () => {
    const look: Look = { words: 'red & blue', show: 'mend', terms: 'uk', sort: 'name' };
    expect(lookFrom(new URL(addressOf(look), 'http://here').searchParams)).toEqual(look);
    expect(addressOf(USUAL)).toBe('/');
  });

  it('is as usual where the address says nonsense', () => {
    expect(lookFrom(new URLSearchParams('show=ghosts&sort=&words=x&other=1'))).toEqual({ ...USUAL, words: 'x' });
  });
});
