import * as z from 'zod/mini';
import { LINE_ROLES, senseSchema } from '../reading/hand.js';

const line = z.int().check(z.gte(1));
const count = z.int().check(z.gte(0));

/** What a line can be taken for: a role, nothing as it is empty, or crochet that no place was found for. */
export const LINES_TAKEN = [...LINE_ROLES, 'blank', 'unplaced'] as const;
export type LineTaken = (typeof LINES_TAKEN)[number];

/** A place where something is used: its line, and the part that it stands in. */
const useSchema = z.object({ line, part: z.nullable(z.string()) });

/** How a part stands in the whole. Counts are stitches. */
const partSchema = z.object({
  name: z.string(),
  line,
  endLine: line,
  make: z.int().check(z.gte(1)),
  /** Rounds by their numbers: a range counts as many as it names. */
  rounds: count,
  kind: z.enum(['rounds', 'rows', 'both']),
  first: z.nullable(count),
  most: z.nullable(count),
  last: z.nullable(count),
  /** All stitches of one piece; null where a round of it could not be counted. */
  stitches: z.nullable(count),
  /** What is said to be done in its making besides crochet. */
  making: z.array(z.object({ what: z.string(), line, after: z.nullable(z.string()) })),
  /** Sentences that put it on something, or something on it. */
  assembly: z.array(z.object({ text: z.string(), line })),
});

/** What was understood of a text besides its rounds: its terms, materials, words, parts and assembly. */
export const overviewSchema = z.object({
  title: z.nullable(z.string()),
  terms: z.object({
    declared: z.nullable(z.enum(['us', 'uk'])),
    /** The line of the statement. */
    at: z.nullable(line),
    detected: z.enum(['us', 'uk', 'mixed', 'unclear']),
    /** Words that tell the vocabulary, the most frequent first. */
    words: z.array(z.object({ word: z.string(), count, tells: z.enum(['us', 'uk', 'both']), line })),
  }),
  materials: z.array(
    z.object({
      kind: z.enum(['yarn', 'hook', 'eyes', 'filling', 'tool', 'notion']),
      name: z.string(),
      amount: z.nullable(z.string()),
      line,
      /** Where it is spoken of outside of the materials; a hook or a tool is for all of it. */
      uses: z.array(useSchema),
    }),
  ),
  /** The pattern's own words: those of its list, and those whose meaning was settled or worked out. */
  words: z.array(
    z.object({
      term: z.string(),
      meaning: z.string(),
      from: z.enum(['list', 'settled', 'worked-out']),
      sense: z.nullable(senseSchema),
      line: z.nullable(line),
      /** How often it stands in the instructions. */
      used: count,
    }),
  ),
  sections: z.array(
    z.object({ kind: z.enum(['materials', 'gauge', 'legend', 'notes', 'assembly']), line, endLine: line }),
  ),
  parts: z.array(partSchema),
  assembly: z.array(z.object({ text: z.string(), line })),
  /** What each line was taken for, from the first. */
  lines: z.array(z.enum(LINES_TAKEN)),
});
export type Overview = z.infer<typeof overviewSchema>;
export type PartOverview = Overview['parts'][number];
