import { describe, expect, it } from 'vitest';
import { CallError, checkCall, convertCall, publishCall, reportCall } from './arguments.js';

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

describe('dostik publish and dostik report', () => {
  it('read their lists, each thing once', () => {
    expect(publishCall(['a.txt', '--to', 'us, UK,us', '--as=pdf,txt', '--out', 'o', '--print', 'large'])).toEqual({
      file: 'a.txt',
      to: ['us', 'uk'],
      as: ['pdf', 'txt'],
      out: 'o',
      sheet: 'a4',
      print: 'large',
      date: undefined,
    });
    expect(reportCall(['-', '--as', 'html', '--date', '2026-03-04'])).toMatchObject({
      as: ['html'],
      date: '2026-03-04',
    });
  });

  it.each([
    [publishCall, ['a.txt', '--as', 'pdf'], '--to us,uk'],
    [publishCall, ['a.txt', '--to', 'fr', '--as', 'pdf'], '--to us,uk'],
    [publishCall, ['a.txt', '--to', 'us'], '--as pdf'],
    [publishCall, ['a.txt', '--to', 'us', '--as', 'pdf,doc'], '--as pdf'],
    [publishCall, ['a.txt', 'b.txt', '--to', 'us', '--as', 'pdf'], 'one file'],
    [publishCall, ['a.txt', '--to', 'us', '--as', 'pdf', '--sheet', 'a5'], '--sheet'],
    [reportCall, ['a.txt', '--as', 'docx'], '--as pdf,html'],
    [reportCall, ['a.txt', '--as', 'pdf', '--date', 'today'], '--date'],
  ])('%# is refused', (call, words, says) => {
    expect(() => call(words)).toThrow(CallError);
    expect(() => call(words)).toThrow(says);
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
