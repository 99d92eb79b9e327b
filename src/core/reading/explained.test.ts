import { describe, expect, it } from 'vitest';
import { checkPattern } from '../index.js';

/** What a second round on 6 stitches uses and makes, in a text that explains a word of its own. */
function withWord(explained: string, instruction: string): string {
  const text = `US terms\n\nABBREVIATIONS\nsc = single crochet\ninc = increase\n${explained}\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: ${instruction}\n`;
  const round = checkPattern(text, 'x').report.parts[0]?.rounds[1];
  return `${round?.into ?? '–'} → ${round?.made ?? '–'}`;
}

/** A word is what the text says it is, whatever sign stands between the two. */
describe('a word that the text explains', () => {
  it.each([
    // by the sign between
    ['wob = increase', 'wob x 6', '6 → 12'],
    ['wob: increase', 'wob x 6', '6 → 12'],
    ['wob - increase', 'wob x 6', '6 → 12'],
    ['wob – increase', 'wob x 6', '6 → 12'],
    ['wob means increase', 'wob x 6', '6 → 12'],
    ['WOB = Increase', 'wob x 6', '6 → 12'],
    // by what it is
    ['wob = single crochet', 'wob 6', '6 → 6'],
    ['wob = half double crochet', 'wob 6', '6 → 6'],
    ['wob = decrease', 'wob x 3', '6 → 3'],
    ['wob = invisible decrease', 'wob x 3', '6 → 3'],
    ['wob = sc 2 together', 'wob x 3', '6 → 3'],
    ['wob = single crochet 3 stitches together', 'wob x 2', '6 → 2'],
    ['wob = 2 sc in one stitch', 'wob x 6', '6 → 12'],
    ['wob = 2 sc in the same stitch', 'wob x 6', '6 → 12'],
    ['wob = 3 sc in one stitch', 'wob x 6', '6 → 18'],
    ['wob = work 2 single crochet into the next stitch', 'wob x 6', '6 → 12'],
    ['wob = bobble stitch', 'wob 6', '6 → 6'],
    ['wob = puff stitch', 'wob, sc 5', '6 → 6'],
    ['wob = skip', 'wob 2, sc 4', '6 → 4'],
    ['wob = skip a stitch', 'wob, sc 5', '6 → 5'],
    ['wob = slip stitch', 'wob 2, sc 4', '6 → 6'],
    // in the company of others
    ['wob = increase', '(sc, wob) x 3', '6 → 9'],
    ['wob = increase', 'sc 2, wob, sc 3', '6 → 7'],
    ['wob = decrease', '*sc, wob; rep from * around', '6 → 4'],
    ['wob = increase', 'WOB in each st', '6 → 12'],
    // two of them, and each its own
    ['wob = increase\nwub = decrease', 'wob, wub, sc 3', '6 → 6'],
    ['wob = increase, wub = decrease', 'wob, wub, sc 3', '6 → 6'],
  ])('%s; %s', (explained, instruction, figures) => {
    expect(withWord(explained, instruction)).toBe(figures);
  });

  it.each(['wub = increase', 'Wob is the name of the bear.', ''])('is none where the text says: %s', (explained) => {
    expect(withWord(explained, 'wob x 6')).not.toBe('6 → 12');
  });

  it('keeps its own meaning where it has one already, in the terms of the text', () => {
    expect(withWord('dc = double crochet', 'dc 6')).toBe('6 → 6');
    expect(withWord('dec = decrease', 'dec x 3')).toBe('6 → 3');
  });
});

/** Letters that stand for stitches, as a list of them says. */
describe('letters that the text explains', () => {
  const inLetters = (list: string, instruction: string): string => {
    const text = `US terms\n\n${list}\n\nBALL\nR1: 6X in MR (6)\nR2: ${instruction}\n`;
    const round = checkPattern(text, 'x').report.parts[0]?.rounds[1];
    return `${round?.into ?? '–'} → ${round?.made ?? '–'}`;
  };
  const LIST = 'X = sc\nV = increase\nA = decrease\nW = 3 sc in one stitch\nF = hdc';

  it.each([
    ['6V', '6 → 12'],
    ['(X, V)*3', '6 → 9'],
    ['3A', '6 → 3'],
    ['W, 5X', '6 → 8'],
    ['6F', '6 → 6'],
    ['2X, V, 3X', '6 → 7'],
    ['X, A, X, A', '6 → 4'],
    ['(V)*6', '6 → 12'],
  ])('%s', (instruction, figures) => {
    expect(inLetters(LIST, instruction)).toBe(figures);
    expect(inLetters(LIST.replaceAll(' = ', ' - '), instruction)).toBe(figures);
    expect(inLetters(LIST.replaceAll('\n', ', '), instruction)).toBe(figures);
  });
});
