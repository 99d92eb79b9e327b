import type { Step } from '../pattern/instruction.js';
import type { Instruction } from '../pattern/pattern.js';
import type { Span } from '../text/source.js';
import type { Sense } from '../vocabulary/senses.js';
import { Copies } from './copies.js';
import { gistsOf, type Gist } from './gist/gist.js';
import { readInstruction } from './instruction.js';
import { beginsInstruction, labelsIn, movedLabel, standsAlone, type Label } from './labels.js';
import { Recent } from './recent.js';
import type { Lexicon } from './lexicon.js';
import { looksLikeRound } from './page/looks.js';

/** So many characters of instructions are kept with what was read in them, and as many that have not come up for longer. */
const MOST_KEPT = 1_000_000;

/**
 * Reads instructions with the words of one lexicon, and each wording only once: every part of a toy begins with the same
 * rounds, "sc around (36)" stands in most patterns many times, and from one key to the next nearly all words of a text are
 * the same. What was read is moved to where it stands again.
 */
export class InstructionReader {
  readonly #read = new Recent<Copies<Instruction>>(MOST_KEPT);
  readonly #gists = new Recent<Copies<readonly Gist[]>>(MOST_KEPT);
  readonly #looks = new Recent<boolean>(MOST_KEPT);
  readonly #begins = new Recent<boolean>(MOST_KEPT);
  readonly #labels = [new Recent<readonly Label[]>(MOST_KEPT), new Recent<readonly Label[]>(MOST_KEPT)] as const;
  readonly lexicon: Lexicon;
  #draft = 0;

  constructor(lexicon: Lexicon) {
    this.lexicon = lexicon;
  }

  /** Another text is read from here on, or the same with a change. */
  begin(): void {
    this.#draft += 1;
  }

  /** What stands in a stretch of a text; its spans are in the text. */
  read(text: string, { from, to }: Span): Instruction {
    return this.#at(text.slice(from, to), from);
  }

  /** An instruction by itself; its spans are in the words given. */
  alone(words: string): Instruction {
    return this.#at(words, 0);
  }

  /** All ways to take the gist of a stretch of a text; see `gistsOf`. What is tried with other senses is not kept. */
  gists(text: string, span: Span, senses: ReadonlyMap<string, Sense>): readonly Gist[] {
    if (senses.size > 0) return gistsOf(text, span, this.lexicon, senses);
    const { from, to } = span;
    const copies = this.#gists.of(
      text.slice(from, to),
      (own) => new Copies<readonly Gist[]>(gistsOf(own, { from: 0, to: own.length }, this.lexicon, senses), movedGists),
    );
    return copies.at(from, this.#draft);
  }

  /** Whether a line by itself looks like a round; see `looksLikeRound`. */
  looksLikeRound(line: string): boolean {
    return this.#looks.of(line, (own) => looksLikeRound(own, this.lexicon));
  }

  /** Whether words can be the beginning of an instruction. */
  begins(words: string): boolean {
    return this.#begins.of(words.slice(0, 80), (own) => beginsInstruction(own, 0, own.length, this.lexicon));
  }

  /** All labels in a line of a text, from left to right; see `labelsIn`. */
  labels(text: string, line: Span, bare: boolean): readonly Label[] {
    const context = { lexicon: this.lexicon, bare };
    // A figure alone is a label by what stands above it and below.
    if (!standsAlone(text, line)) return labelsIn(text, line, context);
    const labels = this.#labels[bare ? 1 : 0].of(text.slice(line.from, line.to), (own) =>
      labelsIn(own, { from: 0, to: own.length }, context),
    );
    return labels.length === 0 ? labels : labels.map((label) => movedLabel(label, line.from));
  }

  #at(words: string, from: number): Instruction {
    const copies = this.#read.of(
      words,
      (own) => new Copies(readInstruction(own, { from: 0, to: own.length }, this.lexicon), moved),
    );
    return copies.at(from, this.#draft);
  }
}

/** A copy of what was read, with all its spans moved. */
function moved(instruction: Instruction, by: number): Instruction {
  const { steps, reference, stated, statedRounds, unread, brackets, foreign, remarks, doubt, idle } = instruction;
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
    ...(idle ? { idle } : {}),
  };
}

function movedGists(gists: readonly Gist[], by: number): Gist[] {
  return gists.map((gist) => ({
    ...gist,
    instruction: moved(gist.instruction, by),
    passed: gist.passed.map((span) => movedSpan(span, by)),
  }));
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
