import * as z from 'zod/mini';
import { SCHOOLS } from './hands.js';
import { FAULT_KIND_IDS } from './kinds.js';

const line = z.int().check(z.gte(1));

export const faultKindSchema = z.enum(FAULT_KIND_IDS);
export const schoolSchema = z.enum(SCHOOLS);
export const levelSchema = z.literal([1, 2, 3, 4]);

/** A fault that was planted. Lines are of the practice pattern, from 1. */
export const plantedFaultSchema = z.object({
  kind: faultKindSchema,
  /** The lines on which it is rightly marked: one of them is enough. */
  lines: z.array(line),
  /** What is wrong, with the figures. */
  says: z.string(),
  /** Which two figures tell it. */
  compare: z.string(),
  /** The line as it was. */
  right: z.string(),
});
export type PlantedFault = z.infer<typeof plantedFaultSchema>;

/** A pattern to be worked through, with what is wrong in it. */
export const practiceSchema = z.object({
  text: z.string(),
  faults: z.array(plantedFaultSchema),
  level: levelSchema,
  /** The way of writing that it was made in; null for a pattern of one's own. */
  school: z.nullable(schoolSchema),
  terms: z.enum(['us', 'uk']),
});
export type Practice = z.infer<typeof practiceSchema>;

/** A line that somebody has marked as off. */
export const pencilMarkSchema = z.object({
  line,
  /** What is wrong with it; null where that was not said. */
  kind: z.nullable(faultKindSchema),
  /** The line as it should read; empty where nothing was proposed. */
  proposal: z.string().check(z.maxLength(2000)),
});
export type PencilMark = z.infer<typeof pencilMarkSchema>;

const figure = z.nullable(z.int());

/** A practice pattern that was worked through, marked. */
export const markedSchema = z.object({
  /** From 0 to 1: a false alarm costs what a miss costs. */
  mark: z.number().check(z.gte(0), z.lte(1)),
  faults: z.array(
    z.object({
      fault: plantedFaultSchema,
      /** The mark that has met it; null where it was missed. */
      met: z.nullable(pencilMarkSchema),
      /** What is wrong was said as it is. */
      named: z.boolean(),
      /** With the proposal nothing is wrong there any more; null where none was made. */
      righted: z.nullable(z.boolean()),
    }),
  ),
  /** Lines that were marked though nothing is wrong with them, with what their sums say. */
  blamed: z.array(z.object({ mark: pencilMarkSchema, says: z.string() })),
  /** The sums of all rounds, in the order of the text. */
  rounds: z.array(
    z.object({ line, part: z.string(), label: z.string(), edge: figure, into: figure, made: figure, stated: figure }),
  ),
});
export type Marked = z.infer<typeof markedSchema>;

/** A text that somebody has turned into the other vocabulary, marked word by word. */
export const turnedSchema = z.object({
  /** From 0 to 1: a word that was changed though it stays costs what one costs that was left standing. */
  mark: z.number().check(z.gte(0), z.lte(1)),
  /** Each word that has another name there, in the order of the text. */
  words: z.array(z.object({ line, before: z.string(), right: z.string(), reason: z.string(), turned: z.boolean() })),
  /** What reads otherwise though it stays. */
  changed: z.array(z.object({ line, words: z.string() })),
});
export type Turned = z.infer<typeof turnedSchema>;
