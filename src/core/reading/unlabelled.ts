import type { Instruction, RoundReference } from '../pattern/pattern.js';
import { lineSpan, type SourceText, type Span } from '../text/source.js';
import { NUMBER_WORDS } from '../vocabulary/numbers.js';
import type { SectionKind } from '../vocabulary/sections.js';
import type { InstructionReader } from './again.js';
import { referenceIn } from './gist/reference.js';
import { BEGINS_IN_CHAIN, headingBeforeLabel, isFoundation, partInLine, type Heading } from './headings.js';
import { beginsInstruction, contentStart, type Label } from './labels.js';
import type { Lexicon } from './lexicon.js';
import type { Lookahead } from './lookahead.js';
import { FLAT, plainRoundsOf } from './page/looks.js';
import type { Pieces } from './pieces.js';
import { firstWords, type OpenRound } from './rounds.js';
import { COUNT_AT_END, IN_RING } from './traits.js';
import type { Yarns } from './yarns.js';

/** What stands in front of a line. */
interface Before {
  readonly section: SectionKind | 'part' | null;
  /** A heading stands above it that no round has come under yet. */
  readonly headed: boolean;
  /** The numbers of the round that is still open. */
  readonly open: readonly number[];
}

/** A round that no label tells, and the piece that its line names in front of it. */
export interface UnlabelledRound {
  readonly named: { readonly heading: Heading; readonly span: Span } | null;
  readonly round: OpenRound;
}

const NUMBER = new RegExp(String.raw`(?<!\p{L})(?:${NUMBER_WORDS})(?!\p{L})`, 'iu');
const MAY_REFER = /(?<!\p{L})(?:as|like|rep|repeat)(?!\p{L})/iu;
const NOTE = /^\W{0,4}(?:notes?|nb|tips?|hint|remember)(?!\p{L})|(?<!\p{L})(?:gauge|tension)\s*[:=]/iu;

/** "twos = two in every stitch, ones = one in each", "inc = 2 dc in one st": what words mean, and no count. */
const EXPLAINS =
  /=\s*\p{L}[^=]*=\s*(?:\p{L}|\d+\s\p{L})|^\W{0,3}\p{L}[\p{L}\d]{0,9}\s*=(?!\s*\d+\s*(?:sts?|stitch(?:es)?)?\W*$).*\p{L}/iu;
/** A piece begins in a ring or in a chain. */
const BEGINS = /(?<!\p{L})(?:ring|circle|loop|mr|ch(?:ain)?s?)(?!\p{L})/iu;
const LONGEST_REFERENCE = 120;
/** "Nothing for 6 rounds, so that's round 12" */
const ASIDE = / so .*$/iu;
/** The chains of a treble, the tallest stitch that rows are turned in. */
const HIGHEST_TURN = 4;

/** Tells which of the lines without a label hold a round: a closing, an edging, a piece in one line, or one like another. */
export class UnlabelledRounds {
  readonly #source: SourceText;
  readonly #instructions: InstructionReader;
  readonly #ahead: Lookahead;
  readonly #pieces: Pieces;
  readonly #yarns: Yarns;
  #heads: ReadonlyMap<string, number> | null = null;

  constructor(source: SourceText, instructions: InstructionReader, ahead: Lookahead, pieces: Pieces, yarns: Yarns) {
    this.#source = source;
    this.#instructions = instructions;
    this.#ahead = ahead;
    this.#pieces = pieces;
    this.#yarns = yarns;
  }

  /** An instruction without a label: a flat closing, an edging, a piece of one row. Other lines may go on with it. */
  inLine(index: number, span: Span, text: string, { section, headed, open }: Before): OpenRound | null {
    if (section !== 'part' && !(section === null && headed)) return null;
    if (!this.#source.remember(text, mayInstruct)) return null;
    const to = this.#endOf(index, span);
    const bodyFrom = span.from + wordsBeforeWork(text, this.#instructions.lexicon);
    const reading = this.#instructions.read(this.#source.text, { from: bodyFrom, to: Math.min(to, span.from + 2000) });
    if (
      !isInstruction(reading, this.#source.text.slice(bodyFrom, to)) &&
      !(headed && this.#likeEarlier(reading)) &&
      !this.#repeatsRounds(reading, open) &&
      !(beginsInRing(reading) && this.#ringGoesOn(index))
    )
      return null;
    // Below a title anything may stand; only what is understood to the last word is taken for a round there.
    if (section !== 'part' && reading.unread.length > 0) return null;
    return { label: null, from: contentStart(this.#source.text, span.from, span.to), bodyFrom, to: span.to };
  }

  /**
   * "Work 4 rounds straight.": a label for the rounds that come next, and the words it is of; null where the line tells no
   * such, or only says so of those below it.
   * @param last the number of the round before.
   */
  plainRounds(index: number, { from, to }: Span, text: string, last: number): { label: Label; words: Span } | null {
    const next = last > 0 ? this.#source.remember(text, plainRoundsOf) : 0;
    if (next === 0 || this.#ahead.nextLabel(index)?.label.from === last + 1) return null;
    const aside = ASIDE.exec(text);
    const at = contentStart(this.#source.text, from, to);
    const place = { span: { from: at, to: at }, bodyFrom: at, text: firstWords(text) };
    const series = this.#pieces.stretch?.series ?? '';
    return {
      label: { ...place, from: 0, to: 0, numbers: [], kind: null, series, next },
      words: { from, to: aside ? from + aside.index : to },
    };
  }

  /** "Rope: with brown, MR with 8 sc (8 sts).": the name of a piece and its first round, in a line without a label. */
  pieceInLine(line: Span, text: string, section: Before['section']): UnlabelledRound | null {
    if (section === 'materials' || section === 'legend') return null;
    const part = this.#source.remember(text, partInLine);
    const { inRing, countAtEnd } = this.#ahead.traitsOf(text);
    if (!part && !inRing && !countAtEnd) return null;
    const heading = part ?? this.nameBefore(text);
    return heading?.section === null && !this.#isOneOf(heading) ? this.first(line, heading) : null;
  }

  /**
   * "Scarf: ch 60, sc in 2nd ch from hook and in each ch across (59).": a piece in a chain, named in its line; or one of several
   * in a ring, "Leg 2: 6 sc in a ring (6)".
   */
  chainPiece(line: Span, text: string): UnlabelledRound | null {
    const heading = this.nameBefore(text);
    if (!heading || heading.section !== null || isFoundation(heading)) return null;
    const inRing = /\s\d$/.test(heading.name) && BEGINS.test(heading.rest.slice(0, 40)) && !this.#isOneOf(heading);
    return inRing || BEGINS_IN_CHAIN.test(heading.rest) ? this.first(line, heading) : null;
  }

  /** "Just like the first leg, I to VIII": a piece whose rounds have been told with another, as a label that has them all. */
  likeOther(line: Span, text: string): { readonly label: Label; readonly reference: RoundReference } | null {
    if (text.length > LONGEST_REFERENCE) return null;
    const reference = referenceIn(this.#source.text, line);
    const noun = reference?.part?.split(' ').at(-1);
    const like = noun === undefined ? undefined : this.#pieces.named(noun);
    if (!reference || !like) return null;
    const all = like.stretches.flatMap(({ rounds }) => rounds.flatMap(({ numbers }) => numbers));
    const [first, last] = [reference.rounds[0] ?? all[0], reference.rounds.at(-1) ?? all.at(-1)];
    if (first === undefined || last === undefined) return null;
    const numbers = all.filter((number) => number >= first && number <= last);
    const place = { span: line, bodyFrom: line.from, text: firstWords(text) };
    return {
      label: { ...place, from: first, to: last, numbers, kind: null, series: '' },
      reference: { ...reference, rounds: numbers },
    };
  }

  /** The name of a piece that words begin with; null where there is none, or it is that of a yarn. */
  nameBefore(words: string): Heading | null {
    const named = this.#source.remember(words, headingBeforeLabel);
    return named && !this.#yarns.isColour(named.name) ? named : null;
  }

  /** Takes words for a round if they begin in a ring, or are all an instruction. @param heading what they begin with */
  first(line: Span, heading: Heading | null): UnlabelledRound | null {
    const words = this.#source.text.slice(line.from, line.to).trimEnd();
    if (EXPLAINS.test(words)) return null;
    const to = line.from + words.length;
    const bodyFrom = to - (heading?.rest.length ?? words.trimStart().length);
    const reading = this.#instructions.read(this.#source.text, { from: bodyFrom, to });
    const begins = isInstruction(reading, words) || beginsInRing(reading) || (heading !== null && goesBack(reading));
    if (!begins || reading.unread.length > 0) return null;
    return {
      named: heading && { heading: { ...heading, rest: '' }, span: { from: line.from, to: bodyFrom } },
      round: { label: null, from: bodyFrom, bodyFrom, to },
    };
  }

  /** "Lap 1" above "Lap 2" and so on: what this hand calls its rounds, and no pieces that each begin anew. */
  #isOneOf({ name }: Heading): boolean {
    const [, word, ranked] = /^(\p{L}+?)s? \d{1,3}$|^1st (\p{L}+?)s?$/iu.exec(name) ?? [];
    if (!word && !ranked) return false;
    const heads = (this.#heads ??= headsOf(this.#source));
    const at = (number: number) => heads.get(`${(word ?? ranked)?.toLowerCase()} ${number}${ranked ? '.' : ''}`);
    const second = at(2);
    if (second === undefined || at(3) === undefined || at(4) === undefined) return false;
    return !BEGINS.test(this.#source.text.slice(second, second + 60).split('\n')[0] ?? '');
  }

  /** Where an instruction ends that goes on in the next lines. */
  #endOf(index: number, span: Span): number {
    let { to } = span;
    const lines = this.#source.lineStarts.length;
    for (let line = index + 1; line < lines && line < index + 4; line += 1) {
      if (COUNT_AT_END.test(this.#source.text.slice(Math.max(span.from, to - 160), to))) break;
      const next = lineSpan(this.#source, line);
      const words = this.#source.text.slice(next.from, Math.min(next.to, next.from + 200));
      if (words.trim() === '' || !/^\s*[\p{Ll}(\[{]/u.test(words) || this.#ahead.labelsOf(line).length > 0) break;
      to = next.to;
    }
    return to;
  }

  /** "Repeat rows 2 and 3 three more times.": a line of its own for rounds that stand above it. */
  #repeatsRounds({ reference, unread, steps }: Instruction, open: readonly number[]): boolean {
    if (!reference || reference.part !== undefined || unread.length > 0) return false;
    if (steps.some(({ kind }) => kind === 'work' || kind === 'repeat')) return false;
    const numbers = [...this.#pieces.numbers(), ...open];
    return reference.last === undefined
      ? reference.rounds.length > 0 && reference.rounds.every((number) => numbers.includes(number))
      : reference.last <= numbers.length;
  }

  /** Whether the round after a ring without a label is the second, or a first one that is worked on it. */
  #ringGoesOn(line: number): boolean {
    const next = this.#ahead.nextLabel(line)?.label;
    if (next?.from !== 1) return next?.from === 2;
    return !IN_RING.test(this.#source.text.slice(next.bodyFrom, next.bodyFrom + 60).split('\n')[0] ?? '');
  }

  /** Whether words tell the rounds of a piece above: "Work as Body to end of 5th round." */
  tellsEarlier(words: string): boolean {
    return words.trim() !== '' && this.#likeEarlier(this.#instructions.alone(words));
  }

  /** "Work as for right leg": a piece whose rounds have been told with another. */
  #likeEarlier({ reference, unread }: Instruction): boolean {
    const noun = reference?.part?.match(/\p{L}{3,}/gu)?.at(-1);
    return noun !== undefined && unread.length === 0 && this.#pieces.named(noun) !== undefined;
  }
}

/** "lap 2" of "Lap 2: …" and "Laps 2-4: …", "go 2." of "2nd go: …": the words and numbers that lines begin with, and where. */
function headsOf(source: SourceText): ReadonlyMap<string, number> {
  const heads = new Map<string, number>();
  for (const from of source.lineStarts) {
    const [, word, number, rank, ranked] = HEAD.exec(source.text.slice(from, from + 32)) ?? [];
    const head = word ? `${word.toLowerCase()} ${number}` : ranked ? `${ranked.toLowerCase()} ${rank}.` : null;
    if (head !== null && !heads.has(head)) heads.set(head, from);
  }
  return heads;
}

const HEAD =
  /^[ \t]*(?:(\p{L}{2,20}?)s? (\d{1,3})(?!\d)|(\d{1,3})(?:st|nd|rd|th)(?: to \d\w+)? (\p{L}{2,20}?)s?(?!\p{L}))/iu;

/**
 * A quick look, whether a line without a label could be an instruction: it has a figure, closes a piece, or refers to other
 * rounds. "Work 4 rounds straight:" above those four says no more than they do.
 */
function mayInstruct(text: string): boolean {
  const may =
    (/\d/.test(text) || (FLAT.test(text) && NUMBER.test(text)) || MAY_REFER.test(text)) &&
    !NOTE.test(text) &&
    !EXPLAINS.test(text);
  return may && plainRoundsOf(text) === 0;
}

/** Length of short sentences before the crochet of an unlabelled line: "Oat. Ch 26, sc in …" names a yarn first. */
function wordsBeforeWork(text: string, lexicon: Lexicon): number {
  const sentence = /^[^.:\d]{1,40}\.\s+(?=[\p{Lu}\d])/u.exec(text);
  if (!sentence || MAY_REFER.test(sentence[0])) return 0;
  return beginsInstruction(text, 0, sentence[0].length, lexicon) ? 0 : sentence[0].length;
}

/** Whether what was read of the words of an unlabelled line is crochet with a result, and not talk about it. */
function isInstruction(reading: Instruction, words: string): boolean {
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

/** "ch 6, turn, sl st in next 5": a chain that is worked back along. */
function goesBack({ steps }: Instruction): boolean {
  // A turning chain is shorter.
  const chain = steps.findIndex((step) => step.kind === 'chain' && step.count > HIGHEST_TURN);
  return chain >= 0 && steps.slice(chain).some(({ kind }) => kind === 'work' || kind === 'repeat');
}

/** "Foundation: 6 sc in the ring." above Round 2. */
function beginsInRing({ steps, unread }: Instruction): boolean {
  const ring = steps.findIndex((step) => step.kind === 'ring');
  const inRing = steps.some(
    (step, i) => step.kind === 'work' && (step.place.kind === 'ring' || (ring >= 0 && i > ring)),
  );
  return inRing && unread.length === 0;
}
