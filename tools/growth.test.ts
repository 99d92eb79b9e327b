import { describe, expect, it } from 'vitest';
import { checkText } from '../src/core/index.js';
import { chances } from '../src/core/training/chances.js';
import { JOBS, PLACES, pieces } from './growth.js';
import { spent } from './spent.js';

const repeated = (times: number, piece: string | ((i: number) => string)) =>
  Array.from({ length: times }, (_, i) => (typeof piece === 'string' ? piece : piece(i))).join('');
const START = 'BALL\nRnd 1: 6 sc in MR (6)\n';
/** The same brackets each time, in no order. */
function brackets(length: number, marks: string): string {
  const chance = chances(7);
  return repeated(length, () => marks.charAt(Math.floor(chance() * marks.length)));
}

/** Texts that once took seconds, minutes or all memory. */
const ONCE_HUNG: readonly (readonly [string, string])[] = [
  ['many steps that fill the round', `${START}Rnd 2: ${repeated(24, 'sc around, ')}(12)\n`],
  ['two thousand of them', `${START}Rnd 2: ${repeated(2000, 'sc around, ')}(12)\n`],
  ['stripes told in one line', `${START}Rnd 2: ${repeated(60, 'in Moss sc around, in Sand sc around, ')}(6)\n`],
  ['rounds that each state another count', START + repeated(4000, (i) => `Rnd ${i + 2}: sc around (${100 + i * 3})\n`)],
  ['a faulty round of many steps', `${START}Rnd 2: ${repeated(160, 'sc 1, inc, ')}(7)\n`],
  ['places repeated in one line', `${START}${repeated(5000, 'insert eyes between rounds 4 and 5, ')}\n`],
  ['stars', `${START}${repeated(100_000, '**')}\n`],
  ['stars in a round', `${START}Rnd 2: ${repeated(100_000, '**')}\n`],
  ['brackets in one line', brackets(500_000, '()[]{}<>')],
  ['brackets in lines', brackets(500_000, '()[]{}<>\n')],
  ['a round that refers to all before it', START + repeated(800, (i) => `Rnd ${i + 2}: repeat Rnds 1-${i + 1}\n`)],
  ['a pattern that has lost its line breaks', repeated(3000, (i) => `Rnd ${i + 1}: sc around (6). `)],
  ['ordinals in running text', repeated(30, (i) => `${repeated(60, (at) => `Round ${i * 60 + at + 1}: plain. `)}\n`)],
  [
    'lists of words behind the rounds',
    START + repeated(5000, (i) => `Rnd ${i + 2}: sc around (6)\nKey: w${i} = increase\n\n`),
  ],
  [
    'sentences without a number',
    repeated(1500, () => 'Six sc in a ring. Two in each, 12. One plain. Two plain. Then sc around.\n'),
  ],
  ['many pieces', repeated(3000, (i) => `PART ${i}\nRnd 1: 6 sc in MR (6)\n`)],
];
/** On an idle machine none of them takes a tenth of this; milliseconds. */
const LONG = 8000;

describe('no text hangs', () => {
  it.each(ONCE_HUNG)('%s', (_, text) => {
    for (const [job, work] of Object.entries(JOBS)) {
      expect(
        spent(() => work(text)),
        job,
      ).toBeLessThan(LONG);
    }
  });

  it('a round longer than any is told as such, and the rounds beside it are counted', () => {
    const { parts, findings } = checkText(
      `${START}Rnd 2: inc x 6 (12)\nRnd 3: ${repeated(400, 'sc 1, inc, ')}(24)\nRnd 4: sc around (24)\n`,
      'x',
    );
    expect(parts[0]?.rounds.map(({ verdict }) => verdict)).toEqual(['agrees', 'agrees', 'unreadable', 'on-trust']);
    expect(findings.filter(({ line }) => line === 4).map(({ message }) => message)).toEqual([
      expect.stringContaining('longer than one round can be'),
    ]);
  });
});

/** How the work grows is measured where the machine is quiet, by `npm run fuzz`; here nothing said often may hang. */
describe('no piece of a pattern hangs that is said very often', () => {
  const chosen = pieces().filter((_, i) => i % 4000 === 7);
  it.each(['sc around', 'insert eyes between rounds 4 and 5', '**', 'dec 5 times (5 st)', ...chosen])('%s', (piece) => {
    for (const [place, write] of Object.entries(PLACES)) {
      const text = write(piece, 80);
      for (const [job, work] of Object.entries(JOBS)) {
        expect(
          spent(() => work(text)),
          `${job}, ${place}`,
        ).toBeLessThan(LONG);
      }
    }
  });
});

describe('time grows with the text, not with its square', () => {
  /** Best of three, so that a pause of the machine doesn't count. */
  function time(text: string): number {
    let best = Infinity;
    for (let i = 0; i < 3; i += 1) {
      best = Math.min(
        best,
        spent(() => checkText(text, 'x')),
      );
    }
    return best;
  }

  it.each<[string, (n: number) => string]>([
    ['rounds', (n) => Array.from({ length: n }, (_, i) => `Rnd ${i + 1}: sc around (6)`).join('\n')],
    ['one long line', (n) => `Rnd 1: ${'sc 3, inc, '.repeat(n * 4)}`],
    ['open brackets', (n) => `Rnd 1: ${'('.repeat(n * 4)}`],
    ['nested brackets', (n) => `Rnd 1: ${'('.repeat(n * 4)}sc${')'.repeat(n * 4)}`],
    ['stars', (n) => `Rnd 1: ${'* '.repeat(n * 4)}sc`],
    ['labels in a line', (n) => 'Rnd 1 '.repeat(n * 2)],
    ['headings', (n) => 'Head\nstart ch loops of \n'.repeat(n)],
    ['references', (n) => Array.from({ length: n }, (_, i) => `Rnd ${i + 1}: rep Rnd ${i}`).join('\n')],
    ['prose', (n) => 'It was a dark night; the rain fell in torrents. '.repeat(n * 4)],
    ['digits', (n) => '1'.repeat(n * 20)],
    ['until', (n) => `Rnd 1: ${'sc until '.repeat(n)}`],
    ['unknown words', (n) => `Rnd 1: ${'frob glorp '.repeat(n * 2)}`],
  ])('%s', (_, make) => {
    time(make(100));
    // Four times the text: about 4 where it is linear, 16 where it is not. Measured anew where the
    // machine was busy with something else; what is not linear fails each time.
    const grows = () => time(make(2400)) / (time(make(600)) + 2);
    let least = grows();
    for (let tries = 0; tries < 3 && least >= 9; tries += 1) least = Math.min(least, grows());
    expect(least).toBeLessThan(9);
  });
});
