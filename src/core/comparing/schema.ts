import * as z from 'zod/mini';

const index = z.int().check(z.gte(0));

/** A round or another line in one of the two drafts; offsets in its text. */
const side = z.object({
  /** Its number among all rounds, from 0; null for a line that is none. */
  round: z.nullable(index),
  from: index,
  to: index,
});

/** What has become of a round or line. */
export const changeSchema = z.enum(['same', 'words', 'stitches', 'new', 'gone', 'moved']);
export type Change = z.infer<typeof changeSchema>;

const entry = z.object({
  /**
   * `same`: the words and all figures are as they were. `words`: other words, the same stitches. `stitches`: other stitches,
   * or figures, or the two can't be told apart for certain. `moved`: as it was, at another place in the order.
   */
  change: changeSchema,
  before: z.nullable(side),
  after: z.nullable(side),
  /** It goes by another number than it did. */
  renumbered: z.boolean(),
  /** It stands at another place in the order, whatever else has changed in it. */
  moved: z.boolean(),
  /** A range that was written out round by round, or rounds that were drawn together: one side stands in several entries. */
  spread: z.boolean(),
});
export type ComparedEntry = z.infer<typeof entry>;

const part = z.object({
  /** Numbers among the parts of either draft; null where it is not in that one. */
  before: z.nullable(index),
  after: z.nullable(index),
  renamed: z.boolean(),
  /** It stands elsewhere among the parts. */
  moved: z.boolean(),
});
export type ComparedPart = z.infer<typeof part>;

/** Two drafts in step: in the order of the later one, and what is gone where it stood. */
export const comparisonSchema = z.object({ entries: z.array(entry), parts: z.array(part) });
export type Comparison = z.infer<typeof comparisonSchema>;
