import { describe, expect, it } from 'vitest';
import type { Step } from '../pattern/instruction.js';
import { fixedSize } from '../counting/tally.js';
import { readInstruction } from './instruction.js';
import { Lexicon } from './lexicon.js';

/**
 * In these lines the expected reading stands before each step: `{3→3}sc 3, {1→2}inc`. `{~}` stands
 * before a step that fills the edge. Steps that change no count carry no mark.
 */
function unmark(line: string): { text: string; marks: string[] } {
  const marks: string[] = [];
  let text = '';
  let from = 0;
  for (const match of line.matchAll(/\{(\d+→\d+|~)\}/g)) {
    text += line.slice(from, match.index);
    marks.push(`${text.length}:${match[1] ?? ''}`);
    from = match.index + match[0].length;
  }
  return { text: text + line.slice(from), marks };
}

function sizeOf(step: Step): string | null {
  if (step.kind !== 'work' && step.kind !== 'group' && step.kind !== 'repeat' && step.kind !== 'skip') return null;
  const size = fixedSize([step]);
  return `${step.span.from}:${size ? `${size.into}→${size.made}` : '~'}`;
}

function reads(line: string, lexicon: Lexicon): void {
  const { text, marks } = unmark(line);
  const reading = readInstruction(text, { from: 0, to: text.length }, lexicon);
  expect({ text, steps: reading.steps.map(sizeOf).filter((size) => size !== null), unread: reading.unread }).toEqual({
    text,
    steps: marks,
    unread: [],
  });
}

const US = new Lexicon('us', false);
const UK = new Lexicon('uk', false);
const LETTERS = new Lexicon('us', true);

describe('amounts and places', () => {
  it.each([
    '{5→5}sc 5',
    '{5→5}5 sc',
    '{5→5}5sc',
    '{5→5}sc5',
    '{5→5}sc x5',
    '{5→5}sc × 5',
    '{5→5}5 x sc',
    '{5→5}sc in next 5 sts',
    '{5→5}sc in each of the next 5 sts',
    '{5→5}1 sc in each of next five stitches',
    '{5→5}work 5 single crochet',
    '{5→5}5 sc in next 5 sts',
    '{1→1}sc in next st',
    '{0→1}sc in the same st',
    '{1→2}2 sc in next st',
    '{3→6}2 sc in next 3 sts',
    '{~}2sc in each st around',
    '{~}sc around',
    '{~}sc in each st to last 2 sts, {2→1}dec',
    '{1→3}3 sc in next st',
    '{1→2}(hdc, dc) in next st',
    '{1→2}in next st: hdc, dc',
    '{1→2}in next st: 2 sc, {5→5}sc in next 5 sts',
    '{1→2}in next st work 2 sc, {5→5}sc in each of next 5 sts',
    '{1→2}in next st: 2 sc, {5→5}sc 5',
    '{1→3}in next st: hdc, dc, hdc, {2→2}sc in next 2 sts',
    '{6→6}6 sc A, {6→6}6 sc B',
    '{1→2}1 hdc and 1 dc in the next stitch, {3→3}sc 3',
    '{3→6}in next 3 sts: 2 sc',
    '{3→3}in next 3 sts: sc',
    '{~}in each st: 2 sc',
    '{~}in each st: sl st, ch 3, sl st in the same st',
    '{10→10}sc10 from 2nd ch, turn',
    '{10→10}10 sc from 2nd ch from hook',
    '{~}sc around all 4 sides (28)',
    '{~}(sc, ch 2, sc) in each st',
    '{1→1}bobble, {2→2}2 sc',
    '{1→1}5-dc bobble, {2→2}sc 2',
    '{1→0}sk 1, {2→2}sc 2',
    '{2→0}skip next 2 sts, {2→2}sc 2',
    '{1→0}miss 1, {2→2}sc 2',
    '(BLO) {18→18}sc 18',
    'BLO: {~}sc around',
    '{~}sc in BLO around',
    'in front loops only, {6→6}sc 6',
    '{2→2}FPsc 2, {3→3}sc 3',
  ])('%s', (line) => reads(line, US));
});

describe('increases and decreases', () => {
  it.each([
    '{1→2}inc',
    '{3→6}inc x3',
    '{3→6}3 inc',
    '{3→6}inc in next 3 sts',
    '{1→2}sc inc',
    '{1→2}hdc-inc',
    '{6→12}inc 6',
    '{1→3}inc3',
    '{2→1}dec',
    '{2→1}invdec',
    '{2→1}inv dec',
    '{4→2}dec x2',
    '{2→1}sc2tog',
    '{2→1}sc 2 tog',
    '{2→1}sc next 2 sts together',
    '{12→6}single crochet the next 2 stitches together six times',
    '{3→1}hdc3tog',
    '{4→2}dc2tog twice',
    '{~}inc in every st',
  ])('%s', (line) => reads(line, US));
});

describe('repeats', () => {
  it.each([
    '{24→30}(sc 3, inc) x 6',
    '{24→30}(sc 3, inc) × 6',
    '{24→30}(sc 3, inc)*6',
    '{24→30}(sc 3, inc) 6 times',
    '{24→30}[sc 3, inc] six times',
    '{24→30}6 x (sc 3, inc)',
    '{24→30}6(sc 3, inc)',
    '{24→30}(sc 3, inc) repeat 6 times',
    '{24→30}*sc 3, inc* x 6',
    '{24→30}*sc 3, inc; rep from * 5 more times',
    '{~}*sc 3, inc, repeat from * around',
    '{~}*sc 3, inc*, repeat from * to * around',
    '{~}(sc 3, inc) around',
    '{~}(sc 3, inc) to end',
    '{~}sc 3, inc, repeat around',
    '{24→30}sc 3, inc [rep 6x]',
    '{36→42}((sc 2, inc) x 2, sc 6) x 3',
    '{~}sc in next 3 sts, inc in next st, repeat to end',
    '{1→1}sc 1, {1→2}inc, {~}dec around',
  ])('%s', (line) => reads(line, US));
});

describe('starts, joins and turns', () => {
  it.each([
    '{0→6}6 sc in magic ring',
    'MR, {6→6}6 sc',
    '{0→6}MC 6',
    'ch 2, {1→6}6 sc in 2nd ch from hook',
    'ch 4, sl st to form a ring, {0→8}8 sc into ring',
    'ch 1, {~}sc around, sl st to first sc, turn',
    'ch 3 (counts as dc), {4→4}dc 4, sl st to top of ch 3',
    '{6→6}6 sc, join with sl st in first st',
    '{6→6}sc 6, do not join',
    'Fold flat, {12→6}sc 6 through both layers',
    '(Moss) {6→6}sc 6, (Sand) {6→6}sc 6',
    'With Moss: {6→6}sc 6',
    '{5→5}dc in next 5 sts in Chalk',
    '{6→6}sc 6, change to Sand in last st',
  ])('%s', (line) => reads(line, US));
});

describe('UK names', () => {
  it.each(['{~}dc in each st around', '{4→4}htr 4, {1→2}2 tr in next st', '{2→1}dc2tog, {1→0}miss 1 st', '{2→2}ss 2'])(
    '%s',
    (line) => reads(line, UK),
  );

  it('are the same stitches as their US counterparts', () => {
    const stitchOf = (text: string, lexicon: Lexicon) => {
      const step = readInstruction(text, { from: 0, to: text.length }, lexicon).steps[0];
      return step?.kind === 'work' ? step.stitch : null;
    };
    expect(['sc', 'hdc', 'dc', 'tr', 'dtr'].map((name) => stitchOf(`${name} 2`, US))).toEqual(
      ['dc', 'htr', 'tr', 'dtr', 'trtr'].map((name) => stitchOf(`${name} 2`, UK)),
    );
  });
});

describe('letters', () => {
  it.each([
    '{6→12}6V',
    '{12→18}(X, V)*6',
    '{2→2}2X, {1→2}V, {20→25}(3X, V)*5, {1→1}X',
    '{24→24}X24',
    '{4→2}A2, {1→3}W, {3→1}M',
  ])('%s', (line) => reads(line, LETTERS));
});

describe('counts', () => {
  it.each([
    ['sc 18 (18)', 18],
    ['sc 18 [18]', 18],
    ['sc 18 <18>', 18],
    ['sc 18 = 18', 18],
    ['sc 18 – 18 sts', 18],
    ['sc 18 (18 sc)', 18],
    ['sc 18. 18 sts.', 18],
    ['sc 12, hdc 6 (12 sc, 6 hdc)', 18],
    ['sc 10, sl st 4 (10 sc, 4 sl st = 14)', 14],
    ['sc 18, total 18', 18],
    ['sc 18. You now have 18 stitches.', 18],
    ['(18) sc 18', 18],
    ['(sc 3, inc) x 6', null],
    ['(6 sc) x 3', null],
  ])('%s', (text, total) => {
    const reading = readInstruction(text, { from: 0, to: text.length }, US);
    expect(reading.stated?.total ?? null).toBe(total);
    expect(reading.unread).toEqual([]);
  });
});

describe('what is not understood', () => {
  it.each([
    ['sc 2, flurble 3, sc 1', ['flurble 3']],
    ['glorp around (6)', ['glorp around']],
  ])('%s', (text, unread) => {
    const reading = readInstruction(text, { from: 0, to: text.length }, US);
    expect(reading.unread.map((words) => words.text)).toEqual(unread);
  });

  it('keeps words to the maker apart', () => {
    const text = 'sc in every st, 30 sts. This is his tummy and it is a good time to stuff it.';
    const reading = readInstruction(text, { from: 0, to: text.length }, US);
    expect(reading.unread).toEqual([]);
    expect(reading.stated?.total).toBe(30);
  });

  it.each([
    ['((sc 1, inc) x 2, sc 6 x 3', 'never-closed'],
    ['(sc 1, inc)) x 2', 'never-opened'],
    ['*sc 1, inc', 'star-alone'],
  ])('reports the bracket in %s', (text, what) => {
    expect(readInstruction(text, { from: 0, to: text.length }, US).brackets.map((problem) => problem.what)).toEqual([
      what,
    ]);
  });
});

describe('numbers of several words', () => {
  it.each([
    'sc in each of the next {24→24}twenty-four sts',
    '{24→24}sc in next twenty four sts, {1→2}inc',
    '{72→72}sc in the next seventy-two stitches',
    '{108→108}sc in next one hundred and eight sts',
    '{6→6}sc 6 and {20→20}sc twenty',
  ])('%s', (line) => {
    // The mark stands before the step, which may begin before its number.
    const moved = line.replace(/^(sc in each of the next )(\{\d+→\d+\})/, '$2$1');
    reads(moved, US);
  });

  it.each([
    ['sc around, twenty-four stitches', 24],
    ['(sc 3, inc) x 6. You’ll have thirty sts.', 30],
    ["(sc 3, inc) x 6. You'll have thirty sts.", 30],
    ['sc around (one hundred and twenty)', 120],
  ])('count in %s', (text, total) => {
    const { stated, unread } = readInstruction(text, { from: 0, to: text.length }, US);
    expect([stated?.total, unread]).toEqual([total, []]);
  });
});

it('a form that fails leaves nothing that it has found behind', () => {
  const text = 'sc 3 (12) (sc 2, turn 5) in next st';
  const { stated, unread } = readInstruction(text, { from: 0, to: text.length }, US);
  expect(stated?.total).toBe(12);
  expect(unread.map(({ text: words }) => words)).toEqual(['(sc 2, turn 5) in next st']);
});
