import { lineSpan, type SourceText, type Span } from '../../text/source.js';
import type { Lexicon } from '../lexicon.js';
import { endsOnCount, LONGEST, lookAt, ROUNDS_ON } from './looks.js';

/** A stretch of a text that may be a round. */
export interface Stretch extends Span {
  readonly line: number;
}

/** A sentence with the blanks behind it. */
export const SENTENCE = /\S[^.!?]*(?:[.!?](?!\s|$)[^.!?]*)*[.!?]*\s*/gu;
const FEWEST_SENTENCES = 3;
/** Or so many lines of two sentences. */
const FEWEST_PAIRS = 3;
const MOST_SENTENCES = 200;

/** What may part the rounds of a line: "ring of 6 / inc x6 / …", "… ; …", "… > …", "…, then …". */
const PARTINGS: readonly RegExp[] = [
  /\//g,
  /\|/g,
  /;/g,
  /[-=]{0,2}>|[→⇒»]/g,
  /(?<=\s)[-–—](?=\s)/g,
  /[·•~]/g,
  /(?<=\s)(?:and )?then(?=\s)/gi,
];
/** So often a sign stands in one line at least where it parts rounds. */
const FEWEST_PARTINGS = 3;
/** What parts steps in most hands, and rounds where no other sign does. */
const COMMA: readonly RegExp[] = [/,/g];

export function linesOf(source: SourceText): Stretch[] {
  return source.lineStarts.map((_, line) => ({ ...lineSpan(source, line), line }));
}

/** The sentences of a text that is written in paragraphs; empty where no line holds several, and few hold two. */
export function sentencesIn(source: SourceText): Stretch[] {
  const found: Stretch[] = [];
  let several = 0;
  for (const { line, from, to } of linesOf(source)) {
    const sentences = [...source.text.slice(from, to).matchAll(SENTENCE)];
    if (sentences.length >= FEWEST_SENTENCES) several += FEWEST_PAIRS;
    else if (sentences.length > 1) several += 1;
    for (const { 0: words, index } of sentences)
      found.push({ line, from: from + index, to: from + index + words.trimEnd().length });
  }
  return several >= FEWEST_PAIRS && found.length <= MOST_SENTENCES ? found : [];
}

/**
 * Sentences cut where they tell several rounds: behind a clause that tells a count, or begins a piece, if the one behind it works
 * stitches again. "Ring of five, two in each for ten, round three times on ten."
 */
export function clausesIn({ text }: SourceText, lexicon: Lexicon, sentences: readonly Stretch[]): Stretch[] {
  return sentences.flatMap(({ line, from, to }) => {
    // Each clause is looked at with all that follows: a sentence is so in bounds, however long it is.
    const cuts = cutsIn(text.slice(from, Math.min(to, from + LONGEST)), lexicon);
    return [0, ...cuts].map((at, i) => ({ line, from: from + at, to: from + (cuts[i] ?? to - from) }));
  });
}

/** Where one round of a sentence ends and the next one begins. */
function cutsIn(sentence: string, lexicon: Lexicon): number[] {
  const cuts: number[] = [];
  let begun = 0;
  for (const at of endsOfClauses(sentence)) {
    const before = sentence.slice(begun, at);
    const looks = lookAt(before, lexicon);
    const told = looks.figures && (looks.starts || ROUNDS_ON.test(before) || endsOnCount(looks.tokens, lexicon));
    if (!told || !lookAt(sentence.slice(at), lexicon).works) continue;
    cuts.push(at);
    begun = at;
  }
  return cuts;
}

/** Behind each comma, semicolon or colon that stands in no bracket, and behind a figure before "and". */
function endsOfClauses(sentence: string): number[] {
  return inNoBracket(sentence, /[,;:]|(?<=\d)\s(?=and\s)/g).map(({ index }) => index + 1);
}

/** Where something stands in a stretch that is in none of its brackets. */
function inNoBracket(words: string, wanted: RegExp): RegExpExecArray[] {
  const brackets = [...words.matchAll(/[()[\]{}]/g)];
  let [depth, passed] = [0, 0];
  return [...words.matchAll(wanted)].filter(({ index }) => {
    for (; (brackets[passed]?.index ?? index) < index; passed += 1)
      depth = Math.max(0, depth + ('([{'.includes(brackets[passed]?.[0] ?? '') ? 1 : -1));
    return depth === 0;
  });
}

/**
 * The lines of a text cut at the sign that parts most of what stands in one line each; empty where none does, or none of
 * those lines begins a piece in a ring.
 */
export function runsIn(source: SourceText, lexicon: Lexicon): Stretch[] {
  const lines = linesOf(source).filter(({ from, to }) => to - from <= LONGEST * FEWEST_PARTINGS);
  const begins = lines.filter(({ from, to }) => lookAt(source.text.slice(from, to), lexicon).starts);
  if (begins.length === 0) return [];
  const runs = cutAtOneOf(PARTINGS, source, lines);
  return runs.length > 0 ? runs : cutAtOneOf(COMMA, source, begins);
}

function cutAtOneOf(partings: readonly RegExp[], source: SourceText, lines: readonly Stretch[]): Stretch[] {
  const cutBy = partings.map((sign) => {
    const cuts = lines.map(({ from, to }) => inNoBracket(source.text.slice(from, to), sign));
    const parted = cuts.filter(({ length }) => length >= FEWEST_PARTINGS);
    return { cuts, parts: parted.reduce((sum, { length }) => sum + length, 0) };
  });
  const best = cutBy.reduce((one, other) => (other.parts > one.parts ? other : one));
  if (best.parts === 0 || best.parts > MOST_SENTENCES) return [];
  return lines.flatMap(({ line, from, to }, i) => {
    const cuts = best.cuts[i] ?? [];
    const begins = [from, ...cuts.map(({ 0: sign, index }) => from + index + sign.length)];
    return begins.map((begin, at) => trimmed(source.text, line, begin, from + (cuts[at]?.index ?? to - from)));
  });
}

/** Without the blanks around it, and the comma before a "then". */
function trimmed(text: string, line: number, from: number, to: number): Stretch {
  const words = text.slice(from, to);
  const length = words.trimEnd().replace(/[,;]$/, '').trimEnd().length;
  return { line, from: from + words.length - words.trimStart().length, to: from + length };
}
