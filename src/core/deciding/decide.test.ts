import { decide } from './decide.js';
import { describe, expect, it } from 'vitest';
import { checkText, checkPattern } from '../index.js';
import { meaningsOf } from './meanings.js';
import { COSTS, Habits, type Reason } from './habits.js';

const report = (text: string) => checkText(text, 'x');
const rounds = (text: string) => report(text).parts.flatMap((part) => part.rounds);
const figures = (text: string) => rounds(text).map(({ into, made, verdict }) => [into, made, verdict]);
const errors = (text: string) => report(text).findings.filter(({ severity }) => severity === 'error');

const HEAD = 'US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\n';
const TAIL = 'Fasten off.\n';

describe('words that are explained nowhere', () => {
  const BUMPS = `${HEAD}Rnd 2: 6 bumps (12)\nRnd 3: (sc 1, bump) x 6 (18)\nRnd 4: (sc 2, bump) x 6 (24)\n${TAIL}`;

  it('are worked out from the counts, and that is said once', () => {
    expect(figures(BUMPS)).toEqual([
      [null, 6, 'agrees'],
      [6, 12, 'agrees'],
      [12, 18, 'agrees'],
      [18, 24, 'agrees'],
    ]);
    expect(rounds(BUMPS).map(({ doubt }) => doubt)).toEqual(['none', 'worked-out', 'worked-out', 'worked-out']);
    expect(report(BUMPS).findings.map(({ rule, severity }) => [rule, severity])).toEqual([
      ['notation/worked-out', 'hint'],
    ]);
  });

  it('are kept as what was settled about the hand, and taken from it', () => {
    expect(checkPattern(BUMPS, 'x').hand).toEqual({ words: { bump: 'increase' } });
    const one = `${HEAD}Rnd 2: 6 frobs (12)\nRnd 3: sc around (12)\n${TAIL}`;
    expect(errors(one).map(({ rule }) => rule)).toEqual(['notation/unread']);
    const told = checkPattern(one, 'x', { terms: 'auto', hand: { words: { frob: 'increase' } } });
    expect(told.report.parts[0]?.rounds.map(({ made }) => made)).toEqual([6, 12, 12]);
    // What was said is no guess.
    expect(told.report.parts[0]?.rounds.map(({ doubt }) => doubt)).toEqual(['none', 'none', 'none']);
    expect(told.report.findings).toEqual([]);
    expect(told.hand).toEqual({ words: { frob: 'increase' } });
  });

  it.each([
    ['an increase', 'Rnd 2: 6 frobs (12)\nRnd 3: sc around (12)\n', 'increase', 3],
    ['a decrease', 'Rnd 2: 3 frobs (3)\nRnd 3: sc around (3)\n', 'decrease', 3],
    ['times', 'Rnd 2: inc 6 frobs (12)\nRnd 3: sc around (12)\n', 'times', 3],
    ['nothing', 'Rnd 2: frob inc x 6 (12)\nRnd 3: sc around (12)\n', 'nothing', 3],
    ['a turning chain', 'Rnd 2: frob 3, inc x 6 (12)\nRnd 3: frob, sc around (12)\n', 'turning-chain', 3],
  ])('can be tried in every meaning: %s', (_, rest, sense, comesOut) => {
    const { rounds: all, unsaid, ways } = meaningsOf(`${HEAD}${rest}${TAIL}`, { terms: 'auto' }, 'frob');
    expect(all).toBe(3);
    expect(unsaid).toBeLessThanOrEqual(3);
    expect(ways.filter((way) => way.comesOut === comesOut).map((way) => way.sense)).toContain(sense);
    expect(ways.map((way) => way.comesOut)).toEqual(ways.map((way) => way.comesOut).sort((a, b) => b - a));
    expect(ways).toHaveLength(9);
  });

  it('are told with the account of their round, whether open, worked out or said', () => {
    const unclear = (text: string, hand = {}) =>
      checkPattern(text, 'x', { terms: 'auto', hand: { words: hand } })
        .account(1)
        ?.unclear.map(({ word, from, to, sense }) => [word, text.slice(from, to), sense]);
    expect(unclear(`${HEAD}Rnd 2: 6 Glorps (12)\n${TAIL}`)).toEqual([['glorp', 'Glorps', null]]);
    expect(unclear(BUMPS)).toEqual([['bump', 'bumps', 'increase']]);
    expect(unclear(`${HEAD}Rnd 2: 6 Glorps (12)\n${TAIL}`, { glorp: 'increase' })).toEqual([
      ['glorp', 'Glorps', 'increase'],
    ]);
    expect(unclear(`${HEAD}Rnd 2: inc x 6 (12). Stuff it.\n${TAIL}`)).toEqual([]);
    // Marks too, but those that the text explains.
    expect(unclear(`${HEAD}Rnd 2: 6 ✚ (12)\n${TAIL}`)).toEqual([['✚', '✚', null]]);
    expect(unclear(`${HEAD}Rnd 2: 6 ✚ (12)\n${TAIL}`, { '✚': 'increase' })).toEqual([['✚', '✚', 'increase']]);
    expect(unclear(`✚ = 2 sc in one st\n${HEAD}Rnd 2: 5 ✚ (12)\n${TAIL}`)).toEqual([]);
  });

  it('that are turning chains can stand for a stitch, as a chain can', () => {
    const text =
      'US terms\n\nFLAG\nCh 9.\nRow 1: sc in 2nd ch from hook, sc in next 7 ch (8)\nRow 2: lift 3, dc 7 (8)\n';
    const under = (words: Record<string, 'turning-chain' | 'nothing'>) =>
      checkPattern(text, 'x', { terms: 'auto', hand: { words } });
    expect(under({ lift: 'turning-chain' }).report.parts[0]?.rounds.at(-1)).toMatchObject({
      verdict: 'agrees',
      made: 8,
    });
    expect(under({ lift: 'nothing' }).report.parts[0]?.rounds.at(-1)?.verdict).not.toBe('agrees');
    expect(under({ lift: 'turning-chain' }).account(1)?.sentence.toLowerCase()).toContain(
      'chain 3 (counts as a stitch)',
    );
  });

  it('are not given a meaning by a single round', () => {
    expect(errors(`${HEAD}Rnd 2: 6 glorps (12)\n${TAIL}`).map(({ message }) => message)).toEqual([
      expect.stringContaining('6 glorps'),
    ]);
  });

  it('a line that does not come out by their meaning is the one that is wrong', () => {
    const slip = BUMPS.replace('(sc 2, bump) x 6', '(sc 2, bump) x 5').replace(
      TAIL,
      `Rnd 5: (sc 3, bump) x 6 (30)\n${TAIL}`,
    );
    expect(errors(slip).map(({ line }) => line)).toEqual([7]);
  });
});

describe('ways of putting things', () => {
  const LOTS = `${HEAD}Rnd 2: inc, the lot 6x (12)\nRnd 3: sc, inc, the lot 6x (18)\nRnd 4: 2 sc, inc, the lot 6x (24)\n${TAIL}`;

  it('are a habit where the counts bear them out', () => {
    expect(figures(LOTS).map(([, made]) => made)).toEqual([6, 12, 18, 24]);
    expect(errors(LOTS)).toEqual([]);
  });

  it('do not excuse a slip', () => {
    const slip = LOTS.replace('sc, inc, the lot 6x (18)', 'sc, inc, the lot 5x (18)');
    expect(errors(slip).map(({ line }) => line)).toEqual([6]);
  });

  it('talk is passed over where the round comes out without it, and is not where it does not', () => {
    const talk = `${HEAD}Rnd 2: inc x 6, how round he looks already (12)\n${TAIL}`;
    expect(errors(talk)).toEqual([]);
    expect(errors(talk.replace('x 6', 'x 5')).map(({ line }) => line)).toEqual([5]);
  });

  it('is told also where the round goes into the side of the fabric', () => {
    const trim = `${HEAD}Rnd 2: inc x 6 (12)\nRnd 3: sl st on the surface between rounds 1 and 2, from edge to edge (14)\n${TAIL}`;
    expect(rounds(trim).at(-1)).toMatchObject({ edge: null, made: null, verdict: 'on-trust', doubt: 'passed-over' });
    expect(rounds(trim).at(-1)?.why.join()).toContain('between rounds 1');
  });

  it('a figure is never passed over', () => {
    expect(errors(`${HEAD}Rnd 2: inc x 6, take 3 deep breaths (12)\n${TAIL}`).map(({ line }) => line)).toEqual([5]);
  });
});

describe('costs of habits', () => {
  const way = (one: string, usual = false): Reason => ({ what: 'repeats', ways: [one], usual });

  it('what other rounds bear out is cheap, what none does is dearer than a slip', () => {
    const habits = new Habits([[way('all')], [way('all')], [way('all')], [way('last')], []]);
    expect(habits.costOf([way('all')], 4)).toBeLessThan(1);
    expect(habits.costOf([way('last')], 4)).toBe(COSTS.once);
    expect(habits.costOf([way('clause')], 4)).toBe(COSTS.alone);
    expect(COSTS.alone).toBeGreaterThan(COSTS.slip);
  });

  it('no round bears itself out', () => {
    const habits = new Habits([[way('last')], [way('all')], [way('all')]]);
    expect(habits.costOf([way('last')], 0)).toBe(COSTS.alone);
  });

  it('one of two that cannot be told apart costs what the likelier does', () => {
    const habits = new Habits([[way('all')], [way('all')], []]);
    expect(habits.costOf([{ what: 'repeats', ways: ['last', 'all'], usual: false }], 2)).toBe(0);
  });

  it('the same habit twice in a round is one', () => {
    const habits = new Habits([[way('last')], []]);
    expect(habits.costOf([way('last'), way('last')], 1)).toBe(COSTS.once);
  });
});

describe('references in any words', () => {
  it('stand for the rounds that they name', () => {
    const text = `${HEAD}Rnd 2: inc x 6 (12)\nRnd 3: sc around (12)\nFasten off.\n\nARM\nRnds 1-3: exactly like the ball (12)\n${TAIL}`;
    expect(rounds(text).at(-1)).toMatchObject({ made: 12 });
  });
});

describe('a figure written to its stitch', () => {
  it.each([
    [
      'in brackets, one of them settled by the others',
      'Rnd 2: 2sc in each st (12)\nRnd 3: (sc, 2sc) x 6 (18)\nRnd 4: (2 sc, 2sc) x 6 (24)\nRnd 5: (sc 3, 2sc) x 6 (30)\n',
      [6, 12, 18, 24, 30],
    ],
    [
      'in a row of steps',
      'Rnd 2: inc x 6 (12)\nRnd 3: sc, 2sc, sc, 2sc, sc, 2sc, sc, 2sc, sc, 2sc, sc, 2sc (18)\nRnd 4: sc around (18)\nRnd 5: *sc, sc, 2sc* x 6 (24)\n',
      [6, 12, 18, 18, 24],
    ],
    [
      'for so many beside each other, where that comes out',
      'Rnd 2: inc x 6 (12)\nRnd 3: (1sc, inc) x 6 (18)\nRnd 4: (2sc, inc) x 6 (24)\nRnd 5: (2sc, dec) x 6 (18)\n',
      [6, 12, 18, 24, 18],
    ],
  ])('%s', (_, rest, made) => {
    expect(rounds(`${HEAD}${rest}${TAIL}`).map((round) => round.made)).toEqual(made);
    expect(errors(`${HEAD}${rest}${TAIL}`)).toEqual([]);
  });

  it('in one round alone is no habit, and may be a slip', () => {
    const one = `${HEAD}Rnd 2: inc x 6 (12)\nRnd 3: (sc, 2sc) x 6 (18)\nRnd 4: sc around (18)\n${TAIL}`;
    expect(errors(one).map(({ rule, line }) => [rule, line])).toEqual([['count/over', 6]]);
  });
});

it.each(['colour: orange, 4mm hook, US', 'hook: 3 mm', 'a 2.5 mm hook and some green'])(
  'what is worked with names no piece: %s',
  (tools) => {
    const text = `Pumpkin for Jo\n\n${tools}\n\nrnd 1 7 sc in a ring\nrnd 2 inc in each - 14\n\nstalk\nrnd 1 ring with 5\nrnd 2 sc in each - 5\n`;
    expect(report(text).parts.map(({ name, make }) => [name, make])).toEqual([
      ['Pumpkin for Jo', 1],
      ['stalk', 1],
    ]);
  },
);

describe('a ring of which nothing but the count says how many', () => {
  it.each(['MR (6)', 'magic ring (6 sts)', 'sc in magic ring (6)', 'ring, sc = 6'])('%s', (words) => {
    expect(figures(`US terms\n\nBALL\nRnd 1: ${words}\nRnd 2: inc x 6 (12)\n`)).toEqual([
      [null, 6, 'agrees'],
      [6, 12, 'agrees'],
    ]);
  });

  it('a figure of its own is what it says', () => {
    expect(figures('US terms\n\nBALL\nRnd 1: 1 sc in MR (6)\nRnd 2: inc x 6 (12)\n')[0]).toEqual([null, 1, 'off']);
    expect(figures('US terms\n\nBALL\nRnd 1: 5 sc in MR (6)\nRnd 2: inc x 6 (12)\n')[0]).toEqual([null, 5, 'off']);
  });
});

describe('a number of its own for what is no round', () => {
  it('hands the edge on', () => {
    expect(figures(`${HEAD}Rnd 2: inc x 6 (12)\nRnd 3: stuff firmly\nRnd 4: dec x 6 (6)\n${TAIL}`).slice(1)).toEqual([
      [6, 12, 'agrees'],
      [12, 12, 'counted'],
      [12, 6, 'agrees'],
    ]);
  });

  it('is not seen where anything is worked', () => {
    const found = figures(`${HEAD}Rnd 2: inc x 6 (12)\nRnd 3: stuff, dcc around\nRnd 4: dec x 6 (6)\n${TAIL}`);
    expect(found[2]?.[2]).toBe('unreadable');
  });
});

describe('rounds among known ones that no label shows', () => {
  it('are found where several look like rounds', () => {
    const text =
      'US terms\n\nHEAD\n - begin: 6sc ring\n - next: 6 incs =12\n - next: [1, inc]*6 =18\n - four rounds of 18\n - next: [1, dec]*6 =12\n - two rounds of 12\n - stuff; last: 6 decs =6\n';
    expect(rounds(text).map(({ from, to, made }) => [from, to, made])).toEqual([
      [1, 1, 6],
      [2, 2, 12],
      [3, 3, 18],
      [4, 7, 18],
      [8, 8, 12],
      [9, 10, 12],
      [11, 11, 6],
    ]);
    expect(errors(text)).toEqual([]);
  });

  it('the first one, where the labels begin at two', () => {
    const text =
      'UK terms\n\nBALL\nCommence with 2 ch.; into the 2nd ch. from hook work 6 d.c.\n2nd rnd.—2 d.c. into each d.c. (12 d.c.).\n3rd rnd.—1 d.c. into each d.c. (12 d.c.).\n4th rnd.—1 d.c. into each d.c. (12 d.c.).\n5th rnd.—1 d.c. into each d.c. (12 d.c.).\n';
    expect(rounds(text).map(({ from, made }) => [from, made])).toEqual([
      [1, 6],
      [2, 12],
      [3, 12],
      [4, 12],
      [5, 12],
    ]);
  });
});

describe('words that were all taken for talk', () => {
  it('are read by their gist where the counts bear that out', () => {
    const text =
      'Dear Nell,\n\nHere is the pea, in British terms. I make a ring of six double crochet. Then I put two in each, twelve. Then one and a two, six times over, and I have eighteen. I go round three times without changing anything, still eighteen. Then one and a pair, six times over, twelve. Six pairs, and there are six; draw them together.\n';
    expect(rounds(text).map(({ made }) => made)).toEqual([6, 12, 18, 18, 12, 6]);
  });
});

describe('pieces that are named in passing', () => {
  const ROUNDS = 'R1) 6 sc in a magic ring = 6\nR2) inc in all = 12\nR3) sc in all = 12\n';

  it.each([
    ['in a line of its own', `${ROUNDS}now the flippers, black, two of them\n${ROUNDS}`],
    ['in a chat', `${ROUNDS}now the flippers, black, two of them\n${ROUNDS}`.replace(/^(?=.)/gm, '[18:02] Ola: ')],
  ])('%s', (_, text) => {
    const { parts } = report(`[18:01] Ola: BELLY in US terms\n${text}`);
    expect(parts.map(({ name, make, rounds: own }) => [name, make, own.length]).at(-1)).toEqual(['flippers', 2, 3]);
  });

  it('in the line of their first round', () => {
    const { parts } = report(
      'UK terms\n\nMOLE\nRound one. Six double crochet in a ring. (Six)\nRound two. Two double crochet in each. (Twelve)\n\nNose, in pink. Round one. Four double crochet in a ring. (Four)\nRound two. Two double crochet in each. (Eight)\n',
    );
    expect(parts.map(({ name }) => name)).toEqual(['Mole', 'Nose']);
  });
});

it('a piece that is like some rounds of another stands for those', () => {
  const leg = ['I) ring of 6 {6}', 'II) inc in every stitch {12}', 'III) sc all round {12}', 'IV) inc x 12 {24}'];
  const text = `Frog\n\nfirst leg\n${leg.join('\n')}\n\nsecond leg\nLike the first leg, I to III.\n\nbody\n${leg.join('\n')}\n`;
  const { parts } = decide(text).pattern;
  expect(parts.map(({ name }) => name)).toEqual(['first leg', 'second leg', 'body']);
  expect(parts[1]?.stretches[0]?.rounds.map(({ numbers }) => numbers)).toEqual([[1, 2, 3]]);
});
