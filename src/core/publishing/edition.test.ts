import fc from 'fast-check';
import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { checkText } from '../index.js';
import type { Block } from './paper.js';
import { editionOf, paperOf } from './edition.js';
import { asText } from './text.js';

const laid = (text: string) => editionOf(text, { terms: 'auto', name: 'Untitled' });
const ofKind = <Kind extends Block['kind']>(blocks: readonly Block[], kind: Kind) =>
  blocks.filter((block): block is Extract<Block, { kind: Kind }> => block.kind === kind);

const figures = (text: string) =>
  checkText(text, '').parts.flatMap(({ make, rounds }) => rounds.map(({ into, made }) => [make, into, made]));

/** How a round stands in a text, and how it is laid out: its label, its words, and the count at the right. */
const ROUNDS: readonly (readonly [line: string, label: string, words: string, count: string])[] = [
  ['Rnd 2: inc x 6 (12)', 'Rnd 2', 'inc x 6', '(12)'],
  ['Rnd 2: inc x 6 [12 sts]', 'Rnd 2', 'inc x 6', '(12 sts)'],
  ['Rnd 2: inc x 6 = 12', 'Rnd 2', 'inc x 6', '(12)'],
  ['Rnd 2 - inc x 6 — 12 sts', 'Rnd 2', 'inc x 6', '(12 sts)'],
  ['Rnd 2: inc x 6', 'Rnd 2', 'inc x 6', '(12)'],
  ['**Rnd 2:** inc x 6 **(12)**', 'Rnd 2', 'inc x 6', '(12)'],
  ['R2. 2 sc in each st ……… (12)', 'R2', '2 sc in each st', '(12)'],
  ['Round 2: *inc; rep from * around. (12)', 'Round 2', '*inc; rep from * around', '(12)'],
  ['2. inc x 6 (12)', 'Rnd 2', 'inc x 6', '(12)'],
];

describe('a round', () => {
  it.each(ROUNDS)('%s', (line, label, words, count) => {
    const first = line.startsWith('2.') ? '1. 6 sc in MR (6)' : 'Rnd 1: 6 sc in MR (6)';
    const { blocks, proved } = laid(`BALL\nUS terms\n\n${first}\n${line}\nFasten off.\n`);
    expect(proved).toBe(true);
    expect(ofKind(blocks, 'round')[1]).toEqual({ kind: 'round', label, words, count });
  });

  it('that is broken over lines stands in one', () => {
    const { blocks } = laid(
      'BALL\nUS terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc in the next st,\n   inc in the next 5 sts (12)\n',
    );
    expect(ofKind(blocks, 'round')[1]?.words).toBe('inc in the next st, inc in the next 5 sts');
  });

  it('whose count stands in the middle keeps it there, and has it at the right as well', () => {
    const { blocks, proved } = laid('BALL\nUS terms\n\nRnd 1: 6 sc in MR (6), change to Sand\nRnd 2: inc x 6 (12)\n');
    expect(proved).toBe(true);
    expect(ofKind(blocks, 'round')[0]).toMatchObject({ words: expect.stringContaining('change to Sand') as string });
  });

  it('that gives no count has none', () => {
    const { blocks } = laid('BALL\nUS terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: dec until the hole is closed\n');
    expect(ofKind(blocks, 'round')[1]?.count).toBe('');
  });
});

const WHOLE = `# THE VOLE

*Written in US terms. About 9 cm tall.*

## You will need

| Item | Amount |
|---|---|
| Cotton, Sand | 20 g |
| Hook | 2.5 mm |

Caution: the eyes are small parts, not for children
under three.

Abbreviations
- MR – magic ring
- sc – single crochet

## BODY (make 2)

With Sand.

Rnd 1: 6 sc in MR (6)
Rnd 2: sc around (6)

Pad it firmly up to the last round of the body, and
leave a tail.

## To finish

Sew it shut.
`;

describe('what stands around the rounds', () => {
  const { title, blocks, anew, proved } = laid(WHOLE);

  it('keeps the order and the words, without the marks of its layout', () => {
    expect(proved).toBe(true);
    expect(title).toBe('THE VOLE');
    expect(blocks).toEqual([
      { kind: 'paragraph', text: 'Written in US terms. About 9 cm tall.' },
      { kind: 'heading', level: 2, text: 'You will need' },
      { kind: 'item', text: 'Cotton, Sand: 20 g' },
      { kind: 'item', text: 'Hook: 2.5 mm' },
      { kind: 'caution', text: 'Caution: the eyes are small parts, not for children under three.' },
      { kind: 'heading', level: 2, text: 'Abbreviations' },
      { kind: 'item', text: 'MR – magic ring' },
      { kind: 'item', text: 'sc – single crochet' },
      { kind: 'heading', level: 2, text: 'BODY (make 2)' },
      { kind: 'paragraph', text: 'With Sand.' },
      { kind: 'round', label: 'Rnd 1', words: '6 sc in MR', count: '(6)' },
      { kind: 'round', label: 'Rnd 2', words: 'sc around', count: '(6)' },
      { kind: 'paragraph', text: 'Pad it firmly up to the last round of the body, and leave a tail.' },
      { kind: 'heading', level: 2, text: 'To finish' },
      { kind: 'paragraph', text: 'Sew it shut.' },
    ]);
  });

  it('is told where it is laid out anew', () => {
    expect(anew).toEqual(['The counts stand in a column of their own at the right.', 'Each round has a box to tick.']);
  });

  it('gets a list of its abbreviations where there is none, in its own terms', () => {
    const list = (text: string) => ofKind(laid(text).blocks, 'item').map((one) => one.text);
    const ball = 'BALL\nRnd 1: 6 dc in MR (6)\nRnd 2: inc x 6 (12)\n';
    expect(list(`UK terms\n\n${ball}`)).toContain('dc = double crochet');
    expect(list(`US terms\n\n${ball.replace('dc', 'sc')}`)).toEqual([
      'sc = single crochet',
      'MR = magic ring',
      'inc = increase: two stitches in the same one',
    ]);
  });

  it('has its title once, where it is the first thing in the text', () => {
    const { title: called, blocks: rest } = laid('The egg\n\nUS terms\n\nBALL\nRnd 1: 6 sc in MR (6)\n');
    expect(called).toBe('The egg');
    expect(JSON.stringify(rest)).not.toContain('The egg');
  });

  it('says how many counts were worked out', () => {
    const { anew: said } = laid('BALL\nUS terms\n\nRnd 1: 6 sc in MR\nRnd 2: inc x 6 (12)\nRnd 3: sc around\n');
    expect(said).toContain('The counts of 2 rounds that state none are worked out.');
  });
});

describe('patterns by many hands', () => {
  const texts = ['corpus', 'corpus/odd'].flatMap((folder) =>
    readdirSync(folder)
      .filter((file) => file.endsWith('.txt'))
      .map((file) => [file, readFileSync(`${folder}/${file}`, 'utf8')] as const),
  );

  it.each(texts)('%s is laid out with the same counts, and no word is lost', (_, text) => {
    const edition = laid(text);
    expect(edition.proved).toBe(true);
    const again = asText(paperOf(edition, ''));
    const words = (of: string) => new Set(of.toLowerCase().match(/\p{L}{4,}/gu));
    const kept = words(again);
    // The heads of tables say nothing where the columns are gone.
    const lost = [...words(text)].filter((word) => !kept.has(word));
    expect(lost.length).toBeLessThanOrEqual(6);
  });
});

it('whatever is written, it is laid out, and what is said to be proved is', () => {
  const line = fc.oneof(
    fc.constantFrom('Rnd 1: 6 sc in MR (6)', 'Rnd 2: inc x 6 (12)', 'Rnd 3: (sc 1, inc) x 6 (18)', 'HEAD (make 2)', ''),
    fc.constantFrom(
      'Materials:',
      'Cotton, 20 g',
      '- 3 mm hook',
      '| 4 | sc around | 18 |',
      'Stuff it.',
      'Fold. 6 sc (6)',
    ),
    fc.string({ maxLength: 30 }),
  );
  fc.assert(
    fc.property(fc.array(line, { maxLength: 14 }), (lines) => {
      const text = lines.join('\n');
      const edition = laid(text);
      if (edition.proved) expect(figures(asText(paperOf(edition, '')))).toEqual(figures(text));
    }),
    { numRuns: 60 },
  );
});
