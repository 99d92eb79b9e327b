import * as z from 'zod/mini';
import {
  faultKindSchema,
  levelSchema,
  markedSchema,
  pencilMarkSchema,
  schoolSchema,
  turnedSchema,
  type FaultKindId,
  type Level,
  type School,
} from '../core/index.js';

/** What is wanted of a new practice pattern. */
export const wishSchema = z.object({
  what: z.enum(['faults', 'terms']),
  level: levelSchema,
  /** A way of writing; null for any. */
  school: z.nullable(schoolSchema),
  /** The vocabulary of the text; null for either. */
  terms: z.nullable(z.enum(['us', 'uk'])),
  /** A pattern of the shelf that the faults are planted in; null for one that is made up. */
  from: z.nullable(z.string().check(z.maxLength(100))),
});
export type Wish = z.infer<typeof wishSchema>;

const MOST_MARKS = 400;
const LONGEST_ANSWER = 200_000;
/** A day of work: a clock that was forgotten goes no further. Seconds. */
const LONGEST_WORK = 86_400;

/** What somebody has done with a practice pattern so far. */
export const workSchema = z.object({
  marks: z.array(pencilMarkSchema).check(z.maxLength(MOST_MARKS, 'Not every line can be off: take back some marks.')),
  /** The text as it was turned; empty where it was not touched. */
  answer: z.string().check(z.maxLength(LONGEST_ANSWER)),
  seconds: z.number().check(z.gte(0), z.lte(LONGEST_WORK)),
});
export type Work = z.infer<typeof workSchema>;

/** How often kinds of fault were found and missed in one practice pattern, and how many lines were blamed. */
export const tallySchema = z.object({
  found: z.array(faultKindSchema),
  missed: z.array(faultKindSchema),
  blamed: z.int(),
});
export type Tally = z.infer<typeof tallySchema>;

/** What there is to see once it is worked through. */
export const outcomeSchema = z.discriminatedUnion('what', [
  z.object({ what: z.literal('faults'), marked: markedSchema }),
  z.object({ what: z.literal('terms'), turned: turnedSchema }),
]);
export type Outcome = z.infer<typeof outcomeSchema>;

/** A practice pattern as it is worked on: nothing of what is wrong with it. */
export interface PracticeSheet {
  readonly id: string;
  readonly what: Wish['what'];
  readonly level: Level;
  readonly terms: 'us' | 'uk';
  readonly text: string;
  readonly work: Work;
  /** How many faults there are, where that is told; null where it is not. */
  readonly told: number | null;
  /** Null while it is worked on. */
  readonly outcome: Outcome | null;
}

/** One that was worked through, or is worked on. */
export interface PracticeEntry {
  readonly id: string;
  readonly what: Wish['what'];
  readonly level: Level;
  readonly school: School | null;
  readonly terms: 'us' | 'uk';
  /** The first line of it. */
  readonly title: string;
  /** From 0 to 1; null while it is worked on. */
  readonly mark: number | null;
  readonly seconds: number;
  readonly found: number;
  readonly missed: number;
  readonly blamed: number;
  readonly at: number;
}

/** How one does with a kind of fault. */
export interface KindEntry {
  readonly kind: FaultKindId;
  readonly words: string;
  readonly found: number;
  readonly missed: number;
  /** When it comes again, in milliseconds since 1970; null where it was not met yet. */
  readonly dueAt: number | null;
}

/** Minutes and seconds, as a clock says them. */
export function clockOf(seconds: number): string {
  const whole = Math.floor(seconds);
  const [hours, minutes, rest] = [Math.floor(whole / 3600), Math.floor(whole / 60) % 60, whole % 60];
  const two = (figure: number) => String(figure).padStart(2, '0');
  return hours > 0 ? `${hours}:${two(minutes)}:${two(rest)}` : `${minutes}:${two(rest)}`;
}

export const SCHOOL_WORDS: Readonly<Record<School, string>> = {
  abbreviations: 'Abbreviations: (sc 3, inc) x 6',
  words: 'Words in full: 1 single crochet in each of the next 3 stitches',
  sentences: 'Half sentences: sc in next 3 sts, 2 sc in next st',
  letters: 'Letters: (3X, V)*6',
  joined: 'Joined rounds: ch 1, sc in each st around, sl st',
};

export const LEVEL_WORDS: Readonly<Record<Level, string>> = {
  1: 'One fault, and it is in the figures',
  2: 'Two or three, and you know how many',
  3: 'Two to four of more kinds; you do not know how many',
  4: 'Up to six of all kinds, in a long pattern, or none at all',
};

export {
  FAULT_KINDS,
  LEVELS,
  SCHOOLS,
  type FaultKindId,
  type Level,
  type PencilMark,
  type School,
} from '../core/index.js';
