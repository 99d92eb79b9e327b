import { describe, expect, it } from 'vitest';
import { contentOf } from './bytes.js';

const bytes = (binary: string) => Uint8Array.from(binary, (c) => c.charCodeAt(0));
const utf16 = (text: string, big: boolean) =>
  Uint8Array.from({ length: text.length * 2 }, (_, i) => {
    const code = text.charCodeAt(i >> 1);
    return (i % 2 === 0) === big ? code >> 8 : code & 255;
  });
const ROUND = 'Rnd 1: 6 sc in MR – “tight” (6)\r\n';

describe('how far a file is looked at', () => {
  const odd = (at: number) => contentOf(bytes(`MZ${'a'.repeat(at)}${'\0\x01\x02'.repeat(20)}${'b'.repeat(9000)}`));

  it('is far enough for a program that begins with words', () => {
    const program = { kind: 'other', what: 'a program' };
    expect(odd(100)).toEqual(program);
    expect(odd(3900)).toEqual(program);
  });
});

describe('what the bytes of a file are', () => {
  it.each([
    ['UTF-8', new TextEncoder().encode(ROUND), 'UTF-8', ROUND],
    ['UTF-8 with its mark', new TextEncoder().encode(`\ufeff${ROUND}`), 'UTF-8', ROUND],
    ['UTF-16, little end first', utf16(`\ufeff${ROUND}`, false), 'UTF-16', ROUND],
    ['UTF-16, big end first', utf16(`\ufeff${ROUND}`, true), 'UTF-16', ROUND],
    ['UTF-16 without its mark', utf16('Rnd 1: 6 sc in MR (6)', false), 'UTF-16', 'Rnd 1: 6 sc in MR (6)'],
    ['Windows-1252', bytes('Rnd 1 \x96 6 sc, caf\xe9'), 'Windows-1252', 'Rnd 1 – 6 sc, café'],
    [
      'a text that begins as a picture does',
      new TextEncoder().encode('BMW beetle\nRnd 1: 6 sc'),
      'UTF-8',
      'BMW beetle\nRnd 1: 6 sc',
    ],
    [
      'a text with one odd character',
      new TextEncoder().encode(`${ROUND.repeat(4)}\0`),
      'UTF-8',
      `${ROUND.repeat(4)}\0`,
    ],
  ])('%s', (_, given, encoding, text) => {
    expect(contentOf(given)).toEqual({ kind: 'text', encoding, text });
  });

  it.each([
    ['a picture', bytes('\x89PNG\r\n\x1a\n\0\0\0\rIHDR'), 'a picture'],
    ['a photograph', bytes('\xff\xd8\xff\xe0\0\x10JFIF'), 'a picture'],
    ['a .docx', bytes('PK\x03\x04\x14\0\x06\0'), 'an archive, or a document of a word processor (.docx, .odt)'],
    ['a .pdf', bytes('%PDF-1.4\n1 0 obj'), 'a .pdf'],
    ['rich text', bytes('{\\rtf1\\ansi Rnd 1'), 'rich text (.rtf)'],
    ['any bytes', Uint8Array.from({ length: 2000 }, (_, i) => (i * 7919) % 256), 'no text'],
  ])('%s', (_, given, what) => {
    expect(contentOf(given)).toEqual({ kind: 'other', what });
  });

  it.each([
    ['nothing', ''],
    ['blanks', ' \n\t\n'],
    ['only a mark', '\xef\xbb\xbf'],
  ])('%s is empty', (_, given) => {
    expect(contentOf(bytes(given))).toEqual({ kind: 'empty' });
  });
});
