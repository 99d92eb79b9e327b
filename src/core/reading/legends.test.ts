import { describe, expect, it } from 'vitest';
import { decide } from '../deciding/decide.js';
import { legendIn } from './legend.js';

/** The entries of a list of abbreviations, `term = meaning` each. */
const entries = (text: string) => legendIn(text, 0, text.length).map(({ term, meaning }) => `${term} = ${meaning}`);

const THREE = ['sc = single crochet', 'inc = increase', 'dec = decrease'];

describe('a list of abbreviations, however it is set', () => {
  it.each([
    ['a line each, equals', 'sc = single crochet\ninc = increase\ndec = decrease'],
    ['in quotes and a bracket', '("sc" = single crochet, "inc" = increase, “dec” = decrease).'],
    ['a line each, equals without spaces', 'sc=single crochet\ninc=increase\ndec=decrease'],
    ['a line each, dashes', 'sc - single crochet\ninc - increase\ndec - decrease'],
    ['a line each, long dashes', 'sc – single crochet\ninc — increase\ndec – decrease'],
    ['a line each, colons', 'sc: single crochet\ninc: increase\ndec: decrease'],
    ['a line each, bars', 'sc | single crochet\ninc | increase\ndec | decrease'],
    ['a table', '| sc | single crochet |\n| inc | increase |\n| dec | decrease |'],
    ['a line each, tabs', 'sc\tsingle crochet\ninc\tincrease\ndec\tdecrease'],
    ['a line each, columns', 'sc     single crochet\ninc    increase\ndec    decrease'],
    ['a line each, dots', 'sc ..... single crochet\ninc .... increase\ndec .... decrease'],
    ['a line each, an ellipsis', 'sc … single crochet\ninc … increase\ndec … decrease'],
    ['bullets', '- sc = single crochet\n- inc = increase\n- dec = decrease'],
    ['stars', '* sc: single crochet\n* inc: increase\n* dec: decrease'],
    ['bold', '**sc** – single crochet\n**inc** – increase\n**dec** – decrease'],
    ['with full stops', 'sc. = single crochet\ninc. = increase\ndec. = decrease'],
    ['quoted', '> sc = single crochet\n> inc = increase\n> dec = decrease'],
    ['one line, commas', 'sc = single crochet, inc = increase, dec = decrease'],
    ['one line, semicolons', 'sc = single crochet; inc = increase; dec = decrease'],
    ['one line, dots between', 'sc = single crochet · inc = increase · dec = decrease'],
    ['one line, bullets between', 'sc = single crochet • inc = increase • dec = decrease'],
    ['one line, spaces', 'sc=single crochet inc=increase dec=decrease'],
    ['one line, dashes and semicolons', 'sc – single crochet; inc – increase; dec – decrease'],
    ['one line, dashes and commas', 'sc - single crochet, inc - increase, dec - decrease'],
    ['one line behind a colon', 'Abbreviations: sc = single crochet, inc = increase, dec = decrease'],
    ['one line behind a sentence', 'The words I use: sc = single crochet, inc = increase, dec = decrease'],
    ['two on a line', 'sc = single crochet, inc = increase\ndec = decrease'],
  ])('%s', (_, text) => {
    expect(entries(text)).toEqual(THREE);
  });

  it.each([
    [
      'brackets',
      'inc = increase (2 sc in one st), dec = decrease',
      ['inc = increase (2 sc in one st)', 'dec = decrease'],
    ],
    ['a stop at the end', 'sc = single crochet.\ninc = increase.', ['sc = single crochet', 'inc = increase']],
    ['terms of two words', 'sl st = slip stitch, sc = single crochet', ['sl st = slip stitch', 'sc = single crochet']],
    ['terms with figures', 'sc2tog = decrease, sc = single crochet', ['sc2tog = decrease', 'sc = single crochet']],
    ['several terms for one', 'st(s) = stitch(es)\nch = chain', ['st(s) = stitch(es)', 'ch = chain']],
  ])('keeps %s', (_, text, expected) => {
    expect(entries(text)).toEqual(expected);
  });

  it.each([
    'This is a bear that I made for my niece.',
    'It took me three evenings.',
    'Rnd 1: 6 sc in MR',
    'A word: and a sentence that goes on and on, far beyond what any abbreviation would ever need to be explained in a list of such things, so that it is none.',
  ])('is none in: %s', (line) => {
    expect(entries(line).filter((entry) => !/^(?:Rnd 1|A word) =/.test(entry))).toEqual([]);
  });

  it('says where each entry stands', () => {
    const text = 'Words\nsc = single crochet, inc = increase\n';
    for (const { term, span } of legendIn(text, 0, text.length))
      expect(text.slice(span.from, span.to).trimStart().startsWith(term)).toBe(true);
  });
});

/** What the third round of a ball of 12 makes where some words are explained. */
function third(legend: string, round: string): string {
  const text = `US terms\n\n${legend}\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: 2 sc in each st (12)\nRnd 3: ${round}\nFasten off.\n`;
  const { outcome } = decide(text).rounds[2] ?? {};
  return `${outcome?.into ?? '–'} → ${outcome?.made ?? '–'}`;
}

describe('a word that is explained is read so', () => {
  it.each([
    ['bump = 2 sc in the same stitch', '(sc, bump) x 6', '12 → 18'],
    ['bump = increase', '(sc, bump) x 6', '12 → 18'],
    ['pinch = 2 sc together', '(sc, pinch) x 4', '12 → 8'],
    ['pinch = sc2tog', '(sc, pinch) x 4', '12 → 8'],
    ['fm = single crochet', 'fm 12', '12 → 12'],
    ['fm = single crochet, up = 2 fm in one stitch', '(fm, up) x 6', '12 → 18'],
    ['up = 2 fm in one stitch, fm = single crochet', '(fm, up) x 6', '12 → 18'],
    ['X = single crochet, V = increase, A = decrease', '(X, V) x 6', '12 → 18'],
    ['X = single crochet, V = increase, A = decrease', '(2X, A) x 3', '12 → 9'],
    ['W = 3 sc in one stitch', '(sc 5, W) x 2', '12 → 16'],
    ['M = sc 3 together', '(sc, M) x 3', '12 → 6'],
    ['picot stitch = ch 3, sl st in first ch', 'sc 12', '12 → 12'],
    ['ms = single crochet, aug = increase, dim = decrease', '(1 ms, 1 aug) x 6', '12 → 18'],
    ['ms = single crochet, aug = increase, dim = decrease', '(2 ms, 1 dim) x 3', '12 → 9'],
    ['inc = double 1 stitch (2 sc in 1), dec = crochet 2 sc together', '(sc, inc) x 6', '12 → 18'],
    ['inc = 3 sc in one stitch', 'inc x 12', '12 → 36'],
    ['tutti = sc in every stitch', 'tutti', '12 → 12'],
    ['st = stitch, rnd = round', 'sc in each st', '12 → 12'],
  ])('%s: %s', (legend, round, figures) => {
    expect(third(legend, round)).toBe(figures);
  });

  it('and not where the explanation makes no sense', () => {
    expect(third('sc = a very nice thing to do', 'sc 12')).toBe('12 → 12');
    expect(third('inc = income', 'inc x 12')).toBe('12 → 24');
    expect(third('x = times', '(sc, inc) x 6')).toBe('12 → 18');
  });
});

describe('a list of words behind the rounds', () => {
  const figures = (...behind: readonly string[]) => {
    const rounds = 'BALL\nRnd 1: 6 sc in MR (6)\nRnd 2: zip x 6 (12)\nRnd 3: (sc, zip) x 6 (18)\nFasten off.\n';
    return decide(`US terms\n\n${rounds}\n${behind.join('\n')}\n`)
      .rounds.slice(1)
      .map(({ outcome }) => outcome.made);
  };

  it.each([
    ['under its name', ['Abbreviations', 'zip = increase']],
    ['under its name, below a blank line', ['ABBREVIATIONS', '', 'zip = increase']],
    ['behind a colon', ['Key: sc = single crochet, zip = increase']],
    ['with dashes', ['**Legend**', 'sc - single crochet', 'zip - increase']],
    ['among others', ['Symbols:', 'sc = single crochet', 'st = stitch', 'zip = 2 sc in one stitch']],
    ['behind other lists', ['Key', 'sc = single crochet', '', 'Glossary', 'zip = increase']],
  ])('explains them: %s', (_, behind) => {
    expect(figures(...behind)).toEqual([12, 18]);
  });

  it.each([
    ['without a name', ['Some last words', 'zip = increase']],
    ['below another paragraph', ['Abbreviations', 'sc = single crochet', '', 'zip = increase']],
  ])('does not reach far: %s', (_, behind) => {
    const counted = decide(
      `US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: zip x 6 (12)\nFasten off.\n\n${behind.join('\n')}\n`,
    );
    expect(counted.pattern.legend.map(({ term }) => term)).not.toContain('zip');
  });
});
