import type { Instruction } from '../pattern/pattern.js';
import type { Span } from '../text/source.js';
import { readInstruction } from './instruction.js';
import type { Lexicon } from './lexicon.js';

/** Longer instructions stand there once. */
const LONGEST = 120;

/**
 * Reads instructions, and each wording only once: every part of a toy begins with the same rounds, and "sc around
 * (36)" stands in most patterns many times. What was read is moved to where it stands again.
 */
export class InstructionReader {
  readonly #read = new Map<string, { readonly at: number; readonly instruction: Instruction }>();
  readonly #text: string;
  readonly #lexicon: Lexicon;

  constructor(text: string, lexicon: Lexicon) {
    this.#text = text;
    this.#lexicon = lexicon;
  }

  read(span: Span): Instruction {
    if (span.to - span.from > LONGEST) return readInstruction(this.#text, span, this.#lexicon);
    const words = this.#text.slice(span.from, span.to);
    const known = this.#read.get(words);
    if (known) return moved(known.instruction, span.from - known.at);
    const instruction = readInstruction(this.#text, span, this.#lexicon);
    this.#read.set(words, { at: span.from, instruction });
    return instruction;
  }
}

/** A copy of what was read, with all its spans moved. */
function moved<Value>(value: Value, by: number): Value {
  if (value === null || typeof value !== 'object') return value;
  if (Array.isArray(value)) return (value.length === 0 ? value : value.map((one: unknown) => moved(one, by))) as Value;
  const copy = { ...value } as Record<string, unknown>;
  if (typeof copy.from === 'number' && typeof copy.to === 'number') {
    copy.from += by;
    copy.to += by;
    return copy as Value;
  }
  for (const key in copy) if (typeof copy[key] === 'object') copy[key] = moved(copy[key], by);
  return copy as Value;
}
