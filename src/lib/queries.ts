import * as z from 'zod/mini';
import { placeSchema } from '../core/index.js';
import { keySchema, momentSchema } from './patterns.js';

/** How far a query is: not sent yet (or sent back), with the designer, answered, done with, or taken back. */
export const queryStateSchema = z.enum(['open', 'sent', 'answered', 'settled', 'withdrawn']);
export type QueryState = z.infer<typeof queryStateSchema>;
/** Those that still wait for somebody. */
export const UNSETTLED: readonly QueryState[] = ['open', 'sent', 'answered'];

export const LONGEST_WORDS = 10_000;
const words = z
  .string()
  .check(z.trim(), z.maxLength(LONGEST_WORDS, `A query has at most ${LONGEST_WORDS.toLocaleString('en')} characters.`));
const name = z.string().check(z.maxLength(200));
const scope = z.enum(['words', 'round', 'part', 'pattern']);

export const eventSchema = z.object({
  query: z.nullable(z.int()),
  /** What was done: a state that a query came into, or what happened to the pattern. */
  what: z.string(),
  who: z.string(),
  said: z.string(),
  at: momentSchema,
});
export type HistoryEvent = z.infer<typeof eventSchema>;

/** A question to the designer. */
export const querySchema = z.object({
  /** Its own for good. */
  number: z.int().check(z.gte(1)),
  revision: z.int(),
  state: queryStateSchema,
  scope,
  /** Where it was made; null for one about the whole pattern. */
  place: z.nullable(placeSchema),
  /** Part and round as they were called when it was made. */
  part: z.string(),
  round: z.string(),
  text: z.string(),
  /** The words as they would come out; empty for none. */
  proposal: z.string(),
  /** The finding that it was made from; empty where there was none. */
  rule: z.string(),
  finding: z.string(),
  /** The newest draft when it was made; 0 where no drafts are kept. */
  draft: z.int(),
  answer: z.string(),
  at: momentSchema,
});
export type Query = z.infer<typeof querySchema>;
export const queriesSchema = z.array(querySchema);

/** A query that is to be made. */
export const queryMadeSchema = z.object({
  /** A name that its window gives it: sent twice it is made once. */
  ref: keySchema,
  scope,
  /** The words that it is about, with where they stood in the text that the window had; null for the whole pattern. */
  at: z.nullable(z.object({ from: z.int().check(z.gte(0)), words: z.string().check(z.maxLength(4_000_000)) })),
  part: name,
  round: name,
  text: words.check(z.minLength(1, 'A query needs words: say what you want to ask.')),
  proposal: words,
  rule: z._default(z.string().check(z.maxLength(64)), ''),
  finding: z._default(z.string().check(z.maxLength(64)), ''),
});
export type QueryMade = z.infer<typeof queryMadeSchema>;

/** A change of a query: of its words, or of its state with what was said to it. */
export const queryChangeSchema = z.object({
  /** The revision that it was made from. */
  base: z.int(),
  text: z.optional(words.check(z.minLength(1, 'A query needs words: say what you want to ask.'))),
  proposal: z.optional(words),
  state: z.optional(queryStateSchema),
  /** Why, or what was answered. */
  said: z._default(words, ''),
});
export type QueryChange = z.input<typeof queryChangeSchema>;

/** What the server says to a change that was made from an older revision. */
export const queryConflictSchema = z.object({ current: querySchema });
