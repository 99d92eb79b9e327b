import * as z from 'zod';

const position = { line: z.int().min(1), column: z.int().min(1), endLine: z.int().min(1), endColumn: z.int().min(1) };
const count = z.int().min(0).nullable();

const round = z.object({
  label: z.string(),
  from: z.int().min(0),
  to: z.int().min(0),
  kind: z.enum(['round', 'row']),
  line: z.int().min(1),
  endLine: z.int().min(1),
  edge: count,
  into: count,
  made: count,
  stated: count,
  verdict: z.enum(['agrees', 'counted', 'off', 'unreadable', 'on-trust']),
});

const fix = z.object({ title: z.string(), edits: z.array(z.object({ ...position, text: z.string() })) });

const finding = z.object({
  rule: z.string(),
  severity: z.enum(['error', 'warning', 'hint']),
  ...position,
  message: z.string(),
  part: z.string().nullable(),
  round: z.string().nullable(),
  fixes: z.array(fix),
});

/** The check report, `dostik.check/1`: lines and columns count from 1, `endColumn` is exclusive. */
export const reportSchema = z.object({
  schema: z.literal('dostik.check/1'),
  file: z.string(),
  terms: z.object({
    declared: z.enum(['us', 'uk']).nullable(),
    detected: z.enum(['us', 'uk', 'mixed', 'unclear']),
    confidence: z.number().min(0).max(1),
  }),
  parts: z.array(z.object({ name: z.string(), make: z.int().min(1), line: z.int().min(1), rounds: z.array(round) })),
  findings: z.array(finding),
  coverage: z.object({ instructionLines: z.int().min(0), read: z.int().min(0) }),
});

export type Report = z.infer<typeof reportSchema>;
export type ReportRound = z.infer<typeof round>;
export type ReportFinding = z.infer<typeof finding>;
export type ReportVerdict = ReportRound['verdict'];
