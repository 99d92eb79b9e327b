import type { Step } from '../pattern/instruction.js';
import type { Instruction } from '../pattern/pattern.js';
import type { Span } from '../text/source.js';
import { readInstruction } from './instruction.js';
import type { Lexicon } from './lexicon.js';

/** Longer instructions stand there once. */
const LONGEST = 200;

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
function moved(instruction: Instruction, by: number): Instruction {
  const { steps, reference, stated, statedRounds, unread, brackets, foreign, remarks, doubt } = instruction;
  return {
    steps: steps.map((step) => movedStep(step, by)),
    reference: reference && withSpan(reference, by),
    stated: stated && withSpan(stated, by),
    statedRounds: statedRounds && withSpan(statedRounds, by),
    unread: all(unread, by),
    brackets: all(brackets, by),
    foreign: all(foreign, by),
    remarks: remarks.length === 0 ? remarks : remarks.map((span) => movedSpan(span, by)),
    ...(doubt ? { doubt } : {}),
  };
}

function movedStep(step: Step, by: number): Step {
  const span = movedSpan(step.span, by);
  switch (step.kind) {
    case 'repeat':
      return { ...step, body: step.body.map((inner) => movedStep(inner, by)), span };
    case 'group':
      return { ...step, members: all(step.members, by), span };
    case 'work':
      return { ...step, span };
    default:
      return { ...step, span };
  }
}

function all<One extends { readonly span: Span }>(many: readonly One[], by: number): readonly One[] {
  return many.length === 0 ? many : many.map((one) => withSpan(one, by));
}

function withSpan<One extends { readonly span: Span }>(one: One, by: number): One {
  return { ...one, span: movedSpan(one.span, by) };
}

function movedSpan({ from, to }: Span, by: number): Span {
  return { from: from + by, to: to + by };
}
