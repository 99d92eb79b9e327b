import { describe, expect, it } from 'vitest';
import { definitions } from './definitions.js';
import { legendIn } from './legend.js';
import { toldIn } from './told.js';
import { sourceText } from '../text/source.js';

/** What the reader makes of the words that a text explains, as "term: meaning". */
function explained(text: string): string[] {
  const entries = [...legendIn(text, 0, text.length), ...toldIn(sourceText(text), 0, text.length)];
  return definitions(entries, 'us', false).map(({ term, meaning }) => {
    switch (meaning.is) {
      case 'stitch':
        return `${term}: ${meaning.stitch}`;
      case 'shaping':
        return `${term}: ${meaning.per} in ${meaning.over}`;
      case 'increase':
        return `${term}: ${meaning.per} in 1`;
      case 'decrease':
        return `${term}: 1 in ${meaning.over}`;
      default:
        return `${term}: ${meaning.is}`;
    }
  });
}

describe('words that a text explains itself', () => {
  it.each([
    ['A bump means two single crochets worked in one stitch.', ['bump: 2 in 1']],
    ['A pinch is two stitches taken together.', ['pinch: 1 in 2']],
    ['inc = double 1 stitch (2 sc in 1), dec = crochet 2 sc together', ['dec: 1 in 2']],
    ['up is 2 sc in one stitch\ndown is 2 sc worked together', ['up: 2 in 1', 'down: 1 in 2']],
    ['twin = 2 sc in one stitch, marry = 2 sc as one.', ['twin: 2 in 1', 'marry: 1 in 2']],
    [
      'I write v for a sc, vm for two sc in one stitch and vs for two sc together',
      ['v: step1', 'vm: 2 in 1', 'vs: 1 in 2'],
    ],
    ['fs = firm stitch (single crochet)\ndouble = crochet 2 fs into the same stitch', ['fs: step1', 'double: 2 in 1']],
    ['Tutti: sc in every stitch.', ['Tutti: steps']],
    ['A plus sign means put two in one stitch.\n1: + + +', ['plus sign: 2 in 1', '+: 2 in 1']],
    ['A minus is two stitches taken together.\n1: (3 −)', ['minus: 1 in 2', '−: 1 in 2']],
    ['A dot means a sc.\n1: · · ·', ['dot: step1', '·: step1']],
    ['A triangle means two single crochets taken together.\n1: 3 △', ['triangle: 1 in 2', '△: 1 in 2']],
    ['A slash means two single crochets in one stitch.', ['slash: 2 in 1']],
    ['up is 1 ch at the beginning and no stitch', ['up: aside']],
    ['wart: 5 dc in one stitch, closed together at the top; it is one stitch', ['wart: bobble']],
    ['"Two in one" is two sc in one stitch', ['Two in one: 2 in 1']],
    ['● = sc, ✚ = 2 sc in one st, ▽ = sc2tog', ['●: step1', '✚: 2 in 1', '▽: 1 in 2']],
    ['  .    single crochet\n  <    two single crochet in one stitch', ['.: step1', '<: 2 in 1']],
    ['(US: s sc, i two sc in one, d two sc together)', ['s: step1', 'i: 2 in 1', 'd: 1 in 2']],
    // a name first, and then what it is
    [
      'p is plain, that is one single crochet. d is a double-up, two single crochet in the same stitch. g is a gather, two single crochet taken together.',
      ['p: step1', 'd: 2 in 1', 'g: 1 in 2'],
    ],
    ['x = sc, the small numbers say how many of them', ['x: step1']],
    ['v = two sc made into one', ['v: 1 in 2']],
    // terms that begin with a figure, and labels that are no terms
    [
      'sc = single crochet, 2in1 = 2 sc in one st, 2>1 = sc 2 sts together.',
      ['sc: step1', '2in1: 2 in 1', '2>1: 1 in 2'],
    ],
    [
      'x := single crochet (US), v := increase (2 sc in one), a := decrease (2 sc as one)',
      ['x: step1', 'v: 2 in 1', 'a: 1 in 2'],
    ],
    ['Everything is single crochet (US terms)', []],
    ['round four: sc in every stitch\nverse VI: two sc together\nseven and eight: sc in every stitch', []],
    // several in a sentence, or in a line
    [
      'In my kitchen a plain is a single crochet, a double is two single crochet in one stitch, and a merge is two single crochet together.',
      ['plain: step1', 'double: 2 in 1', 'merge: 1 in 2'],
    ],
    [
      'Her talk: "plain" is a UK double crochet. "Make a pair" is two in one hole.',
      ['plain: step1', 'Make a pair: 2 in 1'],
    ],
    [
      '  + sc    V two sc in one    A two sc as one    ~ sl st    o ch',
      ['+: step1', 'V: 2 in 1', 'A: 1 in 2', '~: slip', 'o: chain'],
    ],
    ['S=sc  D=2 sc in 1  T=sc2tog', ['S: step1', 'D: 2 in 1', 'T: 1 in 2']],
    ['Signs: / sc, ^ two sc in one, v two sc together, o chain', ['/: step1', '^: 2 in 1', 'v: 1 in 2', 'o: chain']],
    ['hop → 2 sc in one stitch; dip → 2 sc together', ['hop: 2 in 1', 'dip: 1 in 2']],
    ['For "pop" read two sc in one stitch, for "dip" read two sc together.', ['pop: 2 in 1', 'dip: 1 in 2']],
    ['When I say hop I mean two sc in one stitch.', ['hop: 2 in 1']],
    ['By hop I mean two sc in one stitch, by dip two sc together.', ['hop: 2 in 1']],
    ['hop (two sc in one stitch), dip (two sc together), walk (sc)', ['hop: 2 in 1', 'dip: 1 in 2', 'walk: step1']],
    [
      'TWINS ...... two single crochet in one stitch\nWEDDING .... two single crochet made one',
      ['TWINS: 2 in 1', 'WEDDING: 1 in 2'],
    ],
    ['hop >> 2 sc in one stitch | dip >> 2 sc together | walk >> sc', ['hop: 2 in 1', 'dip: 1 in 2', 'walk: step1']],
    [
      'Chain (ch), slip stitch (sl st), single crochet (sc), increase (inc)',
      ['ch: chain', 'sl st: slip', 'sc: step1', 'inc: 2 in 1'],
    ],
    ['A "join" = 2 stitches crocheted together.', ['join: 1 in 2']],
    // the meaning first
    ['Two sc in one stitch is called a hop.', ['hop: 2 in 1']],
    ['Two sc in one stitch = hop, two sc together = dip', ['hop: 2 in 1', 'dip: 1 in 2']],
    ['I call two sc in one stitch a hop and two sc together a dip.', ['hop: 2 in 1', 'dip: 1 in 2']],
    ['A plain is a UK treble, a long one is a British double treble.', ['plain: step2', 'long one: step3']],
    ['two sc in the same stitch (a hop), two sc together (a dip)', ['hop: 2 in 1', 'dip: 1 in 2']],
  ])('%s', (text, expected) => {
    expect(explained(text).sort()).toEqual([...expected].sort());
  });

  it.each([
    ['a sentence that begins so and explains nothing', 'This is two sc in one stitch.\nThe body is sc all round.'],
    ['a number of a round', 'four: 2 sc in one stitch\nIII: sc in every stitch'],
    ['words that every instruction needs', 'times is six times in all\nround = sc in every stitch'],
    ['the signs of a list', '* two sc in one stitch\n* two sc together\n- sc in every stitch\n- sl st'],
  ])('%s gives no word a meaning', (_, text) => {
    expect(explained(text)).toEqual([]);
  });
});
