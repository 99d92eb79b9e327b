import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { checkText } from '../../core/index.js';
import { frontOf, openingLine } from './opening.js';
import { outlineOf } from './outline.js';
import { keepPlace, keptPlace } from './remembered.js';
import { memoryStorage } from './testing.js';

beforeEach(() => vi.stubGlobal('localStorage', memoryStorage()));
afterEach(() => vi.unstubAllGlobals());

const TEXT = 'Pot\n\nMaterials\nWool\n\nBODY\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n';

describe('what stands before the first part', () => {
  it.each([
    [TEXT, { line: 1, endLine: 4 }],
    ['BODY\nRnd 1: 6 sc in MR (6)\n', null],
    ['Pot\n\nBODY\nRnd 1: 6 sc in MR (6)\n', null],
    ['A letter without rounds.\n', null],
  ])('%j', (text, lines) => {
    expect(frontOf(checkText(text, ''), text)).toEqual(lines);
  });
});

describe('the line at which a Desk opens', () => {
  const opening = (text: string) => {
    const report = checkText(text, '');
    return openingLine(report, report.findings);
  };

  it.each([
    ['the first round', TEXT, 7],
    ['the first error, before an earlier hint', TEXT.replace('(12)', '(13)'), 8],
    ['nowhere, without rounds', 'A letter.\n', null],
  ])('%s', (_, text, line) => {
    expect(opening(text)).toBe(line);
  });
});

describe('the place that was left', () => {
  const at = (line: number, front: number | null = null) => ({ line, front });

  it('is the line with its words, the nearest of several', () => {
    keepPlace('one', at(8), TEXT);
    expect(keptPlace('one', TEXT)?.line).toBe(8);
    expect(keptPlace('one', `New\n\n${TEXT}`)?.line).toBe(10);
    keepPlace('two', at(3), 'sc\nsc\nsc\nsc\n');
    expect(keptPlace('two', 'sc\nsc\nsc\nsc\n')?.line).toBe(3);
  });

  it('is the same line where its words are gone, and never behind the end', () => {
    keepPlace('one', at(8), TEXT);
    expect(keptPlace('one', TEXT.replace('inc x 6', '2 sc in each'))?.line).toBe(8);
    expect(keptPlace('one', 'Short\n')?.line).toBe(2);
    expect(keptPlace('never', TEXT)).toBeNull();
  });

  it('comes with what stands before the rounds, as long as that ends as it did', () => {
    keepPlace('one', at(8, 4), TEXT);
    expect(keptPlace('one', TEXT)).toEqual({ line: 8, front: 4 });
    expect(keptPlace('one', `${TEXT}more\n`)).toEqual({ line: 8, front: 4 });
    expect(keptPlace('one', `New\n${TEXT}`)).toEqual({ line: 9, front: null });
  });

  it.each(['no json', '{"line":0,"words":"","front":null}', '{"line":"x"}', 'null', '{"line":1,"words":""}'])(
    'is none where %s is kept',
    (kept) => {
      localStorage.setItem('dostik.place.one', kept);
      expect(keptPlace('one', TEXT)).toBeNull();
    },
  );

  it('costs nothing where the browser keeps nothing', () => {
    vi.stubGlobal('localStorage', {
      getItem: () => {
        throw new Error('denied');
      },
      setItem: () => {
        throw new Error('full');
      },
    });
    keepPlace('one', at(1), TEXT);
    expect(keptPlace('one', TEXT)).toBeNull();
  });
});

describe('the counts of a part as a line', () => {
  const rounds = (text: string) => checkText(text, '').parts.flatMap((part) => part.rounds);

  it('rises and falls with them, a range as wide as its rounds', () => {
    const { path, most, off } = outlineOf(
      rounds('Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnds 3-4: sc around (12)\n'),
      100,
      55,
    );
    expect(most).toBe(12);
    expect(off).toEqual([]);
    expect(path).toBe('M0.0 28.0L25.0 28.0L25.0 3.0L50.0 3.0L50.0 3.0L100.0 3.0');
  });

  it('marks what does not come out, at its beginning', () => {
    const { off } = outlineOf(rounds('Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (13)\n'), 100, 55);
    expect(off).toHaveLength(1);
    expect(off[0]?.x).toBe(50);
  });

  it('is empty without rounds', () => {
    expect(outlineOf([], 100, 55)).toEqual({ path: '', off: [], most: 1 });
  });
});
