import * as z from 'zod/mini';
import { accountSchema, findingSchema, overviewSchema, reportSchema, roundSchema } from '../core/index.js';

/** The pattern as understood: what other programs may read of it. Lines and columns count from 1. */
export const understoodSchema = z.object({
  schema: z.literal('dostik.pattern/1'),
  name: z.string(),
  designer: z.string(),
  text: z.string(),
  terms: reportSchema.shape.terms,
  /** Materials, words, sections, parts and assembly as they were understood. */
  overview: overviewSchema,
  /** Parts with their rounds, each with its steps and how its figures come about. */
  parts: z.array(
    z.object({
      name: z.string(),
      make: z.int(),
      line: z.int(),
      rounds: z.array(z.object({ round: roundSchema, account: z.nullable(accountSchema) })),
    }),
  ),
  findings: z.array(z.object({ finding: findingSchema, aside: z.nullable(z.string()) })),
  queries: z.array(
    z.object({
      number: z.int(),
      part: z.string(),
      round: z.string(),
      text: z.string(),
      proposal: z.string(),
      answer: z.string(),
      state: z.string(),
    }),
  ),
  versions: z.array(
    z.object({ number: z.string(), signer: z.string(), at: z.string(), note: z.string(), fingerprint: z.string() }),
  ),
});
export type Understood = z.infer<typeof understoodSchema>;

/** The JSON Schema of `understoodSchema`, for whoever reads such a file. */
export function understoodJsonSchema(): unknown {
  return z.toJSONSchema(understoodSchema);
}

const cell = z.union([z.string(), z.number(), z.null(), z.object({ file: z.string() })]);
/** A row of a table; what is no text lies in a file of the archive beside it. */
export const rowSchema = z.record(z.string(), cell);
export type Row = z.infer<typeof rowSchema>;

/** Everything of a workspace: its tables by name, as an archive holds them. */
export const workspaceSchema = z.object({
  schema: z.literal('dostik.workspace/1'),
  tables: z.record(z.string(), z.array(rowSchema)),
});

/** What came of an archive that was brought in. */
export const broughtSchema = z.object({ patterns: z.int(), known: z.int() });
export type Brought = z.infer<typeof broughtSchema>;
