import { describe, expect, it } from 'vitest';
import { CallError, checkCall, convertCall } from './arguments.js';

describe('dostik convert', () => {
  it('reads its options', () => {
    expect(convertCall(['a.txt', '--to', 'uk', '--report'])).toMatchObject({
      file: 'a.txt',
      to: 'uk',
      from: 'auto',
      report: true,
      hooks: false,
    });
  });

  it.each([
    [['a.txt'], '--to'],
    [['a.txt', '--to', 'fr'], '--to'],
    [['--to', 'uk'], 'one file'],
    [['a.txt', 'b.txt', '--to', 'uk'], 'one file'],
    [['a.txt', '--to', 'uk', '--loud'], 'loud'],
  ])('%j is refused', (words, says) => {
    expect(() => convertCall(words)).toThrow(says);
  });
});

describe('the words after "dostik check"', () => {
  it('are files and options in any order', () => {
    expect(checkCall(['a.txt', '--format', 'json', '-', '--terms=uk', '--fail-on', 'never'])).toEqual({
      files: ['a.txt', '-'],
      format: 'json',
      terms: 'uk',
      failOn: 'never',
      explain: false,
      hand: undefined,
      handOut: undefined,
    });
  });

  it('have defaults', () => {
    expect(checkCall(['a.txt', '--explain'])).toEqual({
      files: ['a.txt'],
      format: 'text',
      terms: 'auto',
      failOn: 'error',
      explain: true,
      hand: undefined,
      handOut: undefined,
    });
  });

  it.each([
    [[]],
    [['a', '--format', 'xml']],
    [['a', '--terms', 'de']],
    [['a', 'b', '--hand-out', 'c.json']],
    [['a', '--fail-on', 'hint']],
    [['a', '--nope']],
  ])('%j is refused in one line', (words) => {
    expect(() => checkCall(words)).toThrow(CallError);
    try {
      checkCall(words);
    } catch (error) {
      expect((error as Error).message).not.toContain('\n');
    }
  });
});
