import * as z from 'zod/mini';
import { momentSchema } from './patterns.js';
import { LONGEST_WORDS, queryStateSchema } from './queries.js';

/** A query as its designer sees it. */
export const askedQuerySchema = z.object({
  number: z.int(),
  revision: z.int(),
  /** `sent`, `answered` or `settled`: what was not sent, or was taken back, is not shown. */
  state: queryStateSchema,
  part: z.string(),
  round: z.string(),
  /** The words of the pattern that it is about; empty where it is about all of it. */
  words: z.string(),
  text: z.string(),
  proposal: z.string(),
  answer: z.string(),
});
export type AskedQuery = z.infer<typeof askedQuerySchema>;

/** A letter that is answered where it is read. */
export const designerLetterSchema = z.object({
  pattern: z.string(),
  opening: z.array(z.string()),
  closing: z.array(z.string()),
  queries: z.array(askedQuerySchema),
});
export type DesignerLetter = z.infer<typeof designerLetterSchema>;

/** An answer to a query. */
export const answerSchema = z.object({
  /** The revision of the query that was read. */
  base: z.int(),
  said: z
    .string()
    .check(
      z.trim(),
      z.minLength(1, 'An answer needs words.'),
      z.maxLength(LONGEST_WORDS, `An answer has at most ${LONGEST_WORDS.toLocaleString('en')} characters.`),
    ),
});

/** What the server says to an answer that was written to an older state of the query. */
export const answerConflictSchema = z.object({ current: askedQuerySchema });

/** A pattern as its designer sees it in the list of their own. */
export const ownPatternSchema = z.object({
  id: z.string(),
  name: z.string(),
  /** Queries that wait for an answer. */
  waiting: z.int(),
  /** Answered, and not settled yet. */
  answered: z.int(),
  drafts: z.int(),
  /** The last version that went out; null where none has. */
  version: z.nullable(z.string()),
  updatedAt: momentSchema,
});
export type OwnPattern = z.infer<typeof ownPatternSchema>;
