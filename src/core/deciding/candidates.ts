import type { CountedRound } from '../counting/counted.js';
import type { Outcome } from '../counting/outcome.js';
import type { Step } from '../pattern/instruction.js';
import type { Instruction, Round, RoundReference } from '../pattern/pattern.js';
import type { Span } from '../text/source.js';
import { cardinal } from '../vocabulary/numbers.js';
import { REMARK_LEADS } from '../vocabulary/words.js';
import { singular, type Gist } from '../reading/gist/gist.js';
import type { Gists } from '../reading/read.js';
import { ringFilled } from '../reading/ring.js';
import { TOLD_BY_SUMS, type Sense } from '../vocabulary/senses.js';
import type { Reason } from './habits.js';
import { doubtOf } from './why.js';
import { inEitherCase } from '../text/eitherCase.js';

/** One way to take a round. `instruction` is null for what the forms have read. */
export interface Candidate {
  readonly instruction: Instruction | null;
  /** What it rests on; see `Habits`. */
  readonly reasons: readonly Reason[];
  /** Words passed over that stand in no other round. */
  readonly passed: number;
  /** The forms have read all words of the round: to take it otherwise needs others that bear that out. */
  readonly departs: boolean;
  /** Some of its words were taken for talk. */
  readonly talks: boolean;
  readonly on: (edge: number | null) => Outcome;
}

/** A word is worked out where it stands in so many rounds. */
const FEWEST = 2;
const MOST_WORDS = 16;
const MOST_CANDIDATES = 120;
/** So many meanings of its words are tried in one round. */
const MOST_TRIED = 180;
/** So many of them are looked at with the other rounds: of those that come out by themselves, and of all others. */
const MOST_PROVED = 16;
const MOST_UNPROVED = 12;
const FEW_UNPROVED = 4;
const MOST_WORK = 60_000;
/** What working one candidate costs besides the letters it has, in the same unit. */
const WORK_OF_ONE = 60;

const NOTHING_KNOWN: ReadonlyMap<string, Sense> = new Map();

/** What may be spent on one text, in steps looked at; it keeps the work in bounds, whatever the text. */
class Budget {
  #left = MOST_WORK;

  /** Whether so much is still to be had; it is spent then. */
  spend(work: number): boolean {
    if (this.#left < work) return false;
    this.#left -= work;
    return true;
  }
}

/** The outcome of a candidate on each edge, worked once. */
function remembered(work: (edge: number | null) => Outcome): (edge: number | null) => Outcome {
  const known = new Map<number | null, Outcome>();
  return (edge) => {
    const found = known.get(edge) ?? work(edge);
    known.set(edge, found);
    return found;
  };
}

export function isSettled({ verdict }: CountedRound): boolean {
  return verdict === 'agrees' || verdict === 'on-trust';
}

/** All ways to take each round of a pattern. */
export class Candidates {
  /** The words without a meaning that stand in several rounds: only those can be worked out. */
  readonly frequent: ReadonlySet<string>;
  readonly #text: string;
  readonly #rounds: readonly CountedRound[];
  readonly #gists: Gists;
  /** Words that stand behind an article or a figure. */
  readonly #counted: ReadonlySet<string>;
  readonly #plain = new Map<Round, readonly Gist[]>();
  readonly #budget = new Budget();

  constructor(text: string, rounds: readonly CountedRound[], gists: Gists) {
    this.#text = text;
    this.#rounds = rounds;
    this.#gists = gists;
    this.#counted = new Set(Array.from(text.matchAll(COUNTED), ([, word = '']) => singular(word.toLowerCase())));
    const often = new Map<string, number>();
    for (const counted of rounds)
      for (const word of this.#wordsIn(counted)) often.set(word, (often.get(word) ?? 0) + 1);
    const frequent = [...often].filter(([, count]) => count >= FEWEST).sort(([, a], [, b]) => b - a);
    this.frequent = new Set(frequent.slice(0, MOST_WORDS).map(([word]) => word));
  }

  /** The ways to take one round, that of the forms first; more only where it does not come out so. */
  of(counted: CountedRound): Candidate[] {
    const { round } = counted;
    const read: Candidate = {
      instruction: null,
      // What it was taken for before bears out others that may be meant so.
      reasons: round.taken ?? [],
      passed: 0,
      // Words that were all taken for talk have not been read.
      departs: round.unread.length === 0 && (round.steps.length > 0 || round.idle === true),
      talks: round.remarks.length > 0,
      on: remembered((edge) => (edge === null ? counted.outcome : counted.instead(round, edge))),
    };
    // A bracket that does not close is a slip to be told, and not to be read over.
    const opened = round.brackets.length > 0 && round.unread.length === 0;
    if (isSettled(counted) || round.reference || round.tabular || opened) return [read];
    const candidates = [read];
    const without = withoutTalk(this.#text, counted);
    if (without)
      candidates.push({
        ...read,
        instruction: without.instruction,
        passed: without.words,
        on: remembered((edge) => counted.instead(without.instruction, edge ?? undefined)),
      });
    this.#take(counted, read, NOTHING_KNOWN, candidates);
    // What comes out without another meaning of its words needs none.
    if (candidates.some((candidate) => proves(candidate, counted))) return fewer(candidates, counted);
    const words = [...this.#wordsIn(counted)].filter((word) => this.frequent.has(word));
    let tried = 0;
    for (const senses of assignments(words, this.#counted))
      if (
        (tried += 1) > MOST_TRIED ||
        candidates.length >= MOST_CANDIDATES ||
        !this.#take(counted, read, senses, candidates)
      )
        break;
    return fewer(candidates, counted);
  }

  #take(counted: CountedRound, read: Candidate, senses: ReadonlyMap<string, Sense>, candidates: Candidate[]): boolean {
    const { round } = counted;
    const body = bodyOf(round);
    if (!this.#budget.spend(body.to - body.from + WORK_OF_ONE)) return false;
    const gists = senses.size === 0 ? this.#plainOf(round) : this.#gists.of(body, senses);
    for (const gist of gists) {
      if (!this.#budget.spend(body.to - body.from + WORK_OF_ONE)) return false;
      const stated = gist.instruction.stated;
      if (round.stated && stated && round.stated.total !== stated.total) continue;
      const doubt = doubtOf(senses, gist.chosen, gist.words, round.brackets.length > 0);
      const told = round.stated ?? stated;
      // A label alone tells nothing of what is done.
      if (!told && saysNothing(this.#text, body)) continue;
      const instruction = {
        ...gist.instruction,
        steps: ringFilled(this.#text, gist.instruction.steps, told),
        taken: gist.chosen,
        reference: resolved(gist.instruction.reference, counted, this.#rounds),
        stated: told,
        // A bracket that was lost is read over, and told.
        ...(round.brackets.length > 0 ? { brackets: round.brackets, repaired: true as const } : {}),
        ...(doubt ? { doubt } : {}),
      };
      candidates.push({
        instruction,
        reasons: [
          ...[...senses].map(([word, sense]) => senseOf(word, sense)),
          ...gist.words.filter((word) => this.frequent.has(word)).map((word) => senseOf(word, 'nothing')),
          ...gist.chosen,
        ],
        passed:
          Math.max(0, gist.words.filter((word) => !this.frequent.has(word)).length - gist.talk) +
          // What its label denies is as dear as a word passed over.
          (saysOtherRounds(round, instruction) ? 1 : 0),
        departs: read.departs,
        talks: false,
        on: remembered((edge) => counted.instead(instruction, edge ?? undefined)),
      });
    }
    return true;
  }

  #plainOf(round: Round): readonly Gist[] {
    const known = this.#plain.get(round) ?? this.#gists.of(bodyOf(round), NOTHING_KNOWN);
    this.#plain.set(round, known);
    return known;
  }

  /** The words of a round that mean nothing, or may mean something else. */
  #wordsIn(counted: CountedRound): ReadonlySet<string> {
    const gists = isSettled(counted) ? [] : this.#plainOf(counted.round);
    const passed = gists.flatMap(({ words }) => words);
    const unknown = isSettled(counted) || gists.length > 0 ? [] : this.#gists.unknown(bodyOf(counted.round));
    return new Set([...passed, ...unknown, ...otherwiseIn(this.#text, counted)]);
  }
}

/** What the forms have read, the ways that come out on the edge that is known, and a few more: the plainest of each. */
function fewer(candidates: readonly Candidate[], counted: CountedRound): Candidate[] {
  const [read, ...others] = candidates;
  if (!read || others.length <= MOST_UNPROVED) return [...candidates];
  const strangeness = ({ reasons, passed }: Candidate) => reasons.filter(({ usual }) => !usual).length + passed;
  others.sort((a, b) => strangeness(a) - strangeness(b));
  const proved = others.filter((candidate) => proves(candidate, counted)).slice(0, MOST_PROVED);
  const unproved = others.filter((candidate) => !proved.includes(candidate));
  return [read, ...proved, ...unproved.slice(0, proved.length > 0 ? FEW_UNPROVED : MOST_UNPROVED)];
}

/** Whether a round comes out so on the edge that it is known to have. */
function proves({ on, instruction }: Candidate, { round, outcome: { edge } }: CountedRound): boolean {
  const outcome = on(edge);
  const stated = round.stated?.total ?? instruction?.stated?.total;
  return fits(outcome) && stated !== undefined && outcome.made === stated;
}

/** Whether an instruction uses up its edge, which is known, or starts a piece. */
export function fits({ misfits, obstacles, starts, edge }: Outcome): boolean {
  return misfits.length === 0 && obstacles.length === 0 && (starts || edge !== null);
}

/** Words of language that some hands call a shaping by: "join every 3rd and 4th", "double every 2nd". */
const OTHERWISE = /(?<!\p{L})(?:join|double|close|pair|split|drop)(?!\p{L})/iu;
const ALL_OTHERWISE = inEitherCase(OTHERWISE.source, 'g');

function otherwiseIn(text: string, { round }: CountedRound): string[] {
  return text.slice(round.bodyFrom, round.span.to).toLowerCase().match(ALL_OTHERWISE) ?? [];
}

/** Where the instruction stands; of a row whose cells are empty, the cells. */
function bodyOf({ bodyFrom, span, label }: Round): Span {
  return { from: bodyFrom < span.to ? bodyFrom : Math.min(span.to, span.from + label.length), to: span.to };
}

/** Whether words hold neither a letter nor a figure. */
function saysNothing(text: string, { from, to }: Span): boolean {
  return !/[\p{L}\d]/u.test(text.slice(from, to));
}

function senseOf(word: string, sense: Sense): Reason {
  return { what: `"${word}"`, ways: [sense], usual: sense === 'nothing', word: true };
}

/** Whether it says another number of rounds than its label has. */
function saysOtherRounds({ labelled, numbers }: Round, { statedRounds }: Instruction): boolean {
  return labelled && statedRounds !== null && numbers.length > 0 && statedRounds.count !== numbers.length;
}

/** The round without the words that were not understood, where none of them can bear on its count. */
function withoutTalk(text: string, { round }: CountedRound): { instruction: Instruction; words: number } | null {
  const { unread, steps, reference, stated, statedRounds, brackets, foreign, remarks } = round;
  if (unread.length === 0 || steps.length === 0) return null;
  const words = unread.flatMap(
    ({ span }) =>
      text
        .slice(span.from, span.to)
        .toLowerCase()
        .match(/[\p{L}\d]+/gu) ?? [],
  );
  if (words.some((word) => /^\d/.test(word) || cardinal(word) !== null || NEEDED.test(word))) return null;
  const talk = [...remarks, ...unread.map(({ span }) => span)];
  return {
    instruction: {
      unread: [],
      steps: steps.filter((step) => !isSpokenOf(step, unread)),
      reference,
      stated,
      statedRounds,
      brackets,
      foreign,
      remarks: talk,
      doubt: { kind: 'passed-over', why: unread.map(({ span }) => `passed over: "${text.slice(span.from, span.to)}"`) },
    },
    words: unread.length,
  };
}

/** "…, UK doubles mind": a stitch without a figure, amid words that were not understood. */
function isSpokenOf(step: Step, unread: Round['unread']): boolean {
  if (step.kind !== 'work' || !step.bare) return false;
  const { from, to } = step.span;
  return (
    unread.some(({ span }) => span.to <= from && span.to >= from - 1) &&
    unread.some(({ span }) => span.from >= to && span.from <= to + 1)
  );
}

/** Words that an instruction never holds for nothing. */
const NEEDED =
  /^(?:sts?|stitch(?:es)?|each|every|all|around|round|repeat|rep|times|twice|inc|dec|loops?|together|same|next|last|turn|skip|miss)$/;

/** "The last two rounds" by their numbers; of the piece at hand, or of one that is named. */
function resolved(
  reference: RoundReference | null,
  { round, stretch }: CountedRound,
  rounds: readonly CountedRound[],
): RoundReference | null {
  if (reference?.last === undefined) return reference;
  const stem = reference.part?.split(' ').at(-1)?.replace(/s$/, '');
  const all =
    stem === undefined
      ? stretch.rounds.slice(0, stretch.rounds.indexOf(round))
      : rounds.filter(({ part }) => part.name.toLowerCase().includes(stem)).map((counted) => counted.round);
  return { ...reference, rounds: all.flatMap(({ numbers }) => numbers).slice(-reference.last) };
}

/** What some words may mean: one of them something, or two of them. */
function* assignments(words: readonly string[], counted: ReadonlySet<string>): Iterable<ReadonlyMap<string, Sense>> {
  for (const word of words) for (const sense of sensesOf(word, counted)) yield new Map([[word, sense]]);
  const pairs = words.flatMap((one, i) => words.slice(i + 1).map((other) => [one, other] as const));
  for (const [one, other] of pairs)
    for (const first of sensesOf(one, counted))
      for (const second of sensesOf(other, counted))
        yield new Map([
          [one, first],
          [other, second],
        ]);
}

const NO_STITCHES = TOLD_BY_SUMS.filter((sense) => sense !== 'increase' && sense !== 'decrease' && sense !== 'stitch');

/** A word that talk begins with ("press", "again") is no stitch, unless it is counted like one: "a squeeze". */
function sensesOf(word: string, counted: ReadonlySet<string>): readonly Sense[] {
  return REMARK_LEADS.has(word) && !OTHERWISE.test(word) && !counted.has(word) ? NO_STITCHES : TOLD_BY_SUMS;
}

/** Words behind an article or a figure. */
const COUNTED = /(?<!\p{L})(?:an?|one|\d{1,3})\s+(\p{L}+)/giu;
