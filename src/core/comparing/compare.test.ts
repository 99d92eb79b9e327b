import { describe, expect, it } from 'vitest';
import { changedWords, comparisonSchema } from '../index.js';
import { compareTexts } from '../onRequest.js';
import { align } from './align.js';

const HEAD = `Head
Rnd 1: 6 sc in magic ring (6)
Rnd 2: inc x 6 (12)
Rnd 3: (sc 1, inc) x 6 (18)
Rnd 4: (sc 2, inc) x 6 (24)
Rnds 5-7: sc around (24)
Rnd 8: (sc 2, dec) x 6 (18)
`;
const EAR = `
Ear
Rnd 1: 5 sc in magic ring (5)
Rnd 2: (sc 4, inc) (6)
Rnd 3: sc around (6)
`;

/** What has become of each round, as "old label > new label: change", where that is not simply the same. */
function changes(before: string, after: string): string[] {
  const { entries } = compareTexts({ text: before }, { text: after });
  const words = (text: string, side: { from: number; to: number } | null) =>
    side === null ? '' : (/^[^:]*/.exec(text.slice(side.from, side.to))?.[0] ?? '');
  return entries.flatMap(({ before: old, after: now, change, renumbered, moved }) => {
    if (typeof old?.round !== 'number' && typeof now?.round !== 'number') return [];
    if (change === 'same' && !renumbered) return [];
    const flags = `${renumbered ? ', renumbered' : ''}${moved && change !== 'moved' ? ', moved' : ''}`;
    return [`${words(before, old)} > ${words(after, now)}: ${change}${flags}`];
  });
}

describe('two drafts', () => {
  const edited = (from: string | RegExp, to: string) => (HEAD + EAR).replace(from, to);

  it.each<[string, string, string[]]>([
    ['nothing', HEAD + EAR, []],
    [
      'other words',
      edited('(sc 1, inc) x 6', 'sc 1, inc, sc 1, inc, sc 1, inc, sc 1, inc, sc 1, inc, sc 1, inc'),
      ['Rnd 3 > Rnd 3: words'],
    ],
    ['another count stated', edited('x 6 (18)\nRnd 4', 'x 6 (19)\nRnd 4'), ['Rnd 3 > Rnd 3: words']],
    [
      'other stitches, and what grows on them',
      edited('(sc 2, inc) x 6 (24)', '(sc 5, inc) x 3 (21)'),
      ['Rnd 4 > Rnd 4: stitches', 'Rnds 5-7 > Rnds 5-7: stitches'],
    ],
    [
      'a round put in, the others numbered anew',
      edited('Rnds 5-7: sc around (24)\nRnd 8', 'Rnd 5: sc around (24)\nRnds 6-8: sc around (24)\nRnd 9'),
      [' > Rnd 5: new', 'Rnds 5-7 > Rnds 6-8: same, renumbered', 'Rnd 8 > Rnd 9: same, renumbered'],
    ],
    ['a round taken out', edited('Rnd 8: (sc 2, dec) x 6 (18)\n', ''), ['Rnd 8 > : gone']],
    [
      'a range with a round more',
      edited('Rnds 5-7: sc around (24)\nRnd 8', 'Rnds 5-8: sc around (24)\nRnd 9'),
      ['Rnds 5-7 > Rnds 5-8: stitches, renumbered', 'Rnd 8 > Rnd 9: same, renumbered'],
    ],
    [
      'a range written out',
      edited('Rnds 5-7: sc around (24)', 'Rnd 5: sc around (24)\nRnd 6: sc around (24)\nRnd 7: sc around (24)'),
      ['Rnds 5-7 > Rnd 5: words', 'Rnds 5-7 > Rnd 6: words', 'Rnds 5-7 > Rnd 7: words'],
    ],
    [
      'two rounds exchanged',
      edited(
        'Rnd 3: (sc 1, inc) x 6 (18)\nRnd 4: (sc 2, inc) x 6 (24)',
        'Rnd 3: (sc 2, inc) x 6 (24)\nRnd 4: (sc 1, inc) x 6 (18)',
      ),
      ['Rnd 4 > Rnd 3: stitches, renumbered', 'Rnd 3 > Rnd 4: stitches, renumbered, moved'],
    ],
    [
      'the other terms',
      (HEAD + EAR).replaceAll('sc', 'dc').replace('Head', 'UK terms\n\nHead'),
      [
        'Rnd 1 > Rnd 1: words',
        'Rnd 3 > Rnd 3: words',
        'Rnd 4 > Rnd 4: words',
        'Rnds 5-7 > Rnds 5-7: words',
        'Rnd 8 > Rnd 8: words',
        'Rnd 1 > Rnd 1: words',
        'Rnd 2 > Rnd 2: words',
        'Rnd 3 > Rnd 3: words',
      ],
    ],
  ])('%s', (_, after, expected) => {
    const found = changes(HEAD + EAR, after);
    // Either of two that were exchanged may be the one that stayed.
    expect(found.map((one) => one.replace(', moved', ''))).toEqual(expected.map((one) => one.replace(', moved', '')));
  });

  it('tell a part that was moved and renamed, and one that is new', () => {
    const horn = '\nHorn\nRnd 1: 4 sc in magic ring (4)\nRnd 2: sc in first 3, inc (5)\n';
    const { parts } = compareTexts({ text: HEAD + EAR }, { text: EAR.replace('Ear', 'Little ear') + horn + HEAD });
    expect(parts.map(({ before, after, renamed }) => ({ before, after, renamed }))).toEqual([
      { before: 1, after: 0, renamed: true },
      { before: null, after: 1, renamed: false },
      { before: 0, after: 2, renamed: false },
    ]);
    expect(parts.filter(({ moved }) => moved)).toHaveLength(1);
  });

  it('have each of their lines told once, and what is gone where it stood', () => {
    const after = (HEAD + EAR)
      .replace('Rnd 3: (sc 1, inc) x 6 (18)\n', '')
      .replace('Ear\n', 'Ear\nWith the small hook.\n');
    const compared = comparisonSchema.parse(compareTexts({ text: HEAD + EAR }, { text: after }));
    const told = (text: string, side: 'before' | 'after') =>
      compared.entries.flatMap((entry) => {
        const at = entry[side];
        return at ? [text.slice(at.from, at.to).trim()] : [];
      });
    const lines = (text: string) => text.split('\n').filter((line) => line !== '');
    expect(told(HEAD + EAR, 'before')).toEqual(lines(HEAD + EAR));
    expect(told(after, 'after')).toEqual(lines(after));
    expect(compared.entries.filter(({ change }) => change === 'gone' || change === 'new')).toHaveLength(2);
  });

  it('are compared although nothing is alike, or nothing there', () => {
    expect(changes('', HEAD).every((one) => one.endsWith('new'))).toBe(true);
    expect(changes(HEAD, '').every((one) => one.endsWith('gone'))).toBe(true);
    expect(compareTexts({ text: '' }, { text: '' })).toEqual({ entries: [], parts: [] });
  });
});

describe('two sequences', () => {
  const letters = { gain: (a: string, b: string) => (a === b ? 1 : 0), names: [String] };

  it.each([
    ['abcd', 'abcd', 4],
    ['abcd', 'bcda', 3],
    ['aaaa', 'aa', 2],
    ['abxcd', 'abycd', 4],
    ['', 'abc', 0],
    ['edcba', 'abcde', 1],
  ])('%s and %s are paired in order as far as they can be', (before, after, pairs) => {
    const found = align(Array.from(before), Array.from(after), letters);
    expect(found).toHaveLength(pairs);
    found.forEach(([b, a], i) => {
      expect(before[b]).toBe(after[a]);
      expect(b).toBeGreaterThan(found[i - 1]?.[0] ?? -1);
      expect(a).toBeGreaterThan(found[i - 1]?.[1] ?? -1);
    });
  });

  it('are paired by all that is sure and in order, where it stands among what was moved', () => {
    const word = (i: number) => `${letter}${i}`;
    let letter = 'x';
    const before = Array.from({ length: 600 }, (_, i) => word(i));
    letter = 'y';
    // Of the words that are sure, those whose number ends on five went to the front.
    const sure = before.filter((_, i) => i % 4 === 0);
    const moved = [...sure.filter((_, i) => i % 5 === 0), ...sure.filter((_, i) => i % 5 !== 0)];
    const after = moved.flatMap((one, i) => [one, word(i), word(i + 600)]);
    const found = align(before, after, letters);
    expect(found.length).toBeGreaterThanOrEqual(120);
    expect(found.every(([b, a]) => before[b] === after[a])).toBe(true);
  });

  it('are paired by what is sure where there is too much to be weighed', () => {
    const before = Array.from({ length: 900 }, (_, i) => `x${i}`);
    const after = before
      .map((word, i) => (i % 3 === 0 ? `y${i}` : word))
      .reverse()
      .concat(before);
    expect(align(before, after, letters)).toHaveLength(900);
  });
});

describe('the words of two lines', () => {
  it.each([
    ['Rnd 3: (sc 1, inc) x 6 (18)', 'Rnd 3: (sc 1, inc) x 6 (19)', ['18'], ['19']],
    ['Rnd 3: sc around', 'Rnd 4: sc in each st around', ['3'], ['4', 'in each st ']],
    ['one line', 'one line', [], []],
    ['all', 'other words', ['all'], ['other words']],
    ['', 'new', [], ['new']],
  ])('%s and %s differ in some', (before, after, old, now) => {
    const changed = changedWords(before, after);
    expect(changed.before.map(({ from, to }) => before.slice(from, to))).toEqual(old);
    expect(changed.after.map(({ from, to }) => after.slice(from, to))).toEqual(now);
  });
});
