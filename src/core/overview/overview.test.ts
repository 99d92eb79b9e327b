import { describe, expect, it } from 'vitest';
import { overviewOf, checkPattern, overviewSchema } from '../index.js';

const LIMPET =
  'Limpet\nUS terms\n\nMaterials\nCotton: Sand 20 g, Rust 5 g, Moss 5 g\n3 mm hook\nSafety eyes, 6 mm\n\nAbbreviations\nsc = single crochet\nsk = skip\n\n' +
  'SHELL\nWith Sand.\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnds 3-4: sc around (12)\nInsert the eyes between Rnds 2 and 3.\nRnd 5: dec x 6 (6)\nStuff it. Fasten off.\n\n' +
  'FOOT (make 2)\nWith Rust.\nRnd 1: 5 sc in MR (5)\nRnd 2: inc x 5 (10)\nFasten off, leave an end for sewing.\n\n' +
  'ASSEMBLY\nSew the feet to the shell.\nSew the ends in.\n';
const lineOf = (words: string) => LIMPET.split('\n').findIndex((line) => line.includes(words)) + 1;
const understood = (text: string, hand?: Parameters<typeof checkPattern>[2]) =>
  overviewOf(checkPattern(text, 'x', hand).counted);

describe('what was understood besides the rounds', () => {
  const overview = understood(LIMPET);

  it('is what its schema says', () => {
    expect(overviewSchema.parse(JSON.parse(JSON.stringify(overview)))).toEqual(overview);
  });

  it('terms: what was declared and where, and the words that tell them', () => {
    expect(overview.terms).toMatchObject({ declared: 'us', at: 2, detected: 'us' });
    expect(overview.terms.words).toContainEqual({ word: 'sc', count: 4, tells: 'us', line: 10 });
  });

  it('the filling is spoken of where something is stuffed', () => {
    const text = 'US terms\n\nMaterials\nToy stuffing\n\nBALL\nRnd 1: 6 sc in MR (6)\nStuff it.\n';
    const { materials } = understood(text, { terms: 'auto' });
    expect(materials).toMatchObject([{ kind: 'filling', name: 'Toy stuffing', uses: [{ line: 8, part: 'Ball' }] }]);
  });

  it('materials: each once, with its amount and what uses it', () => {
    const uses = new Map(overview.materials.map(({ name, amount, uses: where }) => [name, { amount, where }]));
    expect(uses.get('Sand')).toEqual({ amount: '20 g', where: [{ line: lineOf('With Sand'), part: 'Shell' }] });
    expect(uses.get('Rust')).toEqual({ amount: '5 g', where: [{ line: lineOf('With Rust'), part: 'Foot' }] });
    expect(uses.get('Moss')).toEqual({ amount: '5 g', where: [] });
    expect(uses.get('Safety eyes')?.where).toEqual([{ line: lineOf('Insert the eyes'), part: 'Shell' }]);
    expect(overview.materials.filter(({ name }) => /eye/i.test(name))).toHaveLength(1);
    expect(overview.materials.find(({ kind }) => kind === 'hook')).toMatchObject({ name: '3 mm', uses: [] });
  });

  it('words: with their meaning, and how often they stand in the instructions', () => {
    expect(overview.words).toMatchObject([
      { term: 'sc', meaning: 'single crochet', from: 'list', used: 3, line: lineOf('sc = single') },
      { term: 'sk', meaning: 'skip', from: 'list', used: 0, line: lineOf('sk = skip') },
    ]);
  });

  it('parts: how many, how they grow, and all their stitches', () => {
    expect(overview.parts.map(({ making: _making, assembly: _assembly, ...part }) => part)).toEqual([
      {
        name: 'Shell',
        line: lineOf('SHELL'),
        endLine: lineOf('Rnd 5'),
        make: 1,
        rounds: 5,
        kind: 'rounds',
        first: 6,
        most: 12,
        last: 6,
        stitches: 48,
      },
      {
        name: 'Foot',
        line: lineOf('FOOT'),
        endLine: lineOf('Rnd 2: inc x 5'),
        make: 2,
        rounds: 2,
        kind: 'rounds',
        first: 5,
        most: 10,
        last: 10,
        stitches: 15,
      },
    ]);
  });

  it('what is done besides crochet, behind which round', () => {
    expect(overview.parts[0]?.making).toEqual([
      { what: 'eyes set', line: lineOf('Insert the eyes'), after: 'Rnds 3-4' },
      { what: 'stuffed', line: lineOf('Stuff it'), after: 'Rnd 5' },
      { what: 'fastened off', line: lineOf('Stuff it'), after: 'Rnd 5' },
    ]);
  });

  it('assembly: what is put where, and no end that is left for it', () => {
    const sewn = { text: 'Sew the feet to the shell.', line: lineOf('Sew the feet') };
    expect(overview.assembly).toEqual([sewn]);
    expect(overview.parts.map(({ assembly }) => assembly)).toEqual([[sewn], [sewn]]);
  });

  it('sections: with their lines', () => {
    const lines = new Map([...overview.sections].reverse().map(({ kind, line }) => [kind, line]));
    expect(lines.get('materials')).toBe(lineOf('Materials'));
    expect(lines.get('legend')).toBe(lineOf('Abbreviations'));
    expect(lines.get('assembly')).toBe(lineOf('ASSEMBLY'));
  });
});

it('a word that was settled or worked out stands among the words, with from where its meaning is', () => {
  const text = 'Pot\nUS terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: 6 frobs (12)\n';
  const { words } = understood(text, { terms: 'auto', hand: { words: { frob: 'increase' } } });
  expect(words).toEqual([
    { term: 'frob', meaning: 'an increase', from: 'settled', sense: 'increase', line: null, used: 1 },
  ]);
});

it('a part with a round that can’t be counted has no sum of its stitches, and rows are called rows', () => {
  const { parts } = understood(
    'US terms\n\nFLAP\nCh 6.\nRow 1: sc in 2nd ch from hook and in each ch across (5)\nRow 2: (sc 1, inc across\n',
  );
  expect(parts).toMatchObject([{ kind: 'rows', rounds: 2, first: 5, stitches: null }]);
});

it('nothing is made up where nothing is said', () => {
  expect(understood('A letter to a friend.\n')).toEqual({
    title: 'A letter to a friend',
    terms: { declared: null, at: null, detected: 'unclear', words: [] },
    materials: [],
    words: [],
    sections: [],
    parts: [],
    assembly: [],
    lines: ['title', 'blank'],
  });
});
