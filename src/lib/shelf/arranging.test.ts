import { describe, expect, it } from 'vitest';
import type { ShelfEntry, Summary } from '../patterns.js';
import { addressOf, arranged, lookFrom, offered, stageOf, tallies, USUAL, type Look } from './arranging.js';

const summary: Summary = {
  parts: 1,
  rounds: 4,
  agree: 4,
  off: 0,
  unclear: 0,
  errors: 0,
  warnings: 0,
  terms: 'us',
  ticked: 0,
  tally: 'aaaa',
};
const entry = (name: string, updatedAt: number, rest: Partial<ShelfEntry> = {}): ShelfEntry => ({
  id: name,
  name,
  createdAt: 1000 - updatedAt,
  updatedAt,
  revision: 1,
  terms: 'auto',
  edition: null,
  asked: null,
  summary,
  state: 'counted',
  ...rest,
});

const SHELF = [
  entry('Fresh fox', 50),
  entry('Begun bear', 40, { revision: 3, summary: { ...summary, ticked: 2 } }),
  entry('Faulty fish', 30, { summary: { ...summary, errors: 2, warnings: 1, off: 2 } }),
  entry('Warned whale 10', 20, { summary: { ...summary, warnings: 5 }, terms: 'uk' }),
  entry('Ticked toad 9', 10, { summary: { ...summary, ticked: 4, terms: 'mixed' }, edition: 'uk' }),
  entry('Endless eel', 5, { summary: null, state: 'too-much', asked: { open: 2, sent: 1, answered: 0, sentAt: 4 } }),
];
const names = (look: Partial<Look>) => arranged(SHELF, { ...USUAL, ...look }).map(({ id }) => id.split(' ')[0]);

describe('the shelf shows what is looked for', () => {
  it.each([
    [{}, ['Fresh', 'Begun', 'Faulty', 'Warned', 'Ticked', 'Endless']],
    [{ show: 'new' }, ['Fresh', 'Faulty', 'Warned', 'Endless']],
    [{ show: 'hand' }, ['Begun']],
    [{ show: 'ticked' }, ['Ticked']],
    [{ show: 'mend' }, ['Faulty', 'Warned', 'Endless']],
    [{ show: 'editions' }, ['Ticked']],
    [{ show: 'ask' }, ['Endless']],
    [{ show: 'out' }, ['Endless']],
    [{ show: 'answered' }, []],
    [{ terms: 'uk' }, ['Warned']],
    [{ terms: 'unclear' }, ['Endless']],
    [{ words: 'f  IS' }, ['Faulty']],
    [{ words: 'fox bear' }, []],
    [{ sort: 'taken' }, ['Endless', 'Ticked', 'Warned', 'Faulty', 'Begun', 'Fresh']],
    [{ sort: 'name' }, ['Begun', 'Endless', 'Faulty', 'Fresh', 'Ticked', 'Warned']],
    [{ sort: 'open', show: 'mend' }, ['Faulty', 'Warned', 'Endless']],
  ] satisfies [Partial<Look>, string[]][])('%o', (look, found) => {
    expect(names(look)).toEqual(found);
  });

  it('numbers in names are in order, and what is equal stays as it was changed', () => {
    const toads = [entry('Toad 10', 3), entry('toad 9', 2), entry('Toad 9', 1)];
    expect(arranged(toads, { ...USUAL, sort: 'name' }).map(({ name }) => name)).toEqual([
      'toad 9',
      'Toad 9',
      'Toad 10',
    ]);
  });

  it('says how many there are of each kind, of all that are there', () => {
    expect(tallies(SHELF)).toEqual({
      all: 6,
      new: 4,
      hand: 1,
      mend: 3,
      ask: 1,
      out: 1,
      answered: 0,
      ticked: 1,
      editions: 1,
    });
  });

  it('offers what is about letters where there are any, or where that is looked for', () => {
    const none = tallies([entry('Fresh fox', 50)]);
    const kinds = (show: Look['show']) => offered(none, show).map(({ value }) => value);
    expect(kinds('all')).toEqual(['all', 'new', 'hand', 'mend', 'ticked', 'editions']);
    expect(kinds('answered')).toContain('answered');
    expect(offered(tallies(SHELF), 'all').map(({ value }) => value)).toContain('out');
  });

  it('a pattern without rounds is never all ticked', () => {
    expect(stageOf(entry('Empty', 1, { summary: { ...summary, rounds: 0, agree: 0, tally: '' } }))).toBe('new');
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
