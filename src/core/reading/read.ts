import type { ChainRule, Instruction, Pattern } from '../pattern/pattern.js';
import { sourceText, type SourceText } from '../text/source.js';
import type { Vocabulary } from '../vocabulary/stitches.js';
import { detectTerms } from './detect.js';
import { unitsOf, type Units } from './fields/units.js';
import { readInstruction } from './instruction.js';
import { definitions } from './legend.js';
import { Lexicon } from './lexicon.js';
import { legendOf, outlineOf } from './outline.js';

export interface ReadOptions {
  /** The vocabulary to read in; `auto` goes by what the text declares and shows. */
  readonly terms: Vocabulary | 'auto';
}

/**
 * Reads a text into a pattern. Takes any text and never throws; what could not be understood is
 * kept in the rounds as `unread`.
 */
export function readPattern(text: string, options: ReadOptions = { terms: 'auto' }): Pattern {
  return read(text, options, () => new Map());
}

/** The same text read by its series of numbers, in the ways that are likeliest; see `unitsOf`. */
export function* readingsBySeries(text: string, options: ReadOptions): Iterable<Pattern> {
  let ways: readonly Units[] | null = null;
  let way = 0;
  do {
    yield read(text, options, (source, lexicon) => (ways ??= unitsOf(source, lexicon))[way] ?? new Map());
    way += 1;
  } while (way < ((ways as readonly Units[] | null) ?? []).length);
}

function read(text: string, options: ReadOptions, unitsIn: (source: SourceText, lexicon: Lexicon) => Units): Pattern {
  const source = sourceText(text);
  const terms = detectTerms(text, options.terms);
  const legend = legendOf(source);
  const compact = writesLetters(
    text,
    legend.map(({ term }) => term),
  );
  const lexicon = new Lexicon(terms.used, compact, definitions(legend, terms.used, compact));
  return {
    source,
    terms,
    legend,
    chainRule: chainRuleIn(text),
    ...outlineOf(source, lexicon, unitsIn(source, lexicon)),
    readAgain: readEachOnce(lexicon),
  };
}

/** So many characters of instructions are kept with what was read in them. */
const MOST_KEPT = 400_000;

/** Reads single instructions, each wording once: the searches for fixes come back to the same few again and again. */
function readEachOnce(lexicon: Lexicon): (words: string) => Instruction {
  const read = new Map<string, Instruction>();
  let kept = 0;
  return (words) => {
    const known = read.get(words);
    if (known) return known;
    const instruction = readInstruction(words, { from: 0, to: words.length }, lexicon);
    kept += words.length;
    if (kept > MOST_KEPT) {
      read.clear();
      kept = words.length;
    }
    read.set(words, instruction);
    return instruction;
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
