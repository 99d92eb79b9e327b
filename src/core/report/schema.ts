import * as z from 'zod/mini';

const atLeast = (least: number) => z.int().check(z.gte(least));

const position = { line: atLeast(1), column: atLeast(1), endLine: atLeast(1), endColumn: atLeast(1) };
const count = z.nullable(atLeast(0));

export const roundSchema = z.object({
  label: z.string(),
  from: atLeast(0),
  to: atLeast(0),
  kind: z.enum(['round', 'row']),
  line: atLeast(1),
  /** Where its label begins in the line: several rounds may stand in one. */
  column: atLeast(1),
  endLine: atLeast(1),
  edge: count,
  into: count,
  made: count,
  stated: count,
  verdict: z.enum(['agrees', 'counted', 'off', 'unreadable', 'on-trust']),
  /** How sure its reading is, and why where it is not simply what stands there. */
  doubt: z.enum(['none', 'passed-over', 'worked-out', 'repaired']),
  why: z.array(z.string()),
  /** Stands for the round's words and all that its count rests on; another one as soon as any of that changes. */
  key: z.string(),
});

export const partSchema = z.object({
  name: z.string(),
  make: atLeast(1),
  line: atLeast(1),
  rounds: z.array(roundSchema),
});

const fix = z.object({ title: z.string(), edits: z.array(z.object({ ...position, text: z.string() })) });

export const findingSchema = z.object({
  rule: z.string(),
  severity: z.enum(['error', 'warning', 'hint']),
  ...position,
  message: z.string(),
  part: z.nullable(z.string()),
  round: z.nullable(z.string()),
  fixes: z.array(fix),
  /** Stands for the rule and the lines that it was found in. */
  key: z.string(),
});

/** The check report, `dostik.check/1`: lines and columns count from 1, `endColumn` is exclusive. */
export const reportSchema = z.object({
  schema: z.literal('dostik.check/1'),
  file: z.string(),
  terms: z.object({
    declared: z.nullable(z.enum(['us', 'uk'])),
    detected: z.enum(['us', 'uk', 'mixed', 'unclear']),
    confidence: z.number().check(z.gte(0), z.lte(1)),
  }),
  parts: z.array(partSchema),
  findings: z.array(findingSchema),
  coverage: z.object({ instructionLines: atLeast(0), read: atLeast(0) }),
});

export type Report = z.infer<typeof reportSchema>;
export type ReportRound = z.infer<typeof roundSchema>;
export type ReportFinding = z.infer<typeof findingSchema>;
export type ReportVerdict = ReportRound['verdict'];
