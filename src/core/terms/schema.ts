import * as z from 'zod/mini';

const vocabulary = z.enum(['us', 'uk']);
const position = { line: z.number(), column: z.number(), endLine: z.number(), endColumn: z.number() };

/** One change of a conversion, with what the editor has decided about it. Offsets are UTF-16 units of the source. */
export const termChangeSchema = z.object({
  /** The same for the same words in the same line, so that a decision holds for the next draft. */
  key: z.string(),
  kind: z.enum(['stitch', 'skip', 'yarn-over', 'gauge', 'statement', 'list', 'article', 'hook', 'weight', 'spelling']),
  from: z.number(),
  to: z.number(),
  ...position,
  before: z.string(),
  /** What is proposed. */
  after: z.string(),
  /** What stands in the result: the proposal, the words as they were, or the editor's own. */
  written: z.string(),
  reason: z.string(),
  /** The word may mean something else here; it is left alone until the editor has decided. */
  doubtful: z.boolean(),
  decided: z.boolean(),
});
export type TermChange = z.infer<typeof termChangeSchema>;

/** What became of a text on its way into the other vocabulary. */
export const conversionSchema = z.object({
  schema: z.literal('dostik.convert/1'),
  from: z.nullable(vocabulary),
  to: vocabulary,
  /** Whether the result can be trusted, and why not. */
  state: z.enum(['proved', 'unproved', 'already', 'mixed', 'unclear']),
  /** The state in a sentence, with what to do. */
  message: z.string(),
  changes: z.array(termChangeSchema),
  /** Places that keep the conversion from being finished. */
  problems: z.array(z.object({ ...position, message: z.string() })),
  /** The text as converted; the text as it was where nothing may be converted. */
  text: z.string(),
});
export type Conversion = z.infer<typeof conversionSchema>;
