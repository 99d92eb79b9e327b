import { dequal } from 'dequal/lite';
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
type ReportChanges = z.infer<typeof reportChangesSchema>;

interface Splice<One> {
  readonly kept: number;
  readonly come: One[];
  readonly keptBehind: number;
}

/** The number of the last report that the page has; null where it has none. */
export const knownSchema = z.nullable(z.int());

/** A report by what is another than in the one before. */
export const toldSchema = z.object({
  number: z.int(),
  /** The number of the report that it is told from; null where it is told whole. */
  since: knownSchema,
  changes: reportChangesSchema,
});
export type Told = z.infer<typeof toldSchema>;

interface Numbered {
  readonly number: number;
  readonly report: Report;
}

/** The worker's end: tells reports by what is another than in the last one, where that is the one that the page has. */
export class Telling {
  #last: Numbered | null = null;

  tell(report: Report, known: number | null): Told {
    const from = this.#last?.number === known ? this.#last : null;
    this.#last = { number: (this.#last?.number ?? 0) + 1, report };
    return {
      number: this.#last.number,
      since: from && from.number,
      changes: changesSince(from && from.report, report),
    };
  }
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

/** What makes one report of another; all of it is new where there is none before. */
function changesSince(before: Report | null, now: Report): ReportChanges {
  return {
    ...now,
    parts: spliced(before?.parts ?? [], now.parts),
    findings: spliced(before?.findings ?? [], now.findings),
  };
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

function spliced<One>(before: readonly One[], now: readonly One[]): Splice<One> {
  const most = Math.min(before.length, now.length);
  let kept = 0;
  while (kept < most && dequal(before[kept], now[kept])) kept += 1;
  let keptBehind = 0;
  while (kept + keptBehind < most && dequal(before.at(-1 - keptBehind), now.at(-1 - keptBehind))) keptBehind += 1;
  return { kept, come: now.slice(kept, now.length - keptBehind), keptBehind };
}

function joined<One>(before: readonly One[], { kept, come, keptBehind }: Splice<One>): One[] {
  return [...before.slice(0, kept), ...come, ...before.slice(before.length - keptBehind)];
}
