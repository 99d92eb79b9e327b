import type { Instruction } from '../pattern/pattern.js';
import { beginsInstruction } from './labels.js';
import type { Lexicon } from './lexicon.js';
import { COUNT_AT_END } from './lookahead.js';

const MAY_REFER = /(?<!\p{L})(?:as|like|rep|repeat)(?!\p{L})/iu;
const NOTE = /^\W{0,4}(?:notes?|nb|tips?|hint|remember)(?!\p{L})|(?<!\p{L})(?:gauge|tension)\s*[:=]/iu;

/** "twos = two in every stitch, ones = one in each": what words mean. */
const EXPLAINS = /=\s*\p{L}[^=]*=\s*\p{L}/u;

/** A quick look, whether a line without a label could be an instruction: it has a figure, or refers to other rounds. */
export function mayInstruct(text: string): boolean {
  return (/\d/.test(text) || MAY_REFER.test(text)) && !NOTE.test(text) && !EXPLAINS.test(text);
}

/** Length of short sentences before the crochet of an unlabelled line: "Oat. Ch 26, sc in …" names a yarn first. */
export function wordsBeforeWork(text: string, lexicon: Lexicon): number {
  const sentence = /^[^.:\d]{1,40}\.\s+(?=[\p{Lu}\d])/u.exec(text);
  if (!sentence || MAY_REFER.test(sentence[0])) return 0;
  return beginsInstruction(text, 0, sentence[0].length, lexicon) ? 0 : sentence[0].length;
}

/** Whether what was read of the words of an unlabelled line is crochet with a result, and not talk about it. */
export function isInstruction(reading: Instruction, words: string): boolean {
  const works = reading.steps.some(
    (step) => step.kind === 'work' || step.kind === 'group' || (step.kind === 'repeat' && step.body.length > 0),
  );
  if (!works) return false;
  // "Pop the eyes in between [9] and [10]": a verb that could be a stitch, without any figure of its own.
  if (reading.stated && reading.steps.every((step) => step.kind === 'work' && step.bare) && !COUNT_AT_END.test(words))
    return false;
  const foundation =
    reading.steps.some((step) => step.kind === 'chain') &&
    reading.steps.some(
      (step) => step.kind === 'first-chain' || (step.kind === 'work' && step.place.kind === 'chain-from-hook'),
    );
  if (reading.stated !== null || (foundation && reading.unread.length === 0)) return true;
  // "Fold and close with 4 sc."
  if (reading.steps.some(({ kind }) => kind === 'flat') && reading.unread.length === 0) return true;
  // "Continue in sc for 3 more rounds."
  return reading.statedRounds !== null && reading.unread.length === 0;
}

/** "Foundation: 6 sc in the ring." above Round 2. */
export function beginsInRing({ steps, unread }: Instruction): boolean {
  const ring = steps.findIndex((step) => step.kind === 'ring');
  const inRing = steps.some(
    (step, i) => step.kind === 'work' && (step.place.kind === 'ring' || (ring >= 0 && i > ring)),
  );
  return inRing && unread.length === 0;
}
