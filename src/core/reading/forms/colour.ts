import { EDGE, PLAIN, work as worked } from '../gist/shapes.js';
import { COLOUR_WORDS } from '../../vocabulary/words.js';
import type { ColourMarker } from '../../pattern/instruction.js';
import { countInBracket } from '../count.js';
import { isFabricStep } from './work.js';
import {
  closeOf,
  isBoundary,
  isWord,
  meaningAt,
  spanBetween,
  tokenAt,
  type InstructionForm,
  type Reader,
} from '../reader.js';

const COLOUR_NAMES = new Set(['mc', 'cc', 'colour', 'color', 'col', 'yarn']);

/** The colour that a bracket names: one to three words, none of which means anything else; null otherwise. */
export function colourIn(reader: Reader, from: number, to: number): string | null {
  if (to - from < 1 || to - from > 3) return null;
  for (let i = from; i < to; i += 1) {
    const token = reader.tokens[i];
    const known = token && reader.lexicon.at(reader.tokens, i)?.meaning.is;
    if (token?.kind !== 'word' || (known && known !== 'colour')) return null;
  }
  const first = reader.tokens[from];
  const last = reader.tokens[to - 1];
  if (
    !first ||
    !last ||
    (first.raw.length <= 2 && first.raw === first.raw.toUpperCase() && !COLOUR_NAMES.has(first.word))
  )
    return null;
  return reader.text.slice(first.from, last.to);
}

/** Puts a colour before the stitches that it is of: "dc in next 5 sts in Chalk" says it behind them. */
export function colourStep(reader: Reader, at: number, step: ColourMarker): void {
  const last = reader.steps.at(-1);
  const behind = last?.kind === 'work' && reader.tokens[at - 1]?.kind !== 'mark';
  if (behind) reader.steps.splice(-1, 0, step);
  else reader.steps.push(step);
}

const YARN = ['colour', 'color', 'yarn', 'shade', 'wool'];

/**
 * A change of yarn.
 *
 * `With Moss: sc 6`   `in A, sc 6`   `dc in next 5 sts in Chalk`   `change to Sand in last st`
 *  ^                   ^                                ^           ^
 */
export const colour: InstructionForm = {
  name: 'colour',
  begins: ['colour', 'with', 'in', 'change', 'join', 'work', 'times', 'unknown', 'ordinal'],
  read(reader, at) {
    const before = tokenAt(reader, at);
    if (
      before &&
      isWord(reader, at + 1, ':') &&
      (COLOUR_WORDS.has(before.word) || /^\p{Lu}/u.test(before.raw)) &&
      !reader.lexeme(at)
    ) {
      reader.steps.push({ kind: 'colour', name: before.raw, span: spanBetween(reader, at, at + 1) });
      return at + 2;
    }
    // "Third colour. Sc in each."
    if (before?.kind === 'ordinal' && isWord(reader, at + 1, ...YARN) && isBoundary(reader, at + 2)) {
      const name = `${before.raw} ${reader.tokens[at + 1]?.raw ?? ''}`;
      reader.steps.push({ kind: 'colour', name, span: spanBetween(reader, at, at + 2) });
      return at + 2;
    }
    // "LG sc in each", where LG is light grey; "sc 6 LG" says it behind.
    const called = meaningAt(reader, at, 'colour');
    if (called) {
      const step: ColourMarker = {
        kind: 'colour',
        name: before?.raw ?? '',
        span: spanBetween(reader, at, called.next),
      };
      if (isBoundary(reader, called.next) && !isWord(reader, called.next, ':')) colourStep(reader, at, step);
      else reader.steps.push(step);
      return isWord(reader, called.next, ':', ',') ? called.next + 1 : called.next;
    }
    // "YELLOW sc around": before the crochet of a round, or of a bracket, it can be nothing else.
    const behind = at === 0 && isWord(reader, at + 1, ',') ? at + 2 : at + 1;
    if (before && COLOUR_WORDS.has(before.word) && !reader.steps.some(isFabricStep) && beginsStep(reader, behind)) {
      reader.steps.push({ kind: 'colour', name: before.raw, span: spanBetween(reader, at, at + 1) });
      return behind;
    }
    // "Red 12 dc": a name in the middle that no other word of crochet follows but an amount of stitches.
    if (
      before &&
      /^\p{Lu}\p{Ll}/u.test(before.raw) &&
      !reader.lexeme(at) &&
      startsClause(reader, at) &&
      amountOfStitches(reader, at + 1)
    ) {
      reader.steps.push({ kind: 'colour', name: before.raw, span: spanBetween(reader, at, at + 1) });
      return at + 1;
    }
    // "6 sc A, 6 sc B": yarns called by letters.
    if (
      before &&
      YARN_LETTER.test(before.raw) &&
      !reader.lexeme(at) &&
      reader.steps.length > 0 &&
      isBoundary(reader, at + 1)
    ) {
      colourStep(reader, at, { kind: 'colour', name: before.raw, span: spanBetween(reader, at, at + 1) });
      return at + 1;
    }
    const change = meaningAt(reader, at, 'change');
    const means = change ?? meaningAt(reader, passRoundsOf(reader, at), 'with', 'in', 'work');
    if (!means || (means.meaning.is === 'work' && !isWord(reader, at, 'with'))) return null;
    let i = means.next;
    while (isWord(reader, i, 'colour', 'color', 'col', 'yarn', 'main', 'contrast')) i += 1;
    const name = tokenAt(reader, i);
    if (name?.kind !== 'word') return null;
    const named =
      i > means.next || COLOUR_NAMES.has(name.word) || COLOUR_WORDS.has(name.word) || /^\p{Lu}/u.test(name.raw);
    const known = reader.lexicon.at(reader.tokens, i)?.meaning.is;
    if (!(named || known === 'colour') || (known !== undefined && known !== 'colour')) return null;
    i += 1;
    // "CC2"
    const figure = tokenAt(reader, i);
    if (figure?.kind === 'number' && figure.glued) i += 1;
    // Names of two words: "Sea Glass".
    const second = tokenAt(reader, i);
    if (second?.kind === 'word' && /^\p{Lu}/u.test(second.raw) && !reader.lexicon.at(reader.tokens, i)) i += 1;
    const to = tokenAt(reader, i - 1)?.to ?? name.to;
    // "Change to Brick for 12 sc"
    const works = isWord(reader, i, 'for') ? i + 1 : i;
    if (change && amountOfStitches(reader, works)) {
      reader.steps.push({ kind: 'colour', name: reader.text.slice(name.from, to), span: spanBetween(reader, at, i) });
      return works;
    }
    if (change) {
      // "… in last st", "… on the last pull-through"
      const ends = (place: number) => isBoundary(reader, place) || countInBracket(reader, place) !== null;
      for (let ahead = 0; ahead < 8 && !ends(i); ahead += 1) i += 1;
    }
    const step: ColourMarker = {
      kind: 'colour',
      name: reader.text.slice(name.from, to),
      span: spanBetween(reader, at, i),
    };
    const ends = isBoundary(reader, i) || tokenAt(reader, i)?.kind === 'open';
    if (change === null && ends) colourStep(reader, at, step);
    else reader.steps.push(step);
    return isWord(reader, i, ':') ? i + 1 : i;
  },
};

function startsClause(reader: Reader, at: number): boolean {
  return reader.steps.length === 0 ? at === 0 : reader.tokens[at - 1]?.word === ',';
}

function amountOfStitches(reader: Reader, at: number): boolean {
  return tokenAt(reader, at)?.kind === 'number' && meaningAt(reader, at + 1, 'stitch')?.meaning.stitch !== undefined;
}

function beginsStep(reader: Reader, at: number): boolean {
  const token = tokenAt(reader, at);
  if (token?.kind === 'open' || token?.kind === 'star') return true;
  const first = token?.kind === 'number' ? at + 1 : at;
  return meaningAt(reader, first, 'stitch', 'shaping', 'increase', 'decrease', 'magic-ring', 'loops') !== null;
}

/** "Repeat rnd 4, once in A and once in B": how many of the rounds are of a colour says nothing of their count. */
function passRoundsOf(reader: Reader, at: number): number {
  return (reader.found.reference && meaningAt(reader, at, 'times')?.next) || at;
}

/**
 * So many stitches in each of the yarns that letters stand for.
 *
 * `A 10, B 10`   `10 A, 10 B`   `(A) 10, (B) 10`
 *  ^              ^              ^
 */
export const yarnLetters: InstructionForm = {
  name: 'yarn-letters',
  begins: ['colour', 'unknown', 'number', 'open'],
  read(reader, at) {
    const runs: Run[] = [];
    for (let run = runAt(reader, at); run; run = runAt(reader, isWord(reader, run.to, ',', ';') ? run.to + 1 : run.to))
      runs.push(run);
    const last = runs.at(-1);
    if (!last || new Set(runs.map(({ name }) => name)).size < 2) return null;
    for (const { name, figure, from, to } of runs) {
      const span = spanBetween(reader, from, to);
      reader.steps.push({ kind: 'colour', name, span }, worked(PLAIN, { kind: 'times', times: figure }, EDGE, span));
    }
    return last.to;
  },
};

/** So many stitches in a yarn that a letter stands for; indexes of its first token and behind its last. */
interface Run {
  readonly name: string;
  readonly figure: number;
  readonly from: number;
  readonly to: number;
}

function runAt(reader: Reader, from: number): Run | null {
  const bracket = closeOf(reader, from) === from + 2 ? 1 : 0;
  const first = tokenAt(reader, from)?.kind === 'number' ? from : from + 1 + 2 * bracket;
  const letter = first === from ? from + 1 : from + bracket;
  const [figure, name] = [tokenAt(reader, first), tokenAt(reader, letter)];
  if (figure?.kind !== 'number' || !name || !YARN_LETTER.test(name.raw) || !isYarn(reader, letter)) return null;
  return { name: name.raw, figure: figure.value, from, to: Math.max(first, letter) + 1 };
}

/** What stands for no stitch here. */
function isYarn(reader: Reader, at: number): boolean {
  return !reader.lexeme(at) || meaningAt(reader, at, 'colour') !== null;
}

const YARN_LETTER = /^[A-H]$/;
