import { describe, expect, it } from 'vitest';
import type { Step } from '../../pattern/instruction.js';
import type { Sense } from '../../vocabulary/senses.js';
import { Lexicon } from '../lexicon.js';
import { everyChoice } from './choices.js';
import { gistsOf } from './gist.js';
import { referenceIn } from './reference.js';

const US = new Lexicon('us', false);

function told(step: Step): string {
  switch (step.kind) {
    case 'work': {
      const often = step.amount.kind === 'times' ? String(step.amount.times) : step.amount.kind;
      const where = step.place.kind === 'edge' ? '' : ` ${step.place.kind}`;
      return `${step.per}/${step.over} x ${often}${where}`;
    }
    case 'repeat': {
      const often = step.amount?.kind === 'times' ? String(step.amount.times) : (step.amount?.kind ?? '?');
      return `(${step.body.map(told).join(', ')}) x ${often}`;
    }
    case 'group':
      return `{${step.members.map(told).join(', ')}}`;
    default:
      return step.kind;
  }
}

/** All ways to take some words, a line each, with the count that they state. */
function ways(words: string, senses: Readonly<Record<string, Sense>> = {}): string[] {
  const gists = gistsOf(words, { from: 0, to: words.length }, US, new Map(Object.entries(senses)));
  return gists.map(({ instruction: { steps, stated } }) =>
    [steps.map(told).join(', '), ...(stated ? [`= ${stated.total}`] : [])].join(' '),
  );
}

describe('the gist of an instruction, in whatever order a hand puts it', () => {
  it.each<[string, Readonly<Record<string, Sense>>, string]>([
    ['growing by 6 (18)', {}, '2/1 x 6, 1/1 x fill = 18'],
    ['(sc, inc); repeat 6 times', {}, '(1/1 x 1, 2/1 x 1) x 6'],
    ['(sc, inc); repeat 6', {}, '(1/1 x 1, 2/1 x 1) x 6'],
    ['(sc, inc); repeat', {}, '(1/1 x 1, 2/1 x 1) x fill'],
    ['tog every 3rd and 4th stitch (18)', {}, '(1/1 x 2, 1/2 x 1) x fill = 18'],
    ['always tog', {}, '1/2 x fill'],
    ['tog all around', {}, '1/2 x fill'],
    ['0 > plain', {}, '1/1 x fill'],
    ['every other (18)', {}, '(1/1 x 1, 2/1 x 1) x fill = 18'],
    ['every third (16)', {}, '(1/1 x 1, 1/2 x 1) x fill = 16'],
    ['every third twice', {}, '(1/1 x 2, 2/1 x 1) x fill'],
    ['every 4th and 5th', {}, '(1/1 x 3, 1/2 x 1) x fill'],
    ['dec every 4+5', {}, '(1/1 x 3, 1/2 x 1) x fill'],
    ['into this loop work 7 sc', {}, '1/1 x 7 ring'],
    ['wind the wool once about the finger and into this loop work 6 sc', {}, 'ring, 1/1 x 6 ring'],
    ['2sc, dec, repeat 18', {}, '(1/1 x 2, 1/2 x 1) x fill = 18'],
    ['2sc, dec, repeat 18 (stuff now)', {}, '(1/1 x 2, 1/2 x 1) x fill = 18'],
    ['2sc, dec, repeat (eyes after it, between rounds 7 and 8)', {}, '(1/1 x 2, 1/2 x 1) x fill'],
    ['(sc, hdc) in the 3rd st', {}, '{1/1 x 1, 1/1 x 1}'],
    ['add 8 increases', {}, '2/1 x 8'],
    ['unchanged', {}, '1/1 x fill'],
    ['twos into every stitch', {}, '2/1 x fill'],
    ['a pair in the next, one in the next', {}, '2/1 x 1, 1/1 x 1'],
    ['two get one each, and the third gets two', {}, '1/1 x 2, 2/1 x 1'],
    ['sc 3, picot, sc 3', {}, '1/1 x 3, 1/1 x 3'],
    ['wind the yarn, 6 sc', {}, '1/1 x 6'],
    ['next time inc in all', {}, '2/1 x fill'],
    ['next time round inc in all', {}, '2/1 x fill'],
    ['after every three one inc', {}, '(1/1 x 3, 2/1 x 1) x fill'],
    ['2 sc, inc, and that six times', {}, '(1/1 x 2, 2/1 x 1) x 6'],
    ['sc, dec, the lot 4x', {}, '(1/1 x 1, 1/2 x 1) x 4'],
    ['sc 2 inc all that 3 times', {}, '(1/1 x 2, 2/1 x 1) x 3'],
    ['3 times: sc, 2 sc in one', {}, '(1/1 x 1, 2/1 x 1) x 3'],
    ['into each st. 1 sc', {}, '1/1 x fill'],
    ['every 3rd st inc', {}, '(1/1 x 2, 2/1 x 1) x fill'],
    ['every 2nd and 3rd st. dec', {}, '(1/1 x 1, 1/2 x 1) x fill'],
    ['sc in the 2nd ch from the hook, sc 3', {}, '1/1 x 1 chain-from-hook, 1/1 x 3'],
    ['sc into ring, six of them', {}, '1/1 x 6 ring'],
    ['sc over the next 4, inc, over and over', {}, '(1/1 x 4, 2/1 x 1) x fill'],
    ['one in one, twice in the next, on and on', {}, '(1/1 x 1, 2/1 x 1) x fill'],
    ['dc twice in each', {}, '2/1 x fill'],
    ['twice in every one', {}, '2/1 x fill'],
    ['simply go round', {}, '1/1 x fill'],
    ['into each loop 1 sl st, 6 ch, 1 sl st', {}, '{1/1 x 1, 1/1 x 6, 1/1 x 1}'],
    ['sc inc all', {}, '(1/1 x 1, 2/1 x 1) x fill'],
    ['sc + inc, 6', {}, '(1/1 x 1, 2/1 x 1) x 6'],
    ['6 bumps', { bump: 'increase' }, '2/1 x 6'],
    ['(sc 1, up) 6 sets', { up: 'increase', sets: 'times' }, '(1/1 x 1, 2/1 x 1) x 6'],
    ['inc, and again 5 times', { again: 'more' }, '2/1 x 6'],
    ['*sc 2, next 2 sts together; repeat from * to the end', {}, '(1/1 x 2, 1/2 x 1) x fill'],
    ['one, and two in the next, all the way', {}, '(1/1 x 1, 2/1 x 1) x fill'],
    ['two ones and a two, all the way', {}, '(1/1 x 2, 2/1 x 1) x fill'],
    ['one, then two together, all round', {}, '(1/1 x 1, 1/2 x 1) x fill'],
    ['4+inc', {}, '1/1 x 4, 2/1 x 1'],
    ['inc · 6', {}, '2/1 x 6'],
    ['24 in the back loops', {}, 'loops, 1/1 x 24'],
    ['double up every stitch', {}, '2/1 x fill'],
    ['2ea', {}, '2/1 x fill'],
    ['one double up, rest normal', {}, '2/1 x 1, 1/1 x fill'],
    ['everything straight, five times round', {}, '1/1 x fill'],
    ['sc inc all the way', {}, '(1/1 x 1, 2/1 x 1) x fill'],
    ['3 normal and a double up, 3 times', {}, '(1/1 x 3, 2/1 x 1) x 3'],
    ['squish two together the whole way', {}, '1/2 x fill'],
    ['a loop with six in it', {}, 'ring, 1/1 x 6 ring'],
    ['Third colour. One in each of two, then take two together; repeat', {}, '(1/1 x 2, 1/2 x 1) x fill'],
    ['inc*6', {}, '2/1 x 6'],
    ['2 sc, inc; repeat 6 times', {}, '(1/1 x 2, 2/1 x 1) x 6'],
    ['a ring, and put six of them in it', {}, 'ring, 1/1 x 6 ring'],
    ['we begin with six stitches in the ring', {}, '1/1 x 6 ring'],
    ['we decrease: (2 sc, 1 dec) six times', {}, '(1/1 x 2, 1/2 x 1) x 6'],
    ['2 sc worked together', {}, '1/2 x 1'],
    ['just go round four times', {}, '1/1 x fill'],
    ['*(sc, sc in same st), sc 2*; 2x', {}, '((1/1 x 1, 1/1 x 1 same) x 1, 1/1 x 2) x 2'],
    ['(2 up) six times', { up: 'increase' }, '(2/1 x 2) x 6'],
    ['(every 2nd doubled)', {}, '(1/1 x 1, 2/1 x 1) x fill'],
    ['every other one takes two', {}, '(1/1 x 1, 2/1 x 1) x fill'],
    ['every 3rd and 4th joined', {}, '(1/1 x 2, 1/2 x 1) x fill'],
    ['all in twos', {}, '1/2 x fill'],
    ['six pairs', {}, '1/2 x 6'],
    ['a pair in one', {}, '2/1 x 1'],
    ['2 / st', {}, '2/1 x fill'],
    ['1, 1, 2 / st', {}, '(1/1 x 1, 1/1 x 1, 2/1 x 1) x fill'],
    ['2 tog', {}, '1/2 x fill'],
    ['sc over 2 sts all around', {}, '1/2 x fill'],
    ['Into the first three, one each; into the next, two; continue so', {}, '(1/1 x 3, 2/1 x 1) x fill'],
    ['Into the first, one; the next two, together; continue so', {}, '(1/1 x 1, 1/2 x 1) x fill'],
    ['sc-sc in every one', {}, '2/1 x fill'],
    ['sc, sc | sc+sc tog, six times', {}, '(1/1 x 1, 1/1 x 1, 1/2 x 1) x 6'],
    ['6 x (2sc, 2 into 1)', {}, '(1/1 x 2, 1/2 x 1) x 6'],
    ['6x 1 sc + inc', {}, '(1/1 x 1, 2/1 x 1) x 6'],
    ['(2 sc, inc) · 6', {}, '(1/1 x 2, 2/1 x 1) x 6'],
    ['one plain, one increase; six times', {}, '(1/1 x 1, 2/1 x 1) x 6'],
    ['3 up', { up: 'increase' }, '(1/1 x 3, 2/1 x 1) x fill'],
    ['1 sc and then 2 sc per every second stitch', {}, '(1/1 x 1, 2/1 x 1) x fill'],
    ['ch 7, sc from 2nd ch', {}, 'chain, first-chain, 1/1 x fill'],
    ['7 in a loop', {}, '1/1 x 7 ring'],
    ['add 8', {}, '2/1 x 8, 1/1 x fill'],
    ['take off 8', {}, '1/2 x 8, 1/1 x fill'],
    ['nothing changes', {}, '1/1 x fill'],
    ['join them all two by two', { join: 'decrease' }, '1/2 x fill'],
    ['take two together after every three', {}, '(1/1 x 3, 1/2 x 1) x fill'],
    ['take two together after every one', {}, '(1/1 x 1, 1/2 x 1) x fill'],
    ['after each 3rd stitch an inc', {}, '(1/1 x 3, 2/1 x 1) x fill'],
    ['x5 plain', {}, '1/1 x fill'],
    ['5x straight', {}, '1/1 x fill'],
    ['2x all round', {}, '2/1 x fill'],
    ['1+2x, six times', {}, '(1/1 x 1, 2/1 x 1) x 6'],
    ['every one of the six gets two', {}, '2/1 x 6'],
    ['then one gets one and the next gets two, and you carry on like that', {}, '(1/1 x 1, 2/1 x 1) x fill'],
    ['two get one and the third gets two', {}, '(1/1 x 2, 2/1 x 1) x fill'],
    ['inc after every st', {}, '(1/1 x 1, 2/1 x 1) x fill'],
    ['6 mr', {}, '1/1 x 6 ring'],
    ['wind the yarn round your finger, and make eight sc in the loop', {}, 'ring, 1/1 x 8 ring'],
    ['2nd ch from hook: 6 sc', {}, 'first-chain, 1/1 x 6'],
    ['next four rounds. Without increase', {}, '1/1 x fill'],
    ['two get one and two are joined, and so on', {}, '(1/1 x 2, 1/2 x 1) x fill'],
    ['three get one and two joined', {}, '(1/1 x 3, 1/2 x 1) x fill'],
    ['one, two, one, two, and so on', {}, '(1/1 x 1, 2/1 x 1, 1/1 x 1, 2/1 x 1) x fill'],
    ['one, one, two, all around', {}, '(1/1 x 1, 1/1 x 1, 2/1 x 1) x fill'],
    ['24x', {}, '1/1 x 24'],
    ['1 inc around', {}, '(1/1 x 1, 2/1 x 1) x fill'],
    ['3 dec all around', {}, '(1/1 x 3, 1/2 x 1) x fill'],
    ['dec every 3rd', {}, '(1/1 x 2, 1/2 x 1) x fill'],
    ['every 4th dec', {}, '(1/1 x 3, 1/2 x 1) x fill'],
    ['two, one, one, keep going', {}, '(2/1 x 1, 1/1 x 1, 1/1 x 1) x fill'],
    ['you just crochet', {}, '1/1 x fill'],
    ['keep going', {}, '1/1 x fill'],
    ['simply work', {}, '1/1 x fill'],
    ['only crochet', {}, '1/1 x fill'],
    ['plain x 4', {}, '1/1 x fill'],
    ['straight x3', {}, '1/1 x fill'],
    ['even 6x', {}, '1/1 x fill'],
    ['then one plain', {}, '1/1 x fill'],
    ['and now two plain', {}, '1/1 x fill'],
    ['then four rounds without anything', {}, '1/1 x fill'],
    ['three rounds without anything (so we’re at row 9)', {}, '1/1 x fill'],
    ['plain (that was round 12)', {}, '1/1 x fill'],
    ['decrease over the tummy: sc 8, dec 8 times, sc 8', {}, '1/1 x 8, 1/2 x 8, 1/1 x 8'],
    ['inc in the back: 6 sc, inc 6 times, 6 sc', {}, '1/1 x 6, 2/1 x 6, 1/1 x 6'],
    ['ch 7, from 2nd: 5 sc, 3 sc in last', {}, 'chain, first-chain, 1/1 x 5, 3/1 x 1'],
    ['ch 9, sl st from 2nd', {}, 'chain, first-chain, 1/1 x fill'],
    ['ch 9, sl st back from the 2nd', {}, 'chain, first-chain, 1/1 x fill'],
    ['ch 9, sl st in each ch', {}, 'chain, 1/1 x fill'],
    ['ch 5, sc in 3rd, sc 2', {}, 'chain, 1/1 x 1 chain-from-hook, 1/1 x 2'],
    ['sc all sts together in pairs', {}, '1/2 x fill'],
    ['sc in every st together in twos', {}, '1/2 x fill'],
    ['4 sc, *5 dc in next st* this is ear one, 3 sc', {}, '1/1 x 4, 5/1 x 1, 1/1 x 3'],
    ['4 sc, (5 dc in next st), that is the left ear, 3 sc', {}, '1/1 x 4, 5/1 x 1, 1/1 x 3'],
    ['4 sc, 5 dc in next st, ear two, 3 sc', {}, '1/1 x 4, 5/1 x 1, 1/1 x 3'],
    ['next time round each gets two', {}, '2/1 x fill'],
    ['3 dec ×6', {}, '(1/1 x 3, 1/2 x 1) x 6'],
    ['inc in alternate stitches', {}, '(1/1 x 1, 2/1 x 1) x fill'],
    ['once around', {}, '1/1 x fill'],
    ['two together, straight on', {}, '1/2 x 1, 1/1 x fill'],
    ['dec, plain around', {}, '1/2 x 1, 1/1 x fill'],
    ['make a loop; and into it six', {}, 'ring, 1/1 x 6 ring'],
  ])('%s', (words, senses, expected) => {
    expect(ways(words, senses)).toContain(expected);
  });

  it.each([
    ['sc in each, so 24', '1/1 x fill = 24'],
    ['two in each, so you have twelve', '2/1 x fill = 12'],
    ['inc x6 → 12', '2/1 x 6 = 12'],
    ['next round two sc and one inc all the way round twenty four', '(1/1 x 2, 2/1 x 1) x fill = 24'],
    ['sc all round, 36 the whole way', '1/1 x fill = 36'],
    ['inc 6 times (that makes 12)', '2/1 x 6 = 12'],
    ['− 6 = 12 sts', '1/2 x 6, 1/1 x fill = 12'],
    ['sc in each. – 24', '1/1 x fill = 24'],
    ['through 10: sc in each st around. | 24', '1/1 x fill = 24'],
    ['= 18 sts', '1/1 x fill = 18'],
    ['nothing changes, 35 every time', '1/1 x fill = 35'],
    ['six pairs, and there are six', '1/2 x 6 = 6'],
    ['four rounds of 24', '1/1 x fill = 24'],
    ['round three times on ten', '1/1 x fill = 10'],
    ['24 for two rounds', '1/1 x fill = 24'],
  ])('a figure told by the way is the count: %s', (words, expected) => {
    expect(ways(words)).toContain(expected);
  });

  it('what is repeated is left open where the words leave it open', () => {
    expect([...new Set(ways('sc 1. sc 2, inc, 3 times'))].sort()).toEqual([
      '(1/1 x 1, 1/1 x 2, 2/1 x 1) x 3',
      '(1/1 x 1, 1/1 x 2, 2/1 x 3) x fill',
      '1/1 x 1, (1/1 x 2, 2/1 x 1) x 3',
      '1/1 x 1, 1/1 x 2, 2/1 x 3',
    ]);
  });

  it('a figure that nothing is done with makes no reading', () => {
    expect(ways('14 press, sc 6')).not.toContain('1/1 x 6');
    expect(ways('the hook of 4 mm')).toEqual([]);
    expect(ways('6 glorps')).toEqual([]);
    expect(ways('rounds 7')).toEqual([]);
  });
});

describe('every choice', () => {
  it('is made once, the first ways first, and told', () => {
    const runs = everyChoice((chooser) => {
      const one = chooser.choose('one', ['a', 'b']);
      return one === 'a' ? one : one + chooser.choose('two', ['c', 'd']);
    }, 10);
    expect(runs.map(({ result }) => result)).toEqual(['a', 'bc', 'bd']);
    expect(runs.at(-1)?.chosen).toEqual([
      { what: 'one', ways: ['b'], usual: false },
      { what: 'two', ways: ['d'], usual: false },
    ]);
  });

  it('stops at the most runs that are wanted', () => {
    expect(everyChoice((chooser) => [1, 2, 3].map(() => chooser.either(['a', 'b'])).join(''), 5)).toHaveLength(5);
  });
});

describe('rounds like earlier ones, in any words', () => {
  it.each([
    ['rounds 1 to 5 exactly like the head', { rounds: [1, 2, 3, 4, 5], part: 'head', times: null }],
    ['the same as 1 to 3 of the seat', { rounds: [1, 2, 3], part: 'seat', times: null }],
    ['Just like the first leg, I to VIII', { rounds: [1, 2, 3, 4, 5, 6, 7, 8], part: 'first leg', times: null }],
    ['first three rounds of the legs again', { rounds: [1, 2, 3], part: 'legs', times: null }],
    ['repeat the last two rows three times', { rounds: [], last: 2, times: 3 }],
    ['is round 5 once more', { rounds: [5], times: null }],
    ['same', { rounds: [], last: 1, times: null }],
  ])('%s', (words, expected) => {
    const { span: _span, ...found } = referenceIn(words, { from: 0, to: words.length }) ?? { span: null };
    expect(found).toEqual(expected);
  });

  it.each(['sc in each of round 5', '(1 sc, 1 bump) repeat 3 times', '*sc, bump; rep from * around. (12)'])(
    'are not seen in: %s',
    (words) => {
      expect(referenceIn(words, { from: 0, to: words.length })).toBeNull();
    },
  );

  it.each([
    ['rounds 1 to 90, 1 to 90, 1 to 90, 1 to 90 like the head', 200],
    ['rounds 3, 1 to 90 like the head', 91],
    ['rounds 1 to 4 just like the head', 4],
  ])('are so many at the most: %s', (words, most) => {
    expect(referenceIn(words, { from: 0, to: words.length })?.rounds).toHaveLength(most);
  });

  it('are not seen in amounts', () => {
    expect(referenceIn('repeat 2 sc', { from: 0, to: 11 })).toBeNull();
  });
});
