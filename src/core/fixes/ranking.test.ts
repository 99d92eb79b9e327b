import { describe, expect, it } from 'vitest';
import { apply } from '../../../tools/apply.js';
import { checkPattern, fixedReport } from '../index.js';

const fixesOf = (text: string) =>
  fixedReport(checkPattern(text, 'x')).findings.find(({ severity }) => severity === 'error')?.fixes ?? [];

const HEAD = 'US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n';
const ovals = (second: string) =>
  `${HEAD}Rnd 3: sc 5, inc 2, sc 5 (14)\nRnd 4: ${second} (16)\nRnd 5: sc 7, inc 2, sc 7 (18)\n`;
const fours = (second: string) =>
  `${HEAD}Rnd 3: 2 sc, 2 inc, 4 sc, 2 inc, 2 sc (16)\nRnd 4: ${second} (20)\nRnd 5: 4 sc, 2 inc, 8 sc, 2 inc, 4 sc (24)\n`;

/** Where two changes make the count come out, the neighbours tell which was meant: this is what likeness is for. */
describe('of changes that are as small as each other the one that goes on like its neighbours is first', () => {
  it.each([
    ['the second amount', ovals('sc 6, inc 2, sc 5'), ovals('sc 6, inc 2, sc 6')],
    ['the first amount', ovals('sc 5, inc 2, sc 6'), ovals('sc 6, inc 2, sc 6')],
    ['the first of three', fours('2 sc, 2 inc, 6 sc, 2 inc, 3 sc'), fours('3 sc, 2 inc, 6 sc, 2 inc, 3 sc')],
    ['the second of three', fours('3 sc, 2 inc, 5 sc, 2 inc, 3 sc'), fours('3 sc, 2 inc, 6 sc, 2 inc, 3 sc')],
    ['the third of three', fours('3 sc, 2 inc, 6 sc, 2 inc, 2 sc'), fours('3 sc, 2 inc, 6 sc, 2 inc, 3 sc')],
  ])('%s', (_, wrong, right) => {
    const [first] = fixesOf(wrong);
    expect(first && apply(wrong, first)).toBe(right);
    expect(fixesOf(wrong).length).toBeGreaterThan(1);
  });
});

describe('to go on as the two before did is nearer than to be like one of them', () => {
  const grows = (third: string) =>
    `${HEAD}Rnd 3: sc 5, inc, sc 6 (13)\nRnd 4: sc 5, inc, sc 7 (14)\nRnd 5: ${third} (15)\n`;
  it.each([grows('sc 5, inc, sc 7'), grows('sc 6, inc, sc 8')])('%s', (wrong) => {
    const [first] = fixesOf(wrong);
    expect(first && apply(wrong, first)).toBe(grows('sc 5, inc, sc 8'));
  });
});

describe('of two rounds of which neither goes on so, the one is likelier whose figures are all near those of its neighbour', () => {
  const shrinks = (second: string) => `${HEAD}Rnd 3: sc 4, dec, sc 6 (11)\nRnd 4: ${second} (10)\n`;
  it.each([shrinks('sc 5, dec, sc 5'), shrinks('sc 4, dec, sc 4')])('%s', (wrong) => {
    const [first] = fixesOf(wrong);
    expect(first && apply(wrong, first)).toBe(shrinks('sc 4, dec, sc 5'));
  });
});

describe('the last round goes on from the two before it, and the first towards the two after', () => {
  it.each([
    [
      'the last',
      `${HEAD}Rnd 3: sc 5, inc 2, sc 5 (14)\nRnd 4: sc 6, inc 2, sc 6 (16)\nRnd 5: sc 7, inc 2, sc 6 (18)\n`,
      `sc 7, inc 2, sc 7 (18)`,
    ],
    [
      'the first',
      `${HEAD}Rnd 3: sc 4, inc 2, sc 5 (14)\nRnd 4: sc 6, inc 2, sc 6 (16)\nRnd 5: sc 7, inc 2, sc 7 (18)\n`,
      `sc 5, inc 2, sc 5 (14)`,
    ],
  ])('%s', (_, wrong, right) => {
    const [first] = fixesOf(wrong);
    expect(first && apply(wrong, first)).toContain(right);
  });
});

describe('one figure is changed before two, and a figure before a word', () => {
  it.each([
    ['(sc 3, inc) x 6 (24)', '(sc 2, inc) x 6 (24)'],
    ['(sc 2, inc) x 5 (24)', '(sc 2, inc) x 6 (24)'],
    ['(sc 2, inc) x 66 (24)', '(sc 2, inc) x 6 (24)'],
    ['(sc 2, ince) x 6 (24)', null],
    ['(sc 2, dec) x 6 (24)', '(sc 2, inc) x 6 (24)'],
    ['(sc 2, inc x 6 (24)', '(sc 2, inc) x 6 (24)'],
    ['sc 2, inc) x 6 (24)', '(sc 2, inc) x 6 (24)'],
    ['(sc 2, inc) (24)', null],
  ])('%s', (wrong, right) => {
    const text = `${HEAD}Rnd 3: (sc 1, inc) x 6 (18)\nRnd 4: ${wrong}\nRnd 5: (sc 3, inc) x 6 (30)\n`;
    const [first] = fixesOf(text);
    if (right === null) expect(first === undefined || !apply(text, first).includes(wrong)).toBe(true);
    else expect(first && apply(text, first)).toBe(text.replace(wrong, right));
  });
});

describe('a stated count is what is wrong where the next round bears the instruction out', () => {
  it.each([
    ['the next round uses what is made', '(sc 2, inc) x 6 (25)', '(sc 2, inc) x 6 (24)', '(sc 3, inc) x 6 (30)'],
    ['two digits that were exchanged', '(sc 2, inc) x 6 (42)', '(sc 2, inc) x 6 (24)', '(sc 3, inc) x 6 (30)'],
    ['the one before the last', '(sc 2, inc) x 6 (26)', '(sc 2, inc) x 6 (24)', 'sc around (24)'],
  ])('%s', (_, wrong, right, next) => {
    const text = `${HEAD}Rnd 3: (sc 1, inc) x 6 (18)\nRnd 4: ${wrong}\nRnd 5: ${next}\n`;
    const [first] = fixesOf(text);
    expect(first && apply(text, first)).toBe(text.replace(wrong, right));
  });

  it('and the instruction is what is wrong where it bears out the count', () => {
    const text = `${HEAD}Rnd 3: (sc 1, inc) x 6 (18)\nRnd 4: (sc 2, inc) x 5, sc 4 (24)\nRnd 5: (sc 3, inc) x 6 (30)\n`;
    for (const fix of fixesOf(text)) expect(apply(text, fix)).not.toContain('(23)');
  });
});

it('offers few fixes, each of them another text', () => {
  for (const text of [ovals('sc 6, inc 2, sc 5'), fours('2 sc, 2 inc, 6 sc, 2 inc, 3 sc')]) {
    const fixes = fixesOf(text);
    expect(fixes.length).toBeLessThanOrEqual(4);
    expect(new Set(fixes.map((fix) => apply(text, fix))).size).toBe(fixes.length);
  }
});
