import * as z from 'zod/mini';
import { accountSchema, hookSlipSchema } from '../explaining/schema.js';

const count = z.int().check(z.gte(0));
const line = z.int().check(z.gte(1));

/** A step of a round as it is worked, with where its words stand among the words of the round. */
export interface BenchStep {
  from: number;
  to: number;
  times: number;
  /** Of all its times together. */
  made: number;
  steps: BenchStep[];
}

const benchStepSchema: z.ZodMiniType<BenchStep> = z.object({
  from: count,
  to: count,
  times: count,
  made: count,
  get steps() {
    return z.array(benchStepSchema);
  },
});

/** What some rounds have in common that are worked by the same words. */
export const instructionSchema = z.object({
  /** As the pattern writes it, on one line. */
  words: z.string(),
  /** In plain words. */
  sentence: z.string(),
  steps: z.array(benchStepSchema),
  ladder: accountSchema.shape.ladder,
  /** Which slips explain that so many stitches more, or less, are on the hook. */
  slips: z.array(z.object({ off: z.int(), slips: z.array(hookSlipSchema) })),
});
export type Instruction = z.infer<typeof instructionSchema>;

/** One round or row by itself: a label that stands for several is several. */
export const benchRoundSchema = z.object({
  /** Its number among all rounds of the report, from 0. */
  round: count,
  line,
  label: z.string(),
  kind: z.enum(['round', 'row']),
  number: z.nullable(z.int()),
  /** The first and the last number of its label, where that stands for several. */
  range: z.nullable(z.tuple([z.int(), z.int()])),
  edge: z.nullable(count),
  /** What the words give, else what is stated; null where neither does. */
  made: z.nullable(count),
  /** The count that the pattern states is another. */
  off: z.boolean(),
  /** Place among the instructions of the course. */
  instruction: count,
  /** What is to be done behind it, and before the next. */
  then: z.array(z.string()),
});
export type BenchRound = z.infer<typeof benchRoundSchema>;

export const benchPartSchema = z.object({
  name: z.string(),
  make: z.int().check(z.gte(1)),
  line,
  /** What stands before its first round. */
  before: z.array(z.string()),
  rounds: z.array(benchRoundSchema),
});
export type BenchPart = z.infer<typeof benchPartSchema>;

/** The rounds of a course with their words: all but how each of them is worked. */
export const roundListSchema = z.object({
  title: z.string(),
  terms: z.enum(['us', 'uk']),
  /** What stands before the first part, and behind the last: materials, notes, assembly. */
  before: z.array(z.string()),
  after: z.array(z.string()),
  yarns: z.array(z.string()),
  instructions: z.array(z.pick(instructionSchema, { words: true, sentence: true })),
  parts: z.array(benchPartSchema),
});
export type RoundList = z.infer<typeof roundListSchema>;

/** A pattern as it is followed with yarn in both hands: round by round. */
export const courseSchema = z.extend(roundListSchema, { instructions: z.array(instructionSchema) });
export type Course = z.infer<typeof courseSchema>;
