import { describe, expect, it } from 'vitest';
import { LETTERS, withLetters } from './letters.mjs';

const one = new RegExp(`^[${LETTERS}]$`, 'u');
const SCRIPTS =
  /^[\p{Script=Latin}\p{Script=Greek}\p{Script=Cyrillic}\p{Script=Armenian}\p{Script=Hebrew}\p{Script=Arabic}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Han}\p{Script=Hangul}]$/u;

describe('letters that are written out', () => {
  it('are letters, and all that patterns are written in', () => {
    const wrong: string[] = [];
    for (let code = 0; code < 0x10000; code += 1) {
      if (code >= 0xd800 && code < 0xe000) continue;
      const sign = String.fromCodePoint(code);
      const letter = /\p{L}/u.test(sign);
      // What no sign is given to, and a number and a sign or two that stand among letters, may be in them.
      if (one.test(sign) && !letter && !/[\p{Cn}\p{Nl}϶٠-٩ٰ჻・]/u.test(sign)) wrong.push(`${code.toString(16)} is none`);
      const usual =
        code < 0x2c2 ||
        (code >= 0x370 && code < 0x64b) ||
        (code >= 0x3041 && code < 0xa000) ||
        (code >= 0xac00 && code < 0xd7a4);
      if (letter && usual && SCRIPTS.test(sign) && !one.test(sign)) wrong.push(`${code.toString(16)} is one`);
    }
    expect(wrong).toEqual([]);
  });

  it.each([
    ['/(?<!\\p{L})sc/iu', `/(?<![${LETTERS}])sc/iu`],
    ['/[\\p{L}\\d]/u', `/[${LETTERS}\\d]/u`],
    ['/[^\\p{L}\\s]+\\p{L}*/u', `/[^${LETTERS}\\s]+[${LETTERS}]*/u`],
    ['/\\[\\p{L}\\]/u', `/\\[[${LETTERS}]\\]/u`],
    ['/[\\]\\p{L}]/u', `/[\\]${LETTERS}]/u`],
    ["const all = [['a', /\\p{L}/u]];", `const all = [['a', /[${LETTERS}]/u]];`],
    ['new RegExp(`(?<!\\\\p{L})${word}`)', `new RegExp(\`(?<![${LETTERS}])\${word}\`)`],
    ['String.raw`[${A}\\p{L}]\\p{L}`', `String.raw\`[\${A}${LETTERS}][${LETTERS}]\``],
    ['// \\p{L}\n/\\p{Lu}\\p{L}/u', `// \\p{L}\n/\\p{Lu}[${LETTERS}]/u`],
  ])('stand where the class stood: %s', (source, written) => {
    expect(withLetters(source)).toBe(written);
  });
});
