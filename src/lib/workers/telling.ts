import { dequal } from 'dequal/lite';
import * as z from 'zod/mini';
import type { Report } from '../../core/index.js';
import type { ReportChanges, Splice, Told } from './hearing.js';

/** The number of the last report that the page has; null where it has none. */
export const knownSchema = z.nullable(z.int());

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

/** What makes one report of another; all of it is new where there is none before. */
function changesSince(before: Report | null, now: Report): ReportChanges {
  return {
    ...now,
    parts: spliced(before?.parts ?? [], now.parts),
    findings: spliced(before?.findings ?? [], now.findings),
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
