import { describe, expect, it } from 'vitest';
import { search } from './finding.js';

const entry = (id: string, text: string, numbers?: [number, number]) => ({
  id,
  text,
  note: '',
  run: () => undefined,
  ...(numbers ? { numbers } : {}),
});
const rounds = [
  entry('r5', 'Round 5, Head', [5, 5]),
  entry('r6', 'Rnds 6-9, Head', [6, 9]),
  entry('b7', 'Round 7, Body', [7, 7]),
];
const actions = [entry('tick', 'Tick the round'), entry('go-terms', 'Terms')];
const patterns = [entry('p1', 'Headland fox'), entry('p2', 'Terms of a puffin')];
const ids = (words: string) => search(words, rounds, actions, patterns).map(({ id }) => id);

describe('the finder', () => {
  it.each([
    ['', ['tick', 'go-terms']],
    ['7', ['r6', 'b7']],
    ['rnd 5', ['r5']],
    ['head', ['p1', 'r5', 'r6']],
    ['round body', ['b7']],
    ['terms', ['go-terms', 'p2']],
    ['nothing of that name', []],
  ])('offers for “%s”', (words, found) => {
    expect(ids(words)).toEqual(found);
  });

  it('takes a number that no round goes by as words', () => {
    expect(search('66', [entry('a', 'Rnd 6', [6, 6])], [], [entry('p', 'Route 66')]).map(({ id }) => id)).toEqual([
      'p',
    ]);
  });

  it('offers no more than can be looked through', () => {
    const many = Array.from({ length: 500 }, (_, i) => entry(`p${i}`, `Fox ${i}`));
    expect(search('fox', [], [], many)).toHaveLength(60);
  });
});
