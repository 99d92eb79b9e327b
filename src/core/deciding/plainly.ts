import type { CountedPattern } from '../counting/counted.js';
import type { Round } from '../pattern/pattern.js';
import { TextReader, type ReadOptions } from '../reading/read.js';
import { LONGEST, proofOf, readingOf } from './settle.js';

/** A text of which so great a share of the rounds comes out is read rightly, and not tried otherwise. */
const ENOUGH = 0.9;
/** A reading by series has to prove so many rounds at the least: fewer may come out by chance. */
const FEWEST = 4;
/** So many rounds more have to come out by the series. */
const MARGIN = 1;
/** Where so many lines among the rounds look like rounds too, a text may be meant otherwise than its labels say. */
const FEW_MISSED = 2;
/** So much of a line that is not understood is looked at for the number of a round; characters. */
const LONGEST_LINE = 200;

/** A text that the known forms leave open, so that it is to be read by its series of numbers as well. */
export interface Open {
  readonly text: string;
  readonly options: ReadOptions;
  readonly reader: TextReader;
  /** As the known forms have it. */
  readonly counted: CountedPattern;
  /** More than so much has to come out in another reading. */
  readonly proved: number;
}

/** Reads and counts a text by the forms that are known; `open` where little of it comes out. */
export function plainly(text: string, options: ReadOptions): { counted: CountedPattern; open: Open | null } {
  const reader = new TextReader(text, options);
  const counted = readingOf(reader, text, options);
  const proved = proofOf(counted);
  const gap = leavesGap(counted) || hidesLabel(counted);
  const enough = counted.rounds.length >= FEWEST && proved >= counted.rounds.length * ENOUGH && !gap;
  if (text.length > LONGEST || (enough && reader.missed(counted.pattern) < FEW_MISSED)) return { counted, open: null };
  // What is read by known forms to the last round stands, unless more than a round or so speaks against it.
  const unread = counted.rounds.some(({ verdict }) => verdict === 'unreadable');
  const margin = proved >= FEWEST && !gap && !unread ? MARGIN : 0;
  return { counted, open: { text, options, reader, counted, proved: Math.max(proved + margin, FEWEST - 1) } };
}

/** A round may be told here: it needs a figure, or what it is worked into. */
const MAY_BEGIN = /\d|(?<!\p{L})(?:ring|loop|circle|ch|chains?)(?!\p{L})/iu;

/** Whether the number of a round is missing between two others, and stands in the text there: its line was not understood. */
function leavesGap({ pattern }: CountedPattern): boolean {
  const { text } = pattern.source;
  let done = 0;
  return pattern.parts.some(({ stretches }) =>
    stretches.some((stretch) => {
      const rounds = stretch.rounds.filter(({ labelled }) => labelled);
      const above = text.slice(done, stretch.rounds[0]?.span.from ?? done);
      done = stretch.rounds.at(-1)?.span.to ?? done;
      // "Commence with 2 ch.; …" above "2nd rnd": the first one has no number.
      if (stretch.rounds[0]?.from === 2 && stretch === stretches[0] && MAY_BEGIN.test(above)) return true;
      return rounds.some((round, i) => {
        const before = rounds[i - 1];
        if (!before || round.from <= before.to + 1) return false;
        const between = text.slice(before.span.to, round.span.from);
        return new RegExp(`(?<!\\d)${before.to + 1}(?!\\d)`).test(between);
      });
    }),
  );
}

/** "stuff + close: 13) dec x6" behind round 12: the number that comes next, in words that are of no round or not understood. */
function hidesLabel({ pattern, rounds }: CountedPattern): boolean {
  const { text } = pattern.source;
  let next: Round | undefined;
  for (const { round, verdict } of rounds.toReversed()) {
    const { to } = round.span;
    if (round.labelled && !(next?.labelled && next.from === round.to + 1)) {
      const behind = text.slice(to, Math.min(next?.span.from ?? text.length, to + LONGEST_LINE));
      if (new RegExp(`(?<![\\d.])${round.to + 1}[).:][^\\S\\n]*\\S`).test(behind)) return true;
    }
    // What is not understood may hold what is looked for.
    if (round.labelled || verdict !== 'unreadable') next = round;
  }
  return false;
}
