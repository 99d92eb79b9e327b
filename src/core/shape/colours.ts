import type { Document } from '../document/document.js';
import type { Talk } from '../document/prose.js';
import type { Material } from '../materials/materials.js';
import type { Part, Pattern } from '../pattern/pattern.js';
import { COLOUR_WORDS } from '../vocabulary/words.js';
import { inEitherCase } from '../text/eitherCase.js';
import { lineSpan } from '../text/source.js';

/** Words that tell of the yarn that is worked with from here on. */
const LEAD =
  /(?<!\p{L})(?:with|in|using|use|chang\p{L}*|switch\p{L}*|join\p{L}*|pick up|yarn|wool|colou?r|begin\p{L}*|start\p{L}*)(?!\p{L})/iu;
/** What is sewn or embroidered is no fabric. */
const NO_FABRIC = /(?<!\p{L})(?:sew|sewn|embroider\p{L}*|stitch (?:the|a|on)|eyes?|mouth|nose|stuff\p{L}*)(?!\p{L})/iu;
/** "Clay (A)", "A = Clay", "MC: Sand": a letter that stands for a yarn. */
const LETTER_BEHIND = /\(([A-H]|MC|CC\d?)\)/gu;
/** Characters. */
const LONGEST_NAME = 40;
const NAME_BEFORE = /(\p{L}[\p{L}-]+)\s?$/u;
const LETTER_BEFORE = /(?<!\p{L})([A-H]|MC|CC\d?)\s?[=:]\s?(\p{L}[\p{L}-]+)/gu;
/** "sc around, keep the colours as they are". */
const KEEPS = /keep(?:ing)?\s(?:\p{L}+\s)?(?:colou?rs?|pattern)|colou?rs? as (?:they are|set|established|before)/iu;
const SHORT_LINE = 40;

/** Names that a text gives its yarns, and where each is taken up. */
export class Colours {
  readonly #names = new Map<string, string>();
  readonly #words: RegExp;

  constructor({ source }: Pattern, { materials }: Document, unheaded: readonly Material[]) {
    for (const { kind, name } of [...materials, ...unheaded])
      if (kind === 'yarn') this.#names.set(name.toLowerCase(), name);
    for (let line = 0; line < source.lineStarts.length; line += 1) {
      const { from, to } = lineSpan(source, line);
      for (const [letter, name] of source.remember(source.text.slice(from, to), lettersIn)) this.#letter(letter, name);
    }
    this.#words = source.remember(this.#all(), anyOf);
  }

  #letter(letter: string, name: string): void {
    const known = this.#names.get(name.toLowerCase());
    if (known !== undefined) this.#names.set(letter.toLowerCase(), known);
  }

  #all(): string {
    return [...new Set([...this.#names.keys(), ...COLOUR_WORDS])]
      .sort((a, b) => b.length - a.length)
      .map((word) => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'))
      .join('|');
  }

  /** The yarn that a name stands for, as the materials write it. */
  named(name: string): string {
    return this.#names.get(name.toLowerCase()) ?? name;
  }

  /** Whether the materials list a yarn of this name. */
  lists(name: string): boolean {
    return this.#names.has(name.toLowerCase());
  }

  /** The yarn that a stretch of talk takes up; null where it takes up none. */
  takenUp(text: string): string | null {
    let taken: string | null = null;
    for (const sentence of text.split(/(?<=[.!?;])\s+/u)) {
      if (NO_FABRIC.test(sentence) || (!LEAD.test(sentence) && sentence.trim().length > SHORT_LINE)) continue;
      taken = this.#last(sentence, LEAD.exec(sentence)?.index ?? 0) ?? taken;
    }
    return taken;
  }

  /** The yarn that a heading names behind the part's name: "EAR, pink, two of them". */
  ofHeading(text: string, name: string): string | null {
    const at = text.toLowerCase().indexOf(name.toLowerCase());
    const behind = at < 0 ? 0 : at + name.length;
    return this.#first(text.slice(behind)) ?? (at > 0 ? this.#last(text.slice(0, at), 0) : null);
  }

  #first(text: string): string | null {
    const match = text.match(this.#words)?.[0];
    return match === undefined ? null : this.named(match);
  }

  #last(text: string, from: number): string | null {
    const found = text.slice(from).match(this.#words);
    const name = found?.[found.length - 1];
    return name === undefined ? null : this.named(name);
  }
}

/** Letters that stand for a yarn in a line, each with the name beside it. */
function lettersIn(line: string): (readonly [letter: string, name: string])[] {
  const behind = [...line.matchAll(LETTER_BEHIND)].map(({ 1: letter = '', index }) => {
    const name = NAME_BEFORE.exec(line.slice(Math.max(0, index - LONGEST_NAME), index))?.[1] ?? '';
    return [letter, name] as const;
  });
  const before = [...line.matchAll(LETTER_BEFORE)].map(([, letter = '', name = '']) => [letter, name] as const);
  return [...behind, ...before];
}

const anyOf = (words: string) => inEitherCase(String.raw`(?<!\p{L})(?:${words})(?!\p{L})`, 'g');

/** Whether the words of a round leave each stitch in the colour of the one below. */
export function keepsColours(words: string): boolean {
  return KEEPS.test(words);
}

/** What stands between the rounds of a part, in the order of the text. */
export function betweenRounds(part: Part, talk: readonly Talk[]): readonly Talk[] {
  return talk.filter((one) => one.part === part && one.section === null).sort((a, b) => a.span.from - b.span.from);
}
