import { describe, expect, it } from 'vitest';
import { decide } from '../deciding/decide.js';
import { check, isRule, RULES, type RuleSettings } from './registry.js';

const AUTO = { terms: 'auto' } as const;
const BALL = 'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (13)\nRnd 3: sc around (12)\nFasten off.\n';
const found = (text: string, settings?: RuleSettings, style?: Readonly<Record<string, string>>) =>
  check(decide(text, AUTO), settings, style).map(({ rule, severity }) => `${rule.id} ${severity ?? rule.severity}`);

/** A collection of so many pieces, each with a slip. */
const pieces = (many: number) =>
  `US terms\n\n${Array.from({ length: many }, (_, i) => `PIECE ${'ABCDEFGHIJ'.charAt(i % 10)}${'KLMNOPQR'.charAt(Math.floor(i / 10))}\n${BALL}`).join('\n')}`;

describe('the rules', () => {
  it('are as severe as they are, or as they are set, or off', () => {
    const text = `US terms\n\nBALL\n${BALL}`;
    expect(found(text)).toEqual(['count/stated error']);
    expect(found(text, { 'count/stated': 'hint' })).toEqual(['count/stated hint']);
    expect(found(text, { 'count/stated': 'off' })).toEqual([]);
    expect(found(text, { 'count/over': 'off' })).toEqual(['count/stated error']);
  });

  it('of the house style are off where they are set so', () => {
    const text = `US terms\n\nBALL\n${BALL.replace('13', '12')}`;
    const style = { word: 'Round' };
    expect(new Set(found(text, {}, style))).toEqual(new Set(['style/house hint']));
    expect(found(text, { 'style/house': 'off' }, style)).toEqual([]);
    expect(found(text, {}, {})).toEqual([]);
  });

  it('tell what they find in the order of the text', () => {
    const text = `BALL\n${BALL}\nCUBE\nRnd 1: 6 sc in MR (7)\n`;
    const findings = check(decide(text, AUTO));
    const places = findings.map(({ span }) => span.from);
    expect(places).toEqual([...places].sort((a, b) => a - b));
    expect(findings.length).toBeGreaterThan(2);
  });

  it.each([
    ['count/stated', true],
    ['style/house', true],
    ['count/nothing', false],
    ['', false],
  ])('know each other: %s', (id, known) => {
    expect(isRule(id)).toBe(known);
  });
});

/** Rules that compare what stands far apart. */
const ACROSS = [
  'terms/undefined',
  'terms/unused',
  'terms/inconsistent',
  'frame/quantity',
  'make/no-finish',
  'make/not-attached',
  'make/place',
  'make/eyes-late',
  'make/stuffing-late',
  'materials/amount',
  'materials/colour',
  'materials/hook',
  'materials/notion',
  'shape/ruffle',
  'shape/cup',
  'shape/stacked',
  'shape/size',
  'safety/small-parts',
  'safety/cord',
  'safety/wire',
  'safety/heat',
  'safety/insert',
  'safety/magnet',
  'rights/character',
];

it('the rules that speak of a pattern as a whole are these, and no others', () => {
  expect(RULES.filter(({ across }) => across).map(({ id }) => id)).toEqual(ACROSS);
});

describe('a collection of many patterns', () => {
  // The last of them is left without its end.
  const kinds = (text: string) => new Set(found(text.replace(/Fasten off\.\n$/, '')));

  it('is checked round by round, and nothing is said across its parts', () => {
    expect(kinds(pieces(61))).toEqual(new Set(['count/stated error']));
  });

  it('of as many parts as one pattern may have is one', () => {
    expect(kinds(pieces(60))).toContain('make/no-finish warning');
  });
});
