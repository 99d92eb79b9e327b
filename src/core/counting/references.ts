import type { Step } from '../pattern/instruction.js';
import type { Round, RoundReference } from '../pattern/pattern.js';

/** The last round of what each referring round stands for, found once. */
export type Settled = Map<Round, readonly Step[] | null>;

/** What a reference can be looked up in. */
export interface Known {
  readonly settled: Settled;
  /** The rounds of the pieces before, by their names in lower case. */
  readonly pieces: ReadonlyMap<string, readonly Round[]>;
}

/** The instructions that a reference stands for, one a round; null where a round named is not there. */
export function referred(run: readonly Round[], index: number, { settled, pieces }: Known): (readonly Step[])[] | null {
  const round = run[index];
  const reference = round?.reference;
  if (!round || !reference) return null;
  if (reference.part !== undefined) return ofPiece(round, reference, reference.part, { settled, pieces });
  const bodies: (readonly Step[])[] = [];
  for (const number of reference.rounds) {
    const steps = stepsOf(run, index, number, settled);
    if (!steps) return null;
    bodies.push(steps);
  }
  if (bodies.length === 0) return null;
  const span = round.numbers.length;
  const times = span > 0 ? Math.ceil(span / bodies.length) : Math.min(reference.times ?? 1, 500);
  const all: (readonly Step[])[] = [];
  for (let i = 0; i < times; i += 1) all.push(...bodies);
  return span > 0 ? all.slice(0, span) : all;
}

/** The rounds of another piece, one instruction a round; of those that the label or the words name. */
function ofPiece(
  round: Round,
  { rounds, upTo }: RoundReference,
  part: string,
  { settled, pieces }: Known,
): (readonly Step[])[] | null {
  const piece = pieceCalled(part, pieces);
  if (!piece) return null;
  const all: (readonly Step[])[] = [];
  const wanted = (number: number) => {
    if (rounds.length > 0) return rounds.includes(number);
    return number <= (upTo ?? Infinity) && (round.numbers.length < 2 || round.numbers.includes(number));
  };
  for (const other of piece) {
    const steps = other.reference ? settled.get(other) : other.steps;
    for (const number of other.numbers.length > 0 ? other.numbers : [0]) {
      if (!wanted(number)) continue;
      if (!steps || other.unread.length > 0) return null;
      all.push(steps);
    }
  }
  return all.length > 0 && all.length <= 2000 ? all : null;
}

/** The steps of the nearest earlier round of a number. */
function stepsOf(run: readonly Round[], index: number, number: number, settled: Settled): readonly Step[] | null {
  for (let i = index - 1; i >= 0 && i >= index - LOOK_BACK; i -= 1) {
    const round = run[i];
    if (!round?.labelled || number < round.from || number > round.to) continue;
    if (round.unread.length > 0) return null;
    return round.reference ? (settled.get(round) ?? null) : round.steps;
  }
  return null;
}

/** No pattern refers to a round further back than this; it keeps the time linear. */
const LOOK_BACK = 400;

/** What is known of the piece that a text calls so; undefined where no piece before it has such a name. */
export function pieceCalled<T>(called: string, pieces: ReadonlyMap<string, T>): T | undefined {
  if (pieces.has(called)) return pieces.get(called);
  const noun = called.split(' ').find((word) => /^\p{L}+$/u.test(word) && !WHICH.test(word));
  const stem = (noun ?? called).replace(/s$/, '');
  let found: T | undefined;
  for (const [name, piece] of pieces) if (name.includes(stem)) found = piece;
  return found;
}

const WHICH = /^(?:the|first|second|third|other|left|right|this|same|both|front|back)$/;
