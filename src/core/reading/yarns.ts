import { COLOUR_WORDS } from '../vocabulary/words.js';

/** Materials name these too ("eyes", "felt for the wings"), and they are never yarns. */
const PARTS = new Set(
  'head body arm arms leg legs ear ears eye eyes wing wings tail foot feet beak nose base fin fins hair hat cap shell horn horns'.split(
    ' ',
  ),
);
/** The words of the materials, names of yarns among them: what tells "Rust:" on a line of its own from a heading. */
export class Yarns {
  readonly #words = new Set<string>();

  /** Keeps the words of a line of the materials. */
  note(line: string): void {
    if (this.#words.size > 500) return;
    for (const [word] of line.slice(0, 400).matchAll(/\p{L}{3,}/gu)) this.#words.add(word.toLowerCase());
  }

  /** Whether a name is that of a yarn or a colour, and not of a piece. */
  isColour(name: string): boolean {
    const words = name
      .toLowerCase()
      .split(/\s+/)
      .filter((word, i, all) => all.length === 1 || !/^(?:yarn|thread|wool|cotton)$/.test(word));
    return (
      words.length > 0 &&
      words.every((word) => COLOUR_WORDS.has(word) || this.#words.has(word)) &&
      !PARTS.has(words.at(-1) ?? '')
    );
  }

  /** "fins orange" is the heading of the fins. */
  without(name: string): string {
    const words = name.split(/\s+/);
    const count = words.length;
    while (words.length > 1 && this.isColour(words.at(-1) ?? '')) words.pop();
    // "Head in grey"
    if (words.length > 1 && words.length < count && /^(?:in|with|using)$/i.test(words.at(-1) ?? '')) words.pop();
    return words.join(' ').replace(/[^\p{L}\d)'’"”!?]+$/u, '');
  }
}
