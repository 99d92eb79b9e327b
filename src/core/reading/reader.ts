import type { BracketProblem, RoundReference, Unread } from '../pattern/pattern.js';
import type { StatedCount, Step } from '../pattern/instruction.js';
import type { Span } from '../text/source.js';
import type { StitchId } from '../vocabulary/stitches.js';
import type { Lexicon, Meaning } from './lexicon.js';
import type { Token } from './lexer.js';

/** What the forms find out about one instruction besides its steps. */
export interface Findings {
  stated: StatedCount | null;
  reference: RoundReference | null;
  statedRounds: { count: number; span: Span } | null;
  readonly unread: Unread[];
  readonly brackets: BracketProblem[];
  readonly foreign: { span: Span; stitch: StitchId }[];
  readonly remarks: Span[];
}

/**
 * One way of writing one thing. `read` looks at the tokens from `at` on; where its form stands there
 * it puts the steps into the reader and returns the index after it, otherwise null. A form never
 * looks further ahead than a fixed number of tokens, save through `reader.sequence`.
 */
export interface InstructionForm {
  /** See `EXAMPLES` for lines that hold it. */
  readonly name: string;
  /** What the first token can be; at all others the form is not asked. */
  readonly begins: readonly Beginning[];
  read(reader: Reader, at: number): number | null;
}

/** The kind of a token, `unknown` for a word without a meaning, or the sort of meaning that it has. */
export type Beginning = 'number' | 'ordinal' | 'open' | 'star' | 'mark' | 'unknown' | Meaning['is'];

/** A lexeme at its place among the tokens. */
export interface Placed<M extends Meaning = Meaning> {
  readonly meaning: M;
  /** Index of the token after it. */
  readonly next: number;
}

/** The tokens of one instruction and what has been understood of them so far. */
export interface Reader {
  readonly text: string;
  readonly tokens: readonly Token[];
  /** For each token that is a bracket the index of its partner; -1, or nothing at all, for all others. */
  readonly partner: readonly number[];
  readonly lexicon: Lexicon;
  readonly found: Findings;
  /** Steps of the sequence being read. */
  readonly steps: Step[];
  /** Index after the last token of the sequence being read. */
  readonly end: number;
  readonly depth: number;
  /** True between a star and the words that repeat from it. */
  readonly inStar: boolean;
  /** Reads the tokens between two indexes as a sequence of its own. */
  sequence(from: number, to: number, inStar: boolean): { steps: Step[]; next: number };
  /** The word or phrase at an index, within this sequence. */
  lexeme(at: number): Placed | null;
}

/** The meaning at an index if it is of one of the given sorts, with the index after it. */
export function meaningAt<K extends Meaning['is']>(
  reader: Reader,
  at: number,
  ...kinds: readonly K[]
): Placed<Extract<Meaning, { is: K }>> | null {
  const found = reader.lexeme(at);
  if (!found || !(kinds as readonly string[]).includes(found.meaning.is)) return null;
  return found as Placed<Extract<Meaning, { is: K }>>;
}

/** The index after the word of the given sort at `at`; `at` itself where another word stands. */
export function pass(reader: Reader, at: number, ...kinds: readonly Meaning['is'][]): number {
  const found = reader.lexeme(at);
  return found && kinds.includes(found.meaning.is) ? found.next : at;
}

export function tokenAt(reader: Reader, at: number): Token | null {
  return at < reader.end ? (reader.tokens[at] ?? null) : null;
}

/** The index of the bracket that closes the one at a token; null where none opens there, or nothing closes it. */
export function closeOf(reader: Reader, at: number): number | null {
  const close = tokenAt(reader, at)?.kind === 'open' ? reader.partner[at] : undefined;
  return close === undefined || close < 0 ? null : close;
}

export function isWord(reader: Reader, at: number, ...words: readonly string[]): boolean {
  const token = tokenAt(reader, at);
  return token !== null && words.includes(token.word);
}

/** The span from one token to another, the second not included. */
export function spanBetween(reader: Reader, from: number, to: number): Span {
  const first = reader.tokens[from];
  const last = reader.tokens[Math.max(from, to - 1)];
  return { from: first?.from ?? 0, to: last?.to ?? first?.to ?? 0 };
}

/** Whether a clause ends before this index: a comma, full stop, colon, dash, or the end. */
export function isBoundary(reader: Reader, at: number): boolean {
  const token = tokenAt(reader, at);
  return token === null || (token.kind === 'mark' && /^[,;.:!?\-/]$/.test(token.word));
}
