import * as z from 'zod/mini';
import { findingSchema, partSchema, reportSchema, type Report } from '../../core/index.js';

const index = z.int().check(z.gte(0));
/** What becomes of a list: so many of its first stay, some come behind them, and so many of its last follow. */
const spliceOf = <Schema extends z.core.$ZodType>(schema: Schema) =>
  z.object({ kept: index, come: z.array(schema), keptBehind: index });

/** What is another than in the report before. A key changes one round: what it does not touch is neither sent nor drawn. */
const reportChangesSchema = z.extend(z.omit(reportSchema, { parts: true, findings: true }), {
  parts: spliceOf(partSchema),
  findings: spliceOf(findingSchema),
});
export type ReportChanges = z.infer<typeof reportChangesSchema>;

/** What becomes of a list, told. */
export interface Splice<One> {
  readonly kept: number;
  readonly come: One[];
  readonly keptBehind: number;
}

/** A report by what is another than in the one before. */
export const toldSchema = z.object({
  number: z.int(),
  /** The number of the report that it is told from; null where it is told whole. */
  since: z.nullable(z.int()),
  changes: reportChangesSchema,
});
export type Told = z.infer<typeof toldSchema>;

interface Numbered {
  readonly number: number;
  readonly report: Report;
}

/** The page's end: has the last report, and makes the next one of it. */
export class Hearing {
  #last: Numbered | null = null;

  /** The number of the report that is here, for the worker to tell the next one from. */
  get known(): number | null {
    return this.#last?.number ?? null;
  }

  /** @param told by a worker that was given `known` */
  hear({ number, since, changes }: Told): Report {
    const report = withChanges(since === null ? null : (this.#last?.report ?? null), changes);
    this.#last = { number, report };
    return report;
  }

  /** An answer was lost: the next report is told whole. */
  forget(): void {
    this.#last = null;
  }
}

/**
 * The report that the changes were made for, where `before` is the one that they were made from. What is the same is the very
 * same object.
 */
function withChanges(before: Report | null, changes: ReportChanges): Report {
  return {
    ...changes,
    parts: joined(before?.parts ?? [], changes.parts),
    findings: joined(before?.findings ?? [], changes.findings),
  };
}

function joined<One>(before: readonly One[], { kept, come, keptBehind }: Splice<One>): One[] {
  return [...before.slice(0, kept), ...come, ...before.slice(before.length - keptBehind)];
}
