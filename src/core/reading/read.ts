import type { ChainRule, Instruction, LegendEntry, Pattern, TermsReading } from '../pattern/pattern.js';
import { sourceText, type SourceText, type Span } from '../text/source.js';
import type { Vocabulary } from '../vocabulary/stitches.js';
import { detectTerms } from './detect.js';
import { shown } from './page/markup.js';
import { masked, wordsJoined } from './page/mask.js';
import { NO_UNITS, type Units } from './page/unit.js';
import type { InstructionReader } from './again.js';
import { likeGist, unclearIn, unknownIn, type Gist } from './gist/gist.js';
import { NO_HAND, wordsIn, wordsOf, type Hand } from './hand.js';
import { rolesIn, type Roles } from './roles.js';
import type { Sense } from '../vocabulary/senses.js';
import { definedBy } from './definitions.js';
import type { Lexicon } from './lexicon.js';
import { Memory } from './memory.js';
import { explainedIn } from './lists.js';
import { outlineOf } from './outline.js';

export interface ReadOptions {
  /** The vocabulary to read in; `auto` goes by what the text declares and shows. */
  readonly terms: Vocabulary | 'auto';
  /** What is settled about the hand; nothing where it is left out. */
  readonly hand?: Hand;
  /** What was read of earlier texts; the outcome is the same without it. */
  readonly memory?: Memory;
}

/** A text that has been read, and can be read in other ways. */
export interface Reading {
  readonly pattern: Pattern;
  /** All ways to take the gist of a stretch of it; see `gistsOf`. */
  readonly gists: Gists;
}

/** The ways to take stretches of a text. */
export interface Gists {
  /** When some of its words mean what is given. */
  readonly of: (span: Span, senses: ReadonlyMap<string, Sense>) => readonly Gist[];
  /** The words in it that mean nothing by themselves. */
  readonly unknown: (span: Span) => readonly string[];
}

/**
 * Reads a text into a pattern. Takes any text and never throws; what could not be understood is
 * kept in the rounds as `unread`.
 */
export function readPattern(text: string, options: ReadOptions = { terms: 'auto' }): Pattern {
  return new TextReader(text, options).read().pattern;
}

/** Reads one text, in as many ways as are wanted; what is the same for all of them is found out once. */
export class TextReader {
  readonly #ground: Ground;
  readonly #readAgain: Pattern['readAgain'];
  readonly #chainRule: ChainRule;
  readonly #said: Pattern['said'];
  readonly #words: Pattern['words'];
  /** The text without what is not of the pattern. */
  readonly view: SourceText;
  readonly #roles: Roles;

  /** @param words what was worked out that words of this hand mean. */
  constructor(text: string, options: ReadOptions = { terms: 'auto' }, words: Pattern['words'] = new Map()) {
    const hand = options.hand ?? NO_HAND;
    this.#said = wordsIn(hand);
    this.#roles = rolesIn(sourceText(text), hand);
    this.#words = words;
    this.#ground = groundOf(text, options, new Map([...words, ...this.#said]), this.#roles);
    this.#chainRule = chainRuleIn(text);
    this.view = masked(this.#ground.shown, this.#roles.lines);
    this.#readAgain = readAgainWith(this.#ground.instructions);
  }

  /** By the forms of labels that are known, or by the units that a series of numbers shows. */
  read(units: Units = NO_UNITS): Reading {
    const { source, terms, legend, instructions } = this.#ground;
    const { lexicon } = this;
    const { text } = this.view;
    const pattern = {
      source,
      terms,
      legend,
      chainRule: this.#chainRule,
      said: this.#said,
      words: this.#words,
      ...outlineOf(this.view, instructions, units, this.#roles),
      readAgain: this.#readAgain,
      unclear: (span: Span) => unclearIn(text, span, lexicon),
    };
    const gists: Gists = {
      of: (span, senses) => instructions.gists(text, span, senses),
      unknown: (span) => unknownIn(text, span, lexicon),
    };
    return { pattern, gists };
  }

  /** How many lines among the rounds of a reading look like rounds as well, and were not read as such. */
  missed({ passages }: Pattern): number {
    const { text } = this.view;
    const { instructions } = this.#ground;
    const among = passages.filter(({ part, section }) => part !== null && section === null);
    return among.filter(({ span }) => instructions.looksLikeRound(text.slice(span.from, span.to))).length;
  }

  /** The words that the text uses. */
  get lexicon(): Lexicon {
    return this.#ground.instructions.lexicon;
  }
}

interface Ground {
  readonly source: SourceText;
  /** The same as it is shown to a reader; see `shown`. */
  readonly shown: SourceText;
  readonly terms: TermsReading;
  readonly legend: readonly LegendEntry[];
  /** With the words that the text uses. */
  readonly instructions: InstructionReader;
}

/** The vocabulary of a text and the words that it uses. */
function groundOf(
  text: string,
  { terms: wanted, memory = new Memory() }: ReadOptions,
  words: Pattern['words'],
  roles: Roles,
): Ground {
  const source = sourceText(text, memory.remember);
  const plain = shown(text);
  const view = plain === text ? source : sourceText(plain, memory.remember);
  const terms = detectTerms(plain, wanted);
  const { legend, told } = explainedIn(view, roles);
  const compact = writesLetters(
    plain,
    legend.map(({ term }) => term),
  );
  const own = definedBy([...legend, ...told], terms.used, compact, source.remember);
  const explained = new Set(own.map(({ term }) => term));
  return {
    source,
    shown: view,
    terms,
    legend: [
      ...legend,
      ...told.filter(({ term }) => explained.has(term) && !legend.some((entry) => entry.term === term)),
    ],
    instructions: memory.reader(terms.used, compact, [...own, ...wordsOf(words)]),
  };
}

/** What was passed over before is passed over again. */
function withoutTalk(instruction: Instruction, { doubt, taken }: Instruction): Instruction {
  if (taken || doubt?.kind !== 'passed-over' || instruction.unread.length === 0) return instruction;
  const told = doubt.why.join(' ');
  return instruction.unread.every(({ text }) => told.includes(`"${text}"`))
    ? { ...instruction, unread: [] }
    : instruction;
}

/** Reads instructions that were changed. */
function readAgainWith(instructions: InstructionReader): Pattern['readAgain'] {
  return (given, like) => {
    const words = wordsJoined(given);
    const alike = like.taken && likeGist(words, instructions.lexicon, like);
    return alike ?? withoutTalk(instructions.alone(words), like);
  };
}

/** Whether single capital letters stand for stitches: X and V in use, X explained, or V with amounts beside words. */
function writesLetters(text: string, terms: readonly string[]): boolean {
  if (terms.includes('X')) return true;
  let x = 0;
  let v = 0;
  let increases = 0;
  for (const match of text.matchAll(/(?<![\p{L}])\d{0,3}([XVA])\d{0,3}(?![\p{L}-])/gu)) {
    if (match[0] === 'A') continue;
    if (match[1] === 'X') x += 1;
    else v += 1;
    if (match[1] === 'V') increases += 1;
    if ((x >= 3 && v >= 2) || increases >= 4) return true;
  }
  return false;
}

/**
 * Which starting chains stand for a stitch, as said once for the whole pattern: "ch 3 counts as 1 dc",
 * "ch 1 and ch 2 don't count", "the turning ch never counts". Length 0 stands for any.
 */
function chainRuleIn(text: string): ChainRule {
  const rule = new Map<number, boolean>();
  let done = 0;
  for (const { index } of text.matchAll(/count/gi)) {
    const lineStart = Math.max(text.lastIndexOf('\n', index) + 1, index - 200, done);
    done = index + 12;
    const line = text.slice(lineStart, done);
    for (const match of line.matchAll(COUNTING_CHAIN)) {
      const counts = match[1] === undefined;
      const lengths = [...match[0].matchAll(/(?:ch|chains?)[\s-]?(\d{1,2})|(\d{1,2})\s?ch/giu)].map((found) =>
        Number(found[1] ?? found[2]),
      );
      // A clause about several chains ends at its own comma: "ch 3 counts as dc, ch 1 does not".
      if (lengths.length === 0) rule.set(0, counts);
      for (const length of lengths) if (!rule.has(length)) rule.set(length, counts);
    }
  }
  return rule;
}

const COUNTING_CHAIN =
  /(?<![\p{L}])(?:turning |starting |beginning |first )?(?:\d{1,2}\s?)?(?:ch|chains?)(?![\p{L}])[^.;:()\n]{0,60}?(?<![\p{L}])(does not|doesn['’]t|do not|don['’]t|never|not|n't)?\s*(?:be )?count(?:s|ed)?(?![\p{L}])/giu;
